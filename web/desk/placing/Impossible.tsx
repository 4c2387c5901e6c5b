import type { Placement, ToldDemand } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";

interface ImpossibleProps {
  readonly placement: Extract<Placement, { possible: false }>;
  readonly demands: readonly ToldDemand[];
  readonly onLetGo: (ids: readonly string[]) => void;
}

/** Why not everything can hold, and the least that must give. */
export function Impossible({ placement: { mustGive, conflict, proven }, demands, onLetGo }: ImpossibleProps) {
  const words = (id: string): string => demands.find(({ demand }) => demand.id === id)?.words ?? "";
  const least = mustGive[0]?.length ?? 0;
  return (
    <section className="sheet pad stack" aria-label="Plan">
      <h2>Not all of this can hold</h2>
      {conflict.length > 0 ? (
        <div className="stack near" role="group" aria-label="Why">
          <h3>Why: these {conflict.length} can't hold together</h3>
          <ul className="conflict">
            {conflict.map((id) => (
              <li key={id}>{words(id)}</li>
            ))}
          </ul>
          <p className="soft small">Nothing smaller is in each other's way. Rooms and people that are taken already never give.</p>
        </div>
      ) : null}
      {mustGive.length > 0 ? (
        <div className="stack near" role="group" aria-label="What must give">
          <h3>
            {least === 1
              ? "One thing must give. Any of these is enough:"
              : `${least} things must give together. Any of these sets is enough:`}
          </h3>
          <ul className="must-give">
            {mustGive.map((set) => (
              <li key={set.join(" ")} className="row spread">
                <span>{set.map(words).join("; and ")}</span>
                <Button size="small" onClick={() => onLetGo(set)}>
                  let go of {least === 1 ? "it" : "these"}
                </Button>
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {proven ? null : (
        <p role="alert" className="trouble">
          Time ran out before all of it was known. Ask for fewer sessions or days at a time.
        </p>
      )}
      <p className="soft small">Or change what is asked on the left: more days, other times, fewer people.</p>
    </section>
  );
}
