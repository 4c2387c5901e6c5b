import type { ToldDemand } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";

interface LetGoProps {
  readonly demands: readonly ToldDemand[];
  readonly onBack: (id: string) => void;
}

/** What is asked no more, each to be asked again. */
export function LetGo({ demands, onBack }: LetGoProps) {
  if (demands.length === 0) return null;
  return (
    <div className="stack near" role="group" aria-label="Let go of">
      <h3>Let go of</h3>
      <ul className="must-give">
        {demands.map(({ demand, words }) => (
          <li key={demand.id} className="row spread">
            <s>{words}</s>
            <Button type="text" size="small" onClick={() => onBack(demand.id)}>
              ask for it again
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
