import { applies, type ChoiceField, type Field, type NumberField, type UnitChoice, type Values } from "@lampcrate/core";
import { Select } from "antd";
import { useId, useState } from "react";
import { Ruler } from "../../shared/pieces/Ruler.tsx";
import { quantityScale, ticksOf } from "../../shared/pieces/scale.ts";

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

/** A family's fields: numbers on rulers, short lists as choices; those that don't stand are left out. */
export function FieldList({ fields, values, within = {}, units, extras, onChange }: FieldListProps) {
  return (
    <div className="fields">
      {fields
        .filter((field) => applies(field.when, { ...within, ...values }))
        .map((field) =>
          field.kind === "number" ? (
            <NumberRuler key={field.id} field={field} values={values} units={units} extras={extras?.(field.id) ?? {}} onChange={onChange} />
          ) : (
            <Choice key={field.id} field={field} values={values} onChange={onChange} />
          ),
        )}
    </div>
  );
}

/** Shows the part of the range around the value; the whole of it may be typed. The part stays while a drag goes on. */
function NumberRuler({
  field,
  values,
  units,
  extras,
  onChange,
}: Omit<FieldListProps, "fields" | "extras" | "within"> & { readonly field: NumberField; readonly extras: Extras }) {
  const scale = quantityScale(field.dimension, units, field.unit, field.start);
  const value = typeof values[field.id] === "number" ? Number(values[field.id]) : field.start;
  const [settledAt, setSettledAt] = useState(value);
  const wanted = Math.max(2 * Math.max(settledAt, field.start), 1.25 * (extras.band?.[1] ?? 0));
  const [roundUp = field.max] = ticksOf(wanted, 3 * wanted, scale.factor, 12);
  const top = wanted >= field.max * 0.6 ? field.max : Math.min(field.max, Math.max(roundUp, field.min + 10 * field.step));
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
}

function Choice({
  field,
  values,
  onChange,
}: {
  readonly field: ChoiceField;
  readonly values: Values;
  readonly onChange: FieldListProps["onChange"];
}) {
  const id = useId();
  return (
    <div>
      <label className="field-label" htmlFor={id}>
        {field.words}
      </label>
      <Select
        id={id}
        style={{ width: "100%" }}
        value={String(values[field.id] ?? field.start)}
        options={field.options.map((option) => ({ value: option.id, label: option.words }))}
        onChange={(value: string) =>
          onChange(field.id, value, `${field.words}: ${field.options.find((o) => o.id === value)?.words ?? value}`, true)
        }
      />
    </div>
  );
}
