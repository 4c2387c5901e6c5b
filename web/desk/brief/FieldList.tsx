import { applies, type ChoiceField, type Field, type NumberField, type UnitChoice, type Values } from "@lampcrate/core";
import { Select } from "antd";
import { useId } from "react";
import { Ruler } from "../../shared/pieces/Ruler.tsx";
import { quantityScale } from "../../shared/pieces/scale.ts";

interface Extras {
  readonly band?: readonly [number, number];
  readonly marks?: readonly number[];
}

interface FieldListProps {
  readonly fields: readonly Field[];
  readonly values: Values;
  readonly units: UnitChoice;
  readonly extras?: (id: string) => Extras;
  readonly onChange: (id: string, value: number | string, words: string, settled: boolean) => void;
}

/** A family's fields: numbers on rulers, short lists as choices; those that don't stand are left out. */
export function FieldList({ fields, values, units, extras, onChange }: FieldListProps) {
  return (
    <div className="fields">
      {fields
        .filter((field) => applies(field.when, values))
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

function NumberRuler({
  field,
  values,
  units,
  extras,
  onChange,
}: Omit<FieldListProps, "fields" | "extras"> & { readonly field: NumberField; readonly extras: Extras }) {
  const scale = quantityScale(field.dimension, units, field.unit, field.start);
  const value = typeof values[field.id] === "number" ? Number(values[field.id]) : field.start;
  return (
    <Ruler
      label={field.words}
      scale={scale}
      min={field.min}
      max={field.max}
      step={field.step}
      value={value}
      band={extras.band}
      marks={extras.marks}
      onChange={(next, settled) => onChange(field.id, next, `${field.words} ${scale.show(next)}`, settled)}
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
