import { applies, type ChoiceField, type Field, type NumberField, type UnitChoice, type Values } from "@lampcrate/core";
import { Select } from "antd";
import { memo, useCallback, useId, useRef, useState } from "react";
import { Ruler } from "../../shared/pieces/Ruler.tsx";
import { quantityScale } from "../../shared/pieces/scale.ts";
import { shownTop } from "./shownTop.ts";

interface Extras {
  readonly band?: readonly [number, number];
  readonly marks?: readonly number[];
  readonly impossible?: readonly (readonly [number, number])[];
}

interface FieldListProps {
  readonly fields: readonly Field[];
  readonly values: Values;
  /** Other values that decide which fields stand: the goal's, for a design. */
  readonly within?: Values;
  readonly units: UnitChoice;
  readonly extras?: (id: string) => Extras;
  readonly onChange: (id: string, value: number | string, words: string, settled: boolean) => void;
}

const noExtras: Extras = {};

/** A family's fields: numbers on rulers, short lists as choices; those that don't stand are left out. While one is dragged the others rest. */
export function FieldList({ fields, values, within = {}, units, extras, onChange }: FieldListProps) {
  const latest = useRef(onChange);
  latest.current = onChange;
  const change = useCallback<FieldListProps["onChange"]>((...what) => latest.current(...what), []);
  const all = { ...within, ...values };
  return (
    <div className="fields">
      {fields
        .filter((field) => applies(field.when, all))
        .map((field) =>
          field.kind === "number" ? (
            <NumberRuler
              key={field.id}
              field={field}
              value={typeof values[field.id] === "number" ? Number(values[field.id]) : field.start}
              units={units}
              extras={extras?.(field.id) ?? noExtras}
              onChange={change}
            />
          ) : (
            <Choice key={field.id} field={field} value={String(values[field.id] ?? field.start)} onChange={change} />
          ),
        )}
    </div>
  );
}

interface NumberRulerProps {
  readonly field: NumberField;
  readonly value: number;
  readonly units: UnitChoice;
  readonly extras: Extras;
  readonly onChange: FieldListProps["onChange"];
}

/** Shows the part of the range around the value; the whole of it may be typed. The part stays while a drag goes on. */
const NumberRuler = memo(function NumberRuler({ field, value, units, extras, onChange }: NumberRulerProps) {
  const scale = quantityScale(field.dimension, units, field.unit, field.start);
  const [settledAt, setSettledAt] = useState(value);
  const top = shownTop(field, settledAt, scale, 1.25 * (extras.band?.[1] ?? 0));
  return (
    <Ruler
      label={field.words}
      scale={scale}
      min={field.min}
      max={Math.max(top, value)}
      limit={field.max}
      step={field.step}
      value={value}
      band={extras.band}
      marks={extras.marks}
      impossible={extras.impossible}
      onChange={(next, settled) => {
        if (settled) setSettledAt(next);
        onChange(field.id, next, `${field.words} ${scale.show(next)}`, settled);
      }}
    />
  );
});

interface ChoiceProps {
  readonly field: ChoiceField;
  readonly value: string;
  readonly onChange: FieldListProps["onChange"];
}

const Choice = memo(function Choice({ field, value, onChange }: ChoiceProps) {
  const id = useId();
  return (
    <div>
      <label className="field-label" htmlFor={id}>
        {field.words}
      </label>
      <Select
        id={id}
        className="wide"
        value={value}
        options={field.options.map((option) => ({ value: option.id, label: option.words }))}
        onChange={(next: string) =>
          onChange(field.id, next, `${field.words}: ${field.options.find((o) => o.id === next)?.words ?? next}`, true)
        }
      />
    </div>
  );
});
