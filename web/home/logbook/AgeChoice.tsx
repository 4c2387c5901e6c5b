import { type AgeBand, ageBands } from "@lampcrate/contract";
import { useWords } from "../../shared/words/useWords.ts";

interface AgeChoiceProps {
  readonly value: AgeBand | null;
  readonly onChange: (ageBand: AgeBand | null) => void;
}

/** How old the builders are, if a family or a leader wants to say. */
export function AgeChoice({ value, onChange }: AgeChoiceProps) {
  const words = useWords();
  return (
    <label className="field">
      <span>{words.log.age}</span>
      <select
        className="typed"
        value={value ?? ""}
        onChange={(event) => onChange(ageBands.find((age) => age === event.target.value) ?? null)}
      >
        <option value="">{words.log.agesNone}</option>
        {ageBands.map((age) => (
          <option key={age} value={age}>
            {words.log.ages[age]}
          </option>
        ))}
      </select>
    </label>
  );
}
