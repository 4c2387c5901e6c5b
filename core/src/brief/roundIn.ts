import { families } from "../family/families.ts";
import type { FamilyId } from "../family/familyIds.ts";
import type { Field, NumberField, Values } from "../family/shape.ts";
import type { StockUnit } from "../kit/amounts/amountWords.ts";
import { boundParts, type LineBind } from "../kit/brief/bind.ts";
import type { KitLine } from "../kit/brief/kitLine.ts";
import type { UnitChoice } from "../quantity/show.ts";
import { type Dimension, unitById } from "../quantity/units.ts";

/** Below so much, SI, numbers are set in such steps of a unit. */
type Steps = readonly (readonly [below: number, unit: string, steps: readonly number[]])[];

const endless = Number.POSITIVE_INFINITY;

const steps: Readonly<Record<UnitChoice, Readonly<Partial<Record<Dimension, Steps>>>>> = {
  metric: {
    length: [
      [0.1, "mm", [0.1, 0.5, 1, 2, 5]],
      [1.5, "cm", [1]],
      [endless, "m", [0.1, 0.5]],
    ],
    mass: [
      [1, "g", [0.1, 0.5, 1, 2, 5, 10]],
      [endless, "kg", [0.1]],
    ],
    speed: [[endless, "m/s", [0.1]]],
  },
  imperial: {
    length: [
      [1.8288, "in", [0.01, 0.02, 0.05, 0.1, 0.25, 0.5, 1]],
      [endless, "ft", [0.5, 1]],
    ],
    mass: [
      [0.45, "oz", [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.5, 1]],
      [endless, "lb", [0.25]],
    ],
    speed: [[endless, "ft/s", [0.5]]],
  },
};

/** The step in which somebody sets a number of that size, SI: the largest of its unit that is no more than a tenth of it. */
function stepAt(si: number, dimension: Dimension, units: UnitChoice): number | null {
  const found = steps[units][dimension]?.find(([below]) => Math.abs(si) < below);
  if (!found) return null;
  const factor = unitById(found[1]).factor;
  return (found[2].findLast((step) => step * factor <= Math.abs(si) / 10) ?? found[2][0] ?? 0) * factor;
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
  return { ...line, amount, cut, bind: bindRoundIn(line.bind, units, unit) };
}

/** What stands on top of a number that is followed is a number somebody set too: a strip is its wing and a hand's width. */
function bindRoundIn(bind: LineBind, units: UnitChoice, unit: StockUnit | null): LineBind {
  const lengths = boundParts.flatMap((part) => {
    const of = part !== "amount" || unit === "mm" ? bind[part] : null;
    return of ? [[part, { ...of, plus: roundIn(of.plus, "length", units) }]] : [];
  });
  return { ...bind, ...Object.fromEntries(lengths) };
}
