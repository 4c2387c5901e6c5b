import { type Dimension, unitNamed } from "../quantity/units.ts";

/** A number that stands in plain words, with what it counts or measures. */
export interface FoundNumber {
  /** Where it stands in the words, its unit with it; UTF-16 units. */
  readonly from: number;
  readonly to: number;
  readonly written: string;
  /** SI where it has a unit, as it is where not. */
  readonly value: number;
  readonly dimension: Dimension;
  /** Plain words near it, singular, in lower case: those after it first. */
  readonly near: readonly string[];
  /** The word that follows it at once, singular; empty where none does. */
  readonly noun: string;
}

const small =
  "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen".split(
    " ",
  );
const tens = "twenty thirty forty fifty sixty seventy eighty ninety".split(" ");
const named = new Map<string, number>([
  ...small.map((word, i) => [word, i] as const),
  ...tens.map((word, i) => [word, 20 + 10 * i] as const),
  ...tens.flatMap((ten, i) => small.slice(1, 10).map((one, j) => [`${ten}-${one}`, 21 + 10 * i + j] as const)),
  ["a dozen", 12],
  ["a hundred", 100],
  ["hundred", 100],
]);
// Where "one" only means a thing, as in "one at a time", it is no number that a field could give.
named.delete("one");
named.delete("zero");

const words = [...named.keys()].sort((a, b) => b.length - a.length).join("|");
const digits = String.raw`\d+(?:[.,]\d+)?(?: ?[½¼¾])?`;
const unitWords =
  "mm|cm|m|in|ft|g|kg|oz|lb|s|min|h|mill?imet(?:re|er)s?|centimet(?:re|er)s?|met(?:re|er)s?|inch(?:es)?|foot|feet|grams?|kilograms?|ounces?|pounds?|seconds?|minutes?|hours?|degrees?|°";
const pattern = new RegExp(`(?<![\\w.])(${digits}|(?:${words})(?![\\w-]))(?:[ \\u00a0]?(${unitWords})(?![\\w]))?`, "giu");

/** Every number in plain words, written in figures or spelt out, with its unit where it has one. */
export function numbersIn(text: string): readonly FoundNumber[] {
  return [...text.matchAll(pattern)].flatMap((match): FoundNumber[] => {
    const [written, number = "", unit = ""] = match;
    const value =
      named.get(number.toLowerCase()) ?? Number(number.replace(",", ".").replace(/ ?½/, ".5").replace(/ ?¼/, ".25").replace(/ ?¾/, ".75"));
    if (!Number.isFinite(value)) return [];
    const from = match.index;
    const to = from + written.length;
    const of = unit === "" ? null : unitOf(unit.toLowerCase());
    const after = wordsOf(text.slice(to, to + 60).split(/[.;:?!]/)[0] ?? "");
    const before = wordsOf(
      text
        .slice(Math.max(0, from - 40), from)
        .split(/[.;:?!]/)
        .at(-1) ?? "",
    );
    return [
      {
        from,
        to,
        written,
        value: of ? value * of.factor : value,
        dimension: of?.dimension ?? "count",
        near: [...after.slice(0, 3), ...before.slice(-4)],
        noun: after[0] ?? "",
      },
    ];
  });
}

function unitOf(word: string): { readonly factor: number; readonly dimension: Dimension } | null {
  for (const dimension of ["length", "mass", "time", "angle"] as const) {
    const unit = unitNamed(word, dimension);
    if (unit) return unit;
  }
  return null;
}

const wordsOf = (text: string): readonly string[] => (text.toLowerCase().match(/\p{L}+/gu) ?? []).map(singular);

/** A word without its plural's ending. */
export function singular(word: string): string {
  if (/(?:ss|us|is)$/.test(word)) return word;
  return word.replace(/(?:(?<=ch|sh|x)es|s)$/, "");
}
