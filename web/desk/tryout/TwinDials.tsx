import { applies, type ChoiceField, type Field, type NumberField, type UnitChoice, type Values } from "@lampcrate/core";
import { Select } from "antd";
import { memo, useCallback, useRef, useState } from "react";
import { quantityScale } from "../../shared/pieces/scale.ts";
import { shownTop } from "../pieces/shownTop.ts";
import { type Design, designNames, TwinRuler } from "./TwinRuler.tsx";

type Both<Value> = Readonly<Record<Design, Value>>;

interface TwinDialsProps {
  readonly fields: readonly Field[];
  readonly values: Both<Values>;
  /** The goal's, which decide which fields stand. */
  readonly spec: Values;
  readonly units: UnitChoice;
  readonly onChange: (of: Design, id: string, value: number | string, words: string, settled: boolean) => void;
}

const set = (field: Field, values: Values): number | string => values[field.id] ?? field.start;

/** The numbers of two designs, one ruler each with a mark for either: what differs stands first. */
export function TwinDials({ fields, values, spec, units, onChange }: TwinDialsProps) {
  const latest = useRef(onChange);
  latest.current = onChange;
  const change = useCallback<TwinDialsProps["onChange"]>((...what) => latest.current(...what), []);
  const stands = (field: Field): boolean =>
    applies(field.when, { ...spec, ...values.plain }) || applies(field.when, { ...spec, ...values.rival });
  const shown = fields.filter(stands);
  const differing = shown.filter((field) => set(field, values.plain) !== set(field, values.rival)).map(({ id }) => id);
  // A ruler keeps its place while it is being moved: the order is made anew once everything is let go.
  const [first, setFirst] = useState<readonly string[]>(differing);
  const inOrder = [...shown.filter(({ id }) => first.includes(id)), ...shown.filter(({ id }) => !first.includes(id))];
  return (
    <section
      className="twin-dials"
      aria-label="Numbers of both designs"
      onBlur={({ currentTarget, relatedTarget }) => {
        if (!currentTarget.contains(relatedTarget as Node | null)) setFirst(differing);
      }}
    >
      <p className="small twin-key">
        <span className="of-plain">plain build</span>
        <span className="of-rival">held beside it</span>
        <span className="soft">
          {differing.length === 0
            ? "The two are the same: move one of the marks."
            : `${differing.length} of ${shown.length} ${differing.length === 1 ? "differs and stands first." : "differ and stand first."}`}
        </span>
      </p>
      <div className="fields">
        {inOrder.map((field) =>
          field.kind === "number" ? (
            <TwinNumber
              key={field.id}
              field={field}
              plain={Number(set(field, values.plain))}
              rival={Number(set(field, values.rival))}
              units={units}
              onChange={change}
            />
          ) : (
            <TwinChoice
              key={field.id}
              field={field}
              plain={String(set(field, values.plain))}
              rival={String(set(field, values.rival))}
              onChange={change}
            />
          ),
        )}
      </div>
    </section>
  );
}

interface TwinNumberProps extends Both<number> {
  readonly field: NumberField;
  readonly units: UnitChoice;
  readonly onChange: TwinDialsProps["onChange"];
}

/** Painted anew only when one of its own two values has changed. */
const TwinNumber = memo(function TwinNumber({ field, plain, rival, units, onChange }: TwinNumberProps) {
  const scale = quantityScale(field.dimension, units, field.unit, field.start);
  const greatest = Math.max(plain, rival);
  const [settledAt, setSettledAt] = useState(greatest);
  return (
    <TwinRuler
      label={field.words}
      scale={scale}
      min={field.min}
      max={Math.max(shownTop(field, settledAt, scale), greatest)}
      limit={field.max}
      step={field.step}
      values={{ plain, rival }}
      onChange={(of, next, settled) => {
        if (settled) setSettledAt(Math.max(next, of === "plain" ? rival : plain));
        onChange(of, field.id, next, `${field.words} ${scale.show(next)}`, settled);
      }}
    />
  );
});

interface TwinChoiceProps extends Both<string> {
  readonly field: ChoiceField;
  readonly onChange: TwinDialsProps["onChange"];
}

const TwinChoice = memo(function TwinChoice({ field, onChange, ...values }: TwinChoiceProps) {
  return (
    <div className="twin-choice" role="group" aria-label={field.words}>
      <span className="field-label">{field.words}</span>
      {(["plain", "rival"] as const).map((of) => (
        <span key={of} className={`twin-box of-${of}`}>
          <Select
            aria-label={`${field.words}, ${designNames[of]}`}
            value={values[of]}
            options={field.options.map((option) => ({ value: option.id, label: option.words }))}
            onChange={(next: string) =>
              onChange(of, field.id, next, `${field.words}: ${field.options.find((o) => o.id === next)?.words ?? next}`, true)
            }
          />
        </span>
      ))}
    </div>
  );
});
