import { families } from "../family/families.ts";
import type { FamilyId } from "../family/familyIds.ts";
import type { NumberField, Values } from "../family/shape.ts";
import { applies } from "../family/values.ts";
import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import { type Room, roomLacks } from "./clashes.ts";

/** A goal that a room can host, by one number changed. */
export interface FittingGoal {
  readonly field: string;
  readonly spec: Values;
  /** Such as "Drop height 2.4 m". */
  readonly words: string;
}

const inch = 0.0254;
const halvings = 40;

/**
 * Goals near a brief's own whose lane, circle and height a room has: for each of the goal's numbers by itself, the nearest
 * value at which nothing of the room's size falls short; the smallest change first. Seats, water and the floor are no part
 * of a goal. None where the room has what it needs already, or no one number is enough.
 */
export function goalsThatFit(family: FamilyId, spec: Values, room: Room, units: UnitChoice): readonly FittingGoal[] {
  const { spec: fields, needs } = families[family];
  const fits = (values: Values): boolean => {
    const { lengthM, widthM, heightM } = needs(values);
    return roomLacks(room, { lengthM, widthM, heightM, seats: null, water: false, floor: "any" }).length === 0;
  };
  if (fits(spec)) return [];
  const found = fields.flatMap((field): readonly (FittingGoal & { readonly change: number })[] => {
    const now = spec[field.id];
    if (field.kind !== "number" || typeof now !== "number" || !applies(field.when, spec)) return [];
    return ([field.min, field.max] as const).flatMap((end) => {
      const value = nearest(field, now, end, units, (next) => fits({ ...spec, [field.id]: next }));
      if (value === null) return [];
      const words = `${field.words} ${showQuantity(value, field.dimension, units)}`;
      return [{ field: field.id, spec: { ...spec, [field.id]: value }, words, change: Math.abs(value - now) / Math.abs(now || 1) }];
    });
  });
  return found.sort((a, b) => a.change - b.change).map(({ change: _, ...goal }) => goal);
}

/** The value nearest to `now` towards `end` that fits, in whole steps (inches where the house counts in them); null for none. */
function nearest(
  { step, dimension }: NumberField,
  now: number,
  end: number,
  units: UnitChoice,
  fits: (value: number) => boolean,
): number | null {
  if (end === now || !fits(end)) return null;
  let [bad, good] = [now, end];
  for (let i = 0; i < halvings; i += 1) {
    const middle = (bad + good) / 2;
    if (fits(middle)) good = middle;
    else bad = middle;
  }
  const grid = dimension === "length" && units === "imperial" ? inch : step;
  const away = end < now ? Math.floor(good / grid + 1e-9) : Math.ceil(good / grid - 1e-9);
  const value = Number((away * grid).toFixed(9));
  const isInside = end < now ? value >= end : value <= end;
  return isInside && fits(value) ? value : null;
}
