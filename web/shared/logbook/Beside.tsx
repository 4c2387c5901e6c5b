import type { TrialInput } from "@lampcrate/contract";
import { type Measure, readTrial, type UnitChoice } from "@lampcrate/core";
import { useId } from "react";
import { NumberBox } from "./NumberBox.tsx";
import { withFurther } from "./trialEdits.ts";

interface BesideProps {
  readonly further: readonly Measure[];
  readonly trial: TrialInput;
  readonly units: UnitChoice;
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** What else the brief asks for beside the main outcome; a family may leave it out. */
export function Beside({ further, trial, units, onChange }: BesideProps) {
  const id = useId();
  return further.map((measure) => (
    <NumberBox
      key={measure.id}
      id={`${id}-${measure.id}`}
      label={measure.words}
      raw={trial.further[measure.id] ?? null}
      read={readTrial(trial.further[measure.id] ?? null, measure)}
      measure={measure}
      units={units}
      onType={(text) => onChange(withFurther(trial, measure.id, text))}
    />
  ));
}
