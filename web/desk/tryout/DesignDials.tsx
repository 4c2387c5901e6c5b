import { applies, declaredWords, type Field, type UnitChoice, type Values } from "@lampcrate/core";
import { FieldList } from "../pieces/FieldList.tsx";

interface DesignDialsProps {
  readonly fields: readonly Field[];
  readonly values: Values;
  readonly spec: Values;
  /** The other design, to say where the two differ. */
  readonly other: Values;
  readonly units: UnitChoice;
  readonly onChange: (values: Values, words: string, settled: boolean) => void;
}

/** The dials of one design, and in words how it differs from the other. */
export function DesignDials({ fields, values, spec, other, units, onChange }: DesignDialsProps) {
  const all = { ...spec, ...values };
  const differing = fields.filter((field) => applies(field.when, all) && setTo(field, values) !== setTo(field, other));
  return (
    <>
      <p className="small soft">
        {differing.length === 0
          ? "The same as the other one."
          : differing
              .map(
                (field) =>
                  `${field.words}: ${declaredWords(field, setTo(field, values), units)}, there ${declaredWords(field, setTo(field, other), units)}`,
              )
              .join("; ")}
      </p>
      <FieldList
        fields={fields}
        values={values}
        within={spec}
        units={units}
        onChange={(id, value, words, settled) => onChange({ ...values, [id]: value }, words, settled)}
      />
    </>
  );
}

const setTo = (field: Field, values: Values): number | string => values[field.id] ?? field.start;
