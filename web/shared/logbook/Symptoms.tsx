import type { Symptom } from "@lampcrate/core";
import { useContext } from "react";
import { useWords } from "../words/useWords.ts";
import { NudgesShut } from "./nudges.ts";

/** What was seen, beside any result; each has a question and something to try. */
export function Symptoms({
  symptoms,
  seen,
  failed,
  onChange,
}: {
  readonly symptoms: readonly Symptom[];
  readonly seen: readonly string[];
  readonly failed: boolean;
  readonly onChange: (seen: readonly string[]) => void;
}) {
  const words = useWords();
  const shut = useContext(NudgesShut);
  const chosen = symptoms.filter((symptom) => seen.includes(symptom.id));
  return (
    <div>
      <p>{failed ? words.log.noNumberHint : words.log.seenHint}</p>
      <div className="choices">
        {symptoms.map((symptom) => (
          <button
            key={symptom.id}
            type="button"
            className="plain"
            aria-pressed={seen.includes(symptom.id)}
            onClick={() => onChange(seen.includes(symptom.id) ? seen.filter((s) => s !== symptom.id) : [...seen, symptom.id])}
          >
            {symptom.words}
          </button>
        ))}
      </div>
      {chosen.map((symptom) => (
        <p key={symptom.id} className="plain-words above">
          <strong>{symptom.question}</strong>{" "}
          {shut ?? `${words.log.nudge}: ${symptom.nudge.charAt(0).toLowerCase()}${symptom.nudge.slice(1)}`}
        </p>
      ))}
    </div>
  );
}
