import { parseQuantity, refusalWords, showQuantity, type UnitChoice } from "@lampcrate/core";
import { Input } from "antd";
import { useState } from "react";
import { Labelled } from "../shell/Labelled.tsx";

/** A length typed in any unit; what can't be read stays as typed with a word on it. */
export function LengthBox({
  label,
  valueM,
  units,
  allowNone = false,
  onChange,
}: {
  readonly label: string;
  readonly valueM: number | null;
  readonly units: UnitChoice;
  /** Whether nothing at all is a length here. */
  readonly allowNone?: boolean;
  readonly onChange: (metres: number) => void;
}) {
  const shown = valueM === null ? "" : showQuantity(valueM, "length", units);
  const [typed, setTyped] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const commit = (): void => {
    if (typed === null) return;
    const asked = { dimension: "length", defaultUnit: units === "metric" ? "mm" : "in" } as const;
    const read = parseQuantity(typed, asked);
    if (!read.ok) return setTrouble(refusalWords(read.reason, typed, asked));
    if (read.si < 0 || (read.si === 0 && !allowNone)) return setTrouble("More than nothing, please.");
    setTrouble(null);
    setTyped(null);
    onChange(read.si);
  };
  return (
    <Labelled label={label} trouble={trouble}>
      <Input
        style={{ width: 120 }}
        value={typed ?? shown}
        {...(trouble === null ? {} : { status: "error" as const })}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onPressEnter={commit}
      />
    </Labelled>
  );
}
