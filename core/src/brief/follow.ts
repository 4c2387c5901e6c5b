import type { StockUnit } from "../kit/amounts/amountWords.ts";
import { type Bound, type BoundPart, boundParts, type LineBind } from "../kit/brief/bind.ts";
import type { KitLine } from "../kit/brief/kitLine.ts";
import type { Dimension } from "../quantity/units.ts";
import { briefField, type FieldBrief, fieldValue } from "./briefFields.ts";

/** A brief with the lines that follow it. */
export interface BoundBrief extends FieldBrief {
  readonly lines: readonly KitLine[];
}

/** The unit of a material by its id; null where the store room has none such. */
export type UnitOf = (materialId: string) => StockUnit | null;

/** Whether a number of this dimension can set that part: lengths set cuts, lengths and masses what is measured so; whole numbers, and so many a metre or kilogram, set pieces. */
export function fits(part: BoundPart, dimension: Dimension, unit: StockUnit): boolean {
  if (part !== "amount") return dimension === "length";
  if (dimension === "count") return true;
  if (dimension === "length") return unit === "mm" || unit === "piece";
  return dimension === "mass" && (unit === "g" || unit === "piece");
}

/** Amounts are more than nothing and at most this, in the material's unit; cuts, m. */
export const boundLimits = { amount: [0, 1e6], cut: [0.005, 5] } as const;

/** The number that a part of a line is to have, in the line's own terms; null where the field doesn't stand or is none. Σ: times × value + plus. */
export function boundNumber(brief: FieldBrief, part: BoundPart, { field, times, plus, round }: Bound, unit: StockUnit): number | null {
  const placed = briefField(brief.family, field);
  const value = placed?.field.kind === "number" && fits(part, placed.field.dimension, unit) ? fieldValue(brief, placed) : null;
  if (typeof value !== "number") return null;
  const si = times * value + plus;
  if (part !== "amount") return tidy(si);
  const amount = tidy(unit === "mm" || unit === "g" ? si * 1000 : si);
  return round === "up" ? Math.ceil(amount - 1e-9) : amount;
}

/** What follows from a sum in binary, such as 0.1 + 0.2, is told as it was meant. */
const tidy = (value: number): number => Number(value.toPrecision(12));

/** The material that a line is to be of; null where the choice names none. */
export function boundMaterial(brief: FieldBrief, bind: LineBind): string | null {
  if (bind.material === null) return null;
  const placed = briefField(brief.family, bind.material.field);
  const value = placed ? fieldValue(brief, placed) : null;
  return typeof value === "string" ? (bind.material.of[value] ?? null) : null;
}

/** The brief's lines as its numbers have them now; the same list where nothing has changed. */
export function followed(brief: BoundBrief, unitOf: UnitOf): readonly KitLine[] {
  const lines = brief.lines.map((line) => followedLine(brief, line, unitOf));
  return lines.every((line, i) => line === brief.lines[i]) ? brief.lines : lines;
}

function followedLine(brief: BoundBrief, line: KitLine, unitOf: UnitOf): KitLine {
  const { material } = line.bind;
  const materialId = (material?.loose ? null : boundMaterial(brief, line.bind)) ?? line.materialId;
  const unit = unitOf(materialId);
  if (unit === null) return line;
  let next: KitLine = materialId === line.materialId ? line : { ...line, materialId };
  for (const part of boundParts) {
    const bound = next.bind[part];
    const number = bound && !bound.loose ? boundNumber(brief, part, bound, unit) : null;
    if (number !== null && isWithin(part, number) && number !== partOf(next, part)) next = withPart(next, part, number);
  }
  return next;
}

const isWithin = (part: BoundPart, value: number): boolean => {
  const [least, most] = part === "amount" ? boundLimits.amount : boundLimits.cut;
  return value > 0 && value >= least && value <= most;
};

/** What a line has there now; null where it isn't cut. */
export function partOf(line: KitLine, part: BoundPart): number | null {
  if (part === "amount") return line.amount;
  return line.cut === null ? null : part === "cutWidth" ? line.cut.widthM : line.cut.heightM;
}

function withPart(line: KitLine, part: BoundPart, value: number): KitLine {
  if (part === "amount") return { ...line, amount: value };
  if (line.cut === null) return line;
  return { ...line, cut: part === "cutWidth" ? { ...line.cut, widthM: value } : { ...line.cut, heightM: value } };
}

/** Whether a place in a brief, such as lines, an id, cut, widthM, is a part that follows a number of the brief now. */
export function isFollowing(lines: readonly KitLine[], [list, id, key, inner]: readonly string[]): boolean {
  const bind = list === "lines" ? lines.find((line) => line.id === id)?.bind : undefined;
  if (!bind || key === undefined) return false;
  if (key === "materialId") return bind.material !== null && !bind.material.loose;
  const part =
    key === "amount" ? "amount" : key !== "cut" ? null : inner === "widthM" ? "cutWidth" : inner === "heightM" ? "cutHeight" : null;
  return part !== null && bind[part] !== null && !bind[part].loose;
}

/** A line with something typed over: what followed the brief stands by itself from then on. */
export function typedOver(line: KitLine, patch: Partial<KitLine>): KitLine {
  const next = { ...line, ...patch };
  if (patch.bind !== undefined) return next;
  let bind = line.bind;
  for (const part of boundParts) {
    const bound = bind[part];
    if (bound && !bound.loose && partOf(next, part) !== partOf(line, part)) bind = { ...bind, [part]: { ...bound, loose: true } };
  }
  if (bind.material && !bind.material.loose && next.materialId !== line.materialId)
    bind = { ...bind, material: { ...bind.material, loose: true } };
  return bind === line.bind ? next : { ...next, bind };
}

/** What is wrong with what the lines follow, by the place in the brief, in words that say how to mend it. */
export function bindErrors(brief: BoundBrief, unitOf: UnitOf): readonly { readonly field: string; readonly message: string }[] {
  return brief.lines.flatMap((line, i) => {
    const at = `brief.lines[${i}].bind`;
    const unit = unitOf(line.materialId) ?? "piece";
    const numbers = boundParts.flatMap((part) => {
      const bound = line.bind[part];
      const message = bound ? boundTrouble(brief, part, bound, unit) : null;
      return message === null ? [] : [{ field: `${at}.${part}`, message }];
    });
    const { material } = line.bind;
    const choice = material ? (briefField(brief.family, material.field)?.field ?? null) : null;
    if (material && choice?.kind !== "choice")
      numbers.push({ field: `${at}.material.field`, message: `This family has no choice “${material.field}” to follow.` });
    else if (material && choice?.kind === "choice")
      for (const option of Object.keys(material.of))
        if (!choice.options.some(({ id }) => id === option))
          numbers.push({ field: `${at}.material.of.${option}`, message: `${choice.words} has no “${option}” to choose.` });
    return numbers;
  });
}

function boundTrouble(brief: BoundBrief, part: BoundPart, bound: Bound, unit: StockUnit): string | null {
  const field = briefField(brief.family, bound.field)?.field;
  if (field?.kind !== "number") return `This family has no number “${bound.field}” to follow.`;
  if (!fits(part, field.dimension, unit))
    return `${field.words} is no ${part === "amount" ? "amount of this material" : "length"}: follow another number.`;
  if (bound.loose) return null;
  const number = boundNumber(brief, part, bound, unit);
  if (number === null || isWithin(part, number)) return null;
  return part === "amount"
    ? `Following ${field.words.toLowerCase()} it would take ${number}: it must be more than nothing, at most a million.`
    : `Following ${field.words.toLowerCase()} it would be cut ${number} m: 0.005 to 5 m can be cut.`;
}
