import { applies, type Grip, type NumberField, type UnitChoice, type Values } from "@lampcrate/core";
import { useMemo, useRef } from "react";
import type { Gripping } from "../../shared/pieces/Grips.tsx";
import { useLocked } from "../../shared/pieces/locked.ts";
import { quantityScale } from "../../shared/pieces/scale.ts";

/** Fields that a drawing may move, with their values. */
export interface Movable {
  readonly fields: readonly { readonly kind: string }[];
  readonly values: Values;
  readonly onChange: (id: string, value: number, words: string, settled: boolean) => void;
}

/** Lets a drawing move the fields given: those of the goal, of the plain build, or both. Undefined where nothing may be changed. */
export function useGripping(movable: Partial<Record<Grip["of"], Movable>>, units: UnitChoice, within: Values): Gripping | undefined {
  const locked = useLocked();
  const latest = useRef(movable);
  latest.current = movable;
  const [spec, design] = [movable.spec?.values, movable.design?.values];
  return useMemo(() => {
    if (locked) return undefined;
    const all = { ...within, ...spec, ...design };
    const found = (grip: Grip): NumberField | null => {
      const field = (latest.current[grip.of]?.fields as readonly NumberField[] | undefined)?.find(({ id }) => id === grip.field);
      return field?.kind === "number" && applies(field.when, all) ? field : null;
    };
    const scaleOf = (field: NumberField) => quantityScale(field.dimension, units, field.unit, field.start);
    return {
      fieldOf: (grip) => {
        const field = found(grip);
        if (!field) return null;
        const value = Number((grip.of === "spec" ? spec : design)?.[field.id] ?? field.start);
        const { min, max, step, words } = field;
        return { label: words, value, min, max, step, shown: scaleOf(field).show(value) };
      },
      onGrip: (grip, value, settled) => {
        const field = found(grip);
        if (field) latest.current[grip.of]?.onChange(field.id, value, `${field.words} ${scaleOf(field).show(value)}`, settled);
      },
    };
  }, [locked, spec, design, units, within]);
}
