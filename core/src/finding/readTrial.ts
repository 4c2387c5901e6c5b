import type { Field, Measure } from "../family/shape.ts";
import { said, saying } from "../language/language.ts";
import { type Asked, parseQuantity, type Read } from "../quantity/parse.ts";
import { comparedGuess, plainer } from "../quantity/plainly.ts";
import { refusalWords } from "../quantity/reasons.ts";
import type { Dimension } from "../quantity/units.ts";

/** A trial's words as a measure, read as people plainly mean them. */
export function readTrial(raw: string | null, measure: Measure): Read {
  return readAs(raw, { dimension: measure.dimension, defaultUnit: measure.unit, token: measure.token, tokens: measure.tokens });
}

function readAs(raw: string | null, asked: Asked): Read {
  if (raw === null) return { ok: false, reason: "empty" };
  const read = parseQuantity(raw, asked);
  if (read.ok) return read;
  const plain = plainer(raw, asked.dimension);
  const again = plain === null ? read : parseQuantity(plain, asked);
  return again.ok ? again : read;
}

/** What a typed guess is: a number, or, of a version after the first, more or less than the last one (then without a value); else how to mend it. */
export function readGuess(
  guess: string | null,
  measure: Measure,
  isFirst: boolean,
): { readonly value: number | null; readonly trouble: string | null } {
  if (guess === null) return { value: null, trouble: null };
  if (measure.numberless && measure.setting?.kind !== "number") return { value: null, trouble: null };
  const read = readTrial(guess, measure);
  if (read.ok) return { value: read.si, trouble: null };
  if (!isFirst && comparedGuess(guess) !== null) return { value: null, trouble: null };
  return { value: null, trouble: refusalWords(read.reason, guess, { dimension: measure.dimension, defaultUnit: measure.unit }) };
}

const usualUnits: Partial<Readonly<Record<Dimension, string>>> = { length: "m", mass: "g", time: "s", angle: "deg", speed: "m/s" };

/** The unit of a bare number of what varies from trial to trial; null for counts. */
export const settingUnit = (field: Field): string | null =>
  field.kind === "number" ? (field.unit ?? usualUnits[field.dimension] ?? null) : null;

/** What a trial was tried at: SI, or a choice's id; else how to mend what was typed. */
export function readSetting(
  raw: string | null,
  field: Field | undefined,
): { readonly at: number | string | null; readonly trouble: string | null } {
  if (raw === null) return { at: null, trouble: null };
  if (!field) return { at: null, trouble: said("Nothing varies from trial to trial in this challenge.") };
  if (field.kind === "choice")
    return field.options.some(({ id }) => id === raw)
      ? { at: raw, trouble: null }
      : { at: null, trouble: saying`Choose one of: ${field.options.map(({ words }) => words).join(", ")}.` };
  const asked = { dimension: field.dimension, defaultUnit: settingUnit(field) };
  const read = readAs(raw, asked);
  return read.ok ? { at: read.si, trouble: null } : { at: null, trouble: refusalWords(read.reason, raw, asked) };
}

/** What to say of a trial without a setting that says nothing without one, a rung of a ladder; null where it may be missing. */
export const settingMissing = ({ rungs, setting }: Measure): string | null =>
  rungs && setting?.kind === "number" ? saying`Say what it was tried at: ${setting.words}.` : null;
