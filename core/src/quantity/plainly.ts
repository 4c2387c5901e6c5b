import { inEnglish } from "../language/reading.ts";
import { cleanTyped } from "./clean.ts";
import type { Dimension } from "./units.ts";

const ones = ["zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen"];
const teens = ["fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen"];
const tens = ["twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];
const numberWords = new Map([
  ...[...ones, ...teens].map((word, n) => [word, n] as const),
  ...tens.map((word, n) => [word, 20 + 10 * n] as const),
]);

const hedge = /^(?:about|approximately|approx\.?|around|circa|ca\.?|roughly|nearly|almost|just over|just under|~|≈)\s*/;
const measure = /\s+(?:long|high|tall|wide|far|deep|heavy|away|across|in all|altogether)\.?$/;
const moreThan = /^(?:>=?|≥|at least|more than|over|min\.?)\s*(.+)$/;

const decimal = (typed: string): number => Number(typed.replace(",", "."));

/**
 * What people write and plainly mean, as one would write it for a machine: "about 2 m", "200 gr", "1 kilo", "1200ms",
 * "0.5km", "1.2 sec.", "1m50", "12.5cm long", "twenty". null where it is plain already, or nothing is plain about it.
 */
export function plainer(text: string, dimension: Dimension): string | null {
  const clean = cleanTyped(text);
  const plain = metricOnly(
    spelled(
      (inEnglish(clean) ?? clean)
        .replace(hedge, "")
        .replace(measure, "")
        .replace(/([a-z])\.$/, "$1"),
    ),
    dimension,
  )
    .replace(/(\d)\s*gr\b/, "$1 g")
    .replace(/(\d)\s*kilos?\b/, "$1 kg");
  return plain === clean || plain === "" ? null : plain;
}

/** Of "> 2kg", "400+", "at least 12": the part that is a number; null where nothing of the kind is said. */
export function atLeastPart(text: string): string | null {
  const typed = cleanTyped(text);
  const clean = inEnglish(typed) ?? typed;
  return moreThan.exec(clean)?.[1] ?? /^(.*\d.*?)\s*\+$/.exec(clean)?.[1] ?? null;
}

const moreWords = /^(?:more|longer|farther|further|higher|heavier|taller|better)\b/;
const lessWords = /^(?:less|fewer|shorter|nearer|lower|lighter|worse)\b/;

/** A guess that holds itself against the version before: "more than the last one"; null where it is none. */
export function comparedGuess(text: string): "more" | "less" | null {
  const typed = cleanTyped(text);
  const clean = inEnglish(typed) ?? typed;
  if (/\d/.test(clean)) return null;
  return moreWords.test(clean) ? "more" : lessWords.test(clean) ? "less" : null;
}

/** A number in words before all else, in digits: "twenty five m", "two washers". */
function spelled(text: string): string {
  const [first = "", second = "", ...rest] = text.replaceAll("-", " ").split(" ");
  const one = numberWords.get(first);
  if (one === undefined) return text;
  const two = numberWords.get(second);
  if (one >= 20 && two !== undefined && two > 0 && two < 10) return [String(one + two), ...rest].join(" ");
  return [String(one), second, ...rest].join(" ").trim();
}

/** Units that are written here and there, and "1m50" as builders say it. */
function metricOnly(text: string, dimension: Dimension): string {
  const [, thousandths] = /^([\d.,]+)\s*(?:ms|milliseconds?)$/.exec(text) ?? [];
  if (dimension === "time" && thousandths) return `${decimal(thousandths) / 1000} s`;
  const [, thousands] = /^([\d.,]+)\s*(?:km|kilometres?|kilometers?)$/.exec(text) ?? [];
  if (dimension === "length" && thousands) return `${decimal(thousands) * 1000} m`;
  const [, metres, centimetres] = /^(\d+)\s*m\s*(\d\d)$/.exec(text) ?? [];
  return dimension === "length" && metres ? `${metres} m ${centimetres} cm` : text;
}
