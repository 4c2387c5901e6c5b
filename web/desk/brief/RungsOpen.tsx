import { type BriefDoc, type HintRung, hintRungs, type RungOpens } from "@lampcrate/contract";
import { InputNumber } from "antd";

interface RungsOpenProps {
  readonly opens: BriefDoc["hintsOpen"];
  readonly onChange: (opens: BriefDoc["hintsOpen"], words: string) => void;
}

const names: Readonly<Record<HintRung, string>> = { question: "Questions", nudge: "Nudges", example: "Examples" };

/** When each rung of the ladder opens to families: by their own tests, by the day, or at once. */
export function RungsOpen({ opens, onChange }: RungsOpenProps) {
  const set = (rung: HintRung, patch: Partial<RungOpens>): void =>
    onChange({ ...opens, [rung]: { ...opens[rung], ...patch } }, `${names[rung].toLowerCase()} open otherwise`);
  return (
    <table className="rungs-open">
      <caption>When they open to families, with what the family says of each symptom. What waits for its day is not sent before.</caption>
      <tbody>
        {hintRungs.map((rung) => (
          <tr key={rung}>
            <th scope="row">{names[rung]}</th>
            <td>
              after{" "}
              <Count
                label={`${names[rung]}: after so many tests`}
                most={30}
                value={opens[rung].tries}
                onChange={(tries) => set(rung, { tries })}
              />{" "}
              tests of their own
            </td>
            <td>
              and{" "}
              <Count
                label={`${names[rung]}: so many days after opening`}
                most={120}
                value={opens[rung].days}
                onChange={(days) => set(rung, { days })}
              />{" "}
              days after opening
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface CountProps {
  readonly label: string;
  readonly most: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

/** A small whole number; an empty box is none. */
function Count({ label, most, value, onChange }: CountProps) {
  return (
    <InputNumber
      aria-label={label}
      size="small"
      min={0}
      max={most}
      precision={0}
      value={value}
      changeOnBlur
      onChange={(typed) => onChange(typed ?? 0)}
    />
  );
}
