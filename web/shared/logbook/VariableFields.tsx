import {
  applies,
  type Family,
  type NumberField,
  parseQuantity,
  refusalWords,
  showQuantity,
  type UnitChoice,
  type Values,
} from "@lampcrate/core";
import { useId } from "react";
import { quantityScale } from "../pieces/scale.ts";
import { useTyped } from "../pieces/useTyped.ts";

type Variables = Readonly<Record<string, number | string>>;

interface VariableFieldsProps {
  readonly family: Family;
  readonly spec: Values;
  readonly units: UnitChoice;
  readonly values: Variables;
  /** The plain build's, where this version starts from it: what still stands so is greyed. */
  readonly plain: Variables | null;
  readonly onChange: (values: Variables) => void;
}

/** What builders declare: only a declared change of one of these makes a fair test. */
export function VariableFields({ family, spec, units, values, plain, onChange }: VariableFieldsProps) {
  const isAsPlanned = (id: string): boolean => values[id] !== undefined && values[id] === plain?.[id];
  const set = (id: string, value: number | string | null): void => {
    const { [id]: _, ...rest } = values;
    onChange(value === null ? rest : { ...rest, [id]: value });
  };
  return (
    <div className="pair">
      {family.variables
        .filter((field) => applies(field.when, { ...spec, ...values }))
        .map((field) =>
          field.kind === "choice" ? (
            <label key={field.id} className="field">
              <span>{field.words}</span>
              <select
                className={isAsPlanned(field.id) ? "typed as-planned" : "typed"}
                value={String(values[field.id] ?? "")}
                onChange={(event) => set(field.id, event.target.value || null)}
              >
                <option value="">–</option>
                {field.options.map((option) => (
                  <option key={option.id} value={option.id}>
                    {option.words}
                  </option>
                ))}
              </select>
            </label>
          ) : (
            <NumberBox
              key={field.id}
              field={field}
              units={units}
              value={typeof values[field.id] === "number" ? Number(values[field.id]) : null}
              asPlanned={isAsPlanned(field.id)}
              onChange={(value) => set(field.id, value)}
            />
          ),
        )}
    </div>
  );
}

function NumberBox({
  field,
  units,
  value,
  asPlanned,
  onChange,
}: {
  readonly asPlanned: boolean;
  readonly field: NumberField;
  readonly units: UnitChoice;
  readonly value: number | null;
  readonly onChange: (value: number | null) => void;
}) {
  const id = useId();
  const unit = quantityScale(field.dimension, units, field.unit, field.start).unit || null;
  const shown = value === null ? "" : showQuantity(value, field.dimension, units, unit);
  const { text, trouble, type, commit } = useTyped(shown, (typed) => {
    if (typed.trim() === "") {
      onChange(null);
      return null;
    }
    const asked = { dimension: field.dimension, defaultUnit: unit };
    const read = parseQuantity(typed, asked);
    if (!read.ok) return refusalWords(read.reason, typed, asked);
    onChange(read.si);
    return null;
  });
  return (
    <label className="field">
      <span>
        {field.words}
        {unit ? `, ${unit}` : ""}
      </span>
      <input
        className={asPlanned ? "typed as-planned" : "typed"}
        inputMode="decimal"
        value={text}
        aria-invalid={trouble !== null}
        aria-describedby={trouble === null ? undefined : id}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
      />
      {trouble === null ? null : (
        <span id={id} role="alert" className="trouble-text">
          {trouble}
        </span>
      )}
    </label>
  );
}
