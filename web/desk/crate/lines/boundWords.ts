import {
  amountWords,
  type Bound,
  type BoundPart,
  boundNumber,
  briefField,
  briefFields,
  type FieldBrief,
  fieldValue,
  fits,
  type KitLine,
  partOf,
  type StockUnit,
  showNumber,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";

/** What a part of a line follows and what that makes it, in words. */
export interface BoundSaid {
  /** "Sticks". */
  readonly field: string;
  /** "30", "18 cm"; null where the field doesn't stand now. */
  readonly would: string | null;
  /** It stands by itself, and is not what it would be. */
  readonly apart: boolean;
  readonly loose: boolean;
}

/** What is said of a part that follows the brief, or did; null where it never followed anything. */
export function boundSaid(brief: FieldBrief, line: KitLine, part: BoundPart, unit: StockUnit, units: UnitChoice): BoundSaid | null {
  const bound = line.bind[part];
  const field = bound && briefField(brief.family, bound.field)?.field;
  if (!bound || !field) return null;
  const would = boundNumber(brief, part, bound, unit);
  const shown = would === null ? null : partShown(would, part, unit, units);
  return { field: field.words, would: shown, apart: bound.loose && would !== null && would !== partOf(line, part), loose: bound.loose };
}

function partShown(value: number, part: BoundPart, unit: StockUnit, units: UnitChoice): string {
  if (part !== "amount") return showQuantity(value, "length", units);
  return unit === "piece" ? showNumber(value, Number.isInteger(value) ? 0 : 2) : amountWords(value, unit, units);
}

/** Fields that a part of such a material can follow, by id. */
export function followable(
  brief: FieldBrief,
  part: BoundPart,
  unit: StockUnit,
): readonly { readonly value: string; readonly label: string }[] {
  return briefFields(brief.family).flatMap((placed) => {
    const { field } = placed;
    if (field.kind !== "number" || !fits(part, field.dimension, unit) || fieldValue(brief, placed) === null) return [];
    return [{ value: field.id, label: field.words }];
  });
}

/** The way in which a part as it is now would follow that field: so many times it as it takes now. */
export function followingAsNow(brief: FieldBrief, line: KitLine, part: BoundPart, id: string, unit: StockUnit): Bound | null {
  const placed = briefField(brief.family, id);
  const value = placed && fieldValue(brief, placed);
  const now = partOf(line, part);
  if (typeof value !== "number" || now === null) return null;
  const si = part === "amount" && (unit === "mm" || unit === "g") ? now / 1000 : now;
  const times = value > 0 ? Number((si / value).toPrecision(6)) : 1;
  return { field: id, times, plus: 0, round: part === "amount" ? "up" : "none", loose: false };
}
