import type { MaterialDoc } from "@lampcrate/contract";
import type { KitLine, LineSource } from "@lampcrate/core";
import { amountWords, type ManifestLine, standInFor, type UnitChoice } from "@lampcrate/core";

/** Cents as money of the house. */
export function money(cents: number, currency: string): string {
  return moneyFormat(currency, cents >= 10_000 ? 0 : 2).format(cents / 100);
}

/** Formats are dear to make, and money is shown in many places at once. */
const formats = new Map<string, Intl.NumberFormat>();

function moneyFormat(currency: string, digits: number): Intl.NumberFormat {
  const key = `${currency} ${digits}`;
  const format = formats.get(key) ?? new Intl.NumberFormat("en", { style: "currency", currency, maximumFractionDigits: digits });
  formats.set(key, format);
  return format;
}

/** One sentence under a line that says what to do. */
export function lineSays(
  line: ManifestLine,
  of: KitLine,
  material: MaterialDoc,
  choice: UnitChoice,
): { readonly words: string; readonly short: boolean } {
  if (of.cut && material.sheetWidthM === null)
    return { words: "give the sheet a size in the store room, to know how many to cut", short: true };
  if (of.cut && line.piecesPerParent === 0) return { words: `a piece this size does not fit on ${material.name}`, short: true };
  const parent = (material.sheetHeightM ?? 0) > 5 * (material.sheetWidthM ?? 1) ? "roll" : "sheet";
  const parents = (n: number): string => `${n} ${parent}${n === 1 ? "" : "s"}`;
  const cut =
    line.parents === null ? "" : `${parents(line.parents)}, ${line.piecesPerParent} on each${line.cutExact ? "" : " or a few more"}; `;
  if (line.short > 0) {
    const packs = Math.ceil(line.short / material.packSize - 1e-9);
    const unit = line.parents === null ? amountWords(line.short, material.unit, choice) : parents(line.short);
    const pack =
      material.perWeek !== null
        ? `, about ${amountWords(material.perWeek, material.unit, choice)} are brought in a week`
        : material.packSize === 1
          ? ""
          : `, ${packs} ${packs === 1 ? "pack" : "packs"} of ${amountWords(material.packSize, material.unit, choice)}`;
    return { words: `${cut}${unit} short${pack}${standInWords(line, of, material, choice)}`, short: true };
  }
  if (of.kind === "reusable") return { words: `${cut}on hand; comes back afterwards`, short: false };
  return { words: `${cut}on hand; about ${amountWords(line.leftOver, material.unit, choice)} left over`, short: false };
}

/** What would stand in for what is short; pieces, where they are cut from what is short. */
function standInWords(line: ManifestLine, of: KitLine, { unit }: MaterialDoc, choice: UnitChoice): string {
  if (of.standIn === "") return "";
  const pieces = line.parents === null ? line.short : Math.min(line.quantity, line.short * (line.piecesPerParent ?? 0));
  return `; or ${standInFor(pieces, { words: of.standIn, ratio: of.standInRatio, unit }, choice)}`;
}

/** What a line counts by, for a sentence. */
export function perWords(line: KitLine): string {
  return line.kind === "reusable" ? "shared" : `per ${line.per}`;
}

/** What is stored in mm is typed in metres; everything else as it is stored. */
export const shownPer = (unit: MaterialDoc["unit"] | undefined): number => (unit === "mm" ? 1000 : 1);

/** The unit it is typed in; nothing for pieces. */
export const unitWord = (unit: MaterialDoc["unit"] | undefined): string =>
  unit === undefined || unit === "piece" ? "" : unit === "mm" ? "m" : unit;

/** Where a line of the kit comes from, in words. */
export const sourceWords: Readonly<Record<LineSource, string>> = {
  packed: "packed for them",
  house: "from the house",
  home: "found at home",
};
