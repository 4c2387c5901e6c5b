import { families } from "../family/families.ts";
import type { FamilyId } from "../family/familyIds.ts";
import type { Field, NumberField, Values } from "../family/shape.ts";
import type { StockUnit } from "../kit/amounts/amountWords.ts";
import type { KitLine } from "../kit/brief/kitLine.ts";
import type { UnitChoice } from "../quantity/show.ts";
import { type Dimension, unitById } from "../quantity/units.ts";

/** Below so much of a unit, numbers are set in such steps of it. */
type Steps = readonly (readonly [below: number, unit: string, step: number])[];

const steps: Readonly<Record<UnitChoice, Readonly<Partial<Record<Dimension, Steps>>>>> = {
  metric: {
    length: [
      [0.02, "mm", 1],
      [0.1, "mm", 5],
      [1.5, "cm", 1],
      [Number.POSITIVE_INFINITY, "m", 0.1],
    ],
    mass: [
      [0.01, "g", 0.5],
      [0.1, "g", 5],
      [1, "g", 10],
      [Number.POSITIVE_INFINITY, "kg", 0.1],
    ],
    speed: [[Number.POSITIVE_INFINITY, "m/s", 0.1]],
  },
  imperial: {
    length: [
      [0.00635, "in", 0.01],
      [0.0254, "in", 0.05],
      [0.0508, "in", 0.1],
      [0.1524, "in", 0.5],
      [1.8288, "in", 1],
      [6.096, "ft", 0.5],
      [Number.POSITIVE_INFINITY, "ft", 1],
    ],
    mass: [
      [0.00567, "oz", 0.01],
      [0.0142, "oz", 0.05],
      [0.1134, "oz", 0.5],
      [0.45, "oz", 1],
      [Number.POSITIVE_INFINITY, "lb", 0.25],
    ],
    speed: [[Number.POSITIVE_INFINITY, "ft/s", 0.5]],
  },
};

function stepAt(si: number, dimension: Dimension, units: UnitChoice): number | null {
  const found = steps[units][dimension]?.find(([below]) => Math.abs(si) < below);
  return found ? found[2] * unitById(found[1]).factor : null;
}

/** Whether somebody who thinks in these units would have set that number. */
function isRound(si: number, step: number): boolean {
  return Math.abs(si / step - Math.round(si / step)) < 1e-6;
}

/** A number that was round in the other units, as a round one in these, SI; what nobody had rounded stays as it is. */
export function roundIn(si: number, dimension: Dimension, units: UnitChoice): number {
  const [here, there] = [stepAt(si, dimension, units), stepAt(si, dimension, units === "metric" ? "imperial" : "metric")];
  if (si === 0 || here === null || there === null || isRound(si, here) || !isRound(si, there)) return si;
  const round = Number((Math.max(1, Math.round(si / here)) * here).toPrecision(12));
  // One step further on may be told in the next larger unit: it is to be round there.
  const next = stepAt(round, dimension, units) ?? here;
  return isRound(round, next) ? round : Number((Math.max(1, Math.round(round / next)) * next).toPrecision(12));
}

/** Values with every number that was round in the other units round in these, within each field's limits. */
export function valuesRoundIn(values: Values, fields: readonly Field[], units: UnitChoice): Values {
  const moved = fields.flatMap((field): [string, number][] => {
    const value = values[field.id];
    if (field.kind !== "number" || typeof value !== "number") return [];
    const round = roundIn(value, field.dimension, units);
    return round === value || !isWithin(round, field) ? [] : [[field.id, round]];
  });
  return moved.length === 0 ? values : { ...values, ...Object.fromEntries(moved) };
}

const isWithin = (value: number, { min, max }: NumberField): boolean => value >= min && value <= max;

/** What of a brief has numbers in units. */
export interface RoundBrief {
  readonly family: FamilyId;
  readonly spec: Values;
  readonly design: Values;
  readonly compared: Values | null;
  readonly lines: readonly KitLine[];
}

/** A brief whose round numbers are round in these units; lines that follow it follow, others are rounded by themselves. */
export function briefRoundIn<B extends RoundBrief>(brief: B, units: UnitChoice, unitOf: (materialId: string) => StockUnit | null): B {
  const { spec, design } = families[brief.family];
  return {
    ...brief,
    spec: valuesRoundIn(brief.spec, spec, units),
    design: valuesRoundIn(brief.design, design, units),
    compared: brief.compared && valuesRoundIn(brief.compared, design, units),
    lines: brief.lines.map((line) => lineRoundIn(line, units, unitOf(line.materialId))),
  };
}

function lineRoundIn(line: KitLine, units: UnitChoice, unit: StockUnit | null): KitLine {
  const dimension = unit === "mm" ? "length" : unit === "g" ? "mass" : null;
  const amount = dimension === null ? line.amount : Number((roundIn(line.amount / 1000, dimension, units) * 1000).toPrecision(12));
  const cut = line.cut && {
    ...line.cut,
    widthM: roundIn(line.cut.widthM, "length", units),
    heightM: roundIn(line.cut.heightM, "length", units),
  };
  return { ...line, amount, cut };
}
