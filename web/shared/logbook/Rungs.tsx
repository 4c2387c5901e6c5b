import type { TrialInput } from "@lampcrate/contract";
import type { Measure } from "@lampcrate/core";
import { onRung } from "./trialEdits.ts";

interface RungsProps {
  readonly label: string;
  readonly trial: TrialInput;
  readonly rungs: NonNullable<Measure["rungs"]>;
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** How it came through, the best first: one tap. */
export function Rungs({ label, trial, rungs, onChange }: RungsProps) {
  return (
    <div className="choices" role="group" aria-label={label}>
      {rungs.steps.map((step, place) => (
        <button
          key={step}
          type="button"
          className={place <= rungs.asked ? "answer through" : "answer"}
          aria-pressed={trial.outcome === "rung" && trial.rung === place}
          onClick={() => onChange(onRung(trial, place))}
        >
          {step}
        </button>
      ))}
    </div>
  );
}
