import { parseQuantity, refusalWords, showAsTyped, showQuantity, type UnitChoice } from "@lampcrate/core";
import { Input } from "antd";
import { useTyped } from "../../shared/pieces/useTyped.ts";
import { Labelled } from "./Labelled.tsx";

/** What a bare number is in. */
const bare = { room: { metric: "m", imperial: "ft" }, piece: { metric: "mm", imperial: "in" } } as const;

/** A length typed in any unit; what can't be read stays as typed with a word on it. */
export function LengthBox({
  label,
  valueM,
  units,
  allowNone = false,
  room = false,
  onNone,
  onChange,
}: {
  readonly label: string;
  readonly valueM: number | null;
  readonly units: UnitChoice;
  /** Whether nothing at all is a length here. */
  readonly allowNone?: boolean;
  /** Whether it is a room that is measured: a bare number is in metres or feet, and is shown so. */
  readonly room?: boolean;
  /** Takes an emptied box; without it a length must stand there. */
  readonly onNone?: () => void;
  readonly onChange: (metres: number) => void;
}) {
  const unit = bare[room ? "room" : "piece"][units];
  const shown = valueM === null ? "" : room ? showAsTyped(valueM, unit) : showQuantity(valueM, "length", units);
  const { text, trouble, type, commit, onKeyDown } = useTyped(shown, (typed) => {
    if (typed.trim() === "" && onNone) {
      onNone();
      return null;
    }
    const asked = { dimension: "length", defaultUnit: unit } as const;
    const read = parseQuantity(typed, asked);
    if (!read.ok) return refusalWords(read.reason, typed, asked);
    if (read.si < 0 || (read.si === 0 && !allowNone)) return "More than nothing, please.";
    onChange(read.si);
    return null;
  });
  return (
    <Labelled label={label} trouble={trouble}>
      <Input
        className="length-box"
        placeholder={onNone ? "any" : ""}
        value={text}
        {...(trouble === null ? {} : { status: "error" as const })}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
      />
    </Labelled>
  );
}
