import type { Measure } from "../family/shape.ts";
import { parseQuantity, type Token } from "../quantity/parse.ts";
import type { CheckedValue } from "./counting.ts";

/** Trials counted in a thing whose mass nobody knows: a class of their own, compared with nothing else. */
export interface OwnClass {
  readonly measure: Measure;
  /** As so many of the thing: what was held, and what it gave way at. */
  readonly count: (trial: Typed) => Pick<CheckedValue, "value" | "broke">;
}

interface Typed {
  readonly raw: string | null;
  readonly broke?: string | null | undefined;
}

/** The class of its own that an entry's trials are; null where any of them has a value of the measure, or they name several things. */
export function ownClass(measure: Measure, trials: readonly Typed[]): OwnClass | null {
  const tokens = (measure.tokens ?? []).filter(({ massKg }) => massKg === undefined);
  const typed = trials.flatMap(({ raw, broke = null }) => [raw, broke]).filter((words) => words !== null);
  if (typed.length === 0) return null;
  const token = tokens.find((one) => typed.every((words) => countIn(words, one) !== null));
  if (!token) return null;
  const [name = ""] = token.names;
  return {
    measure: {
      ...measure,
      id: `count of ${name}`,
      words: `${measure.words}, in ${name}s that nobody weighed`,
      dimension: "count",
      quality: "count",
      unit: null,
      token,
      tokens: [],
    },
    count: ({ raw, broke = null }) => ({ value: countIn(raw, token), broke: countIn(broke, token) }),
  };
}

/** How many of a thing some words say; null where they name another, or none. */
function countIn(words: string | null, token: Token): number | null {
  if (words === null || !/[a-z]/i.test(words)) return null;
  const read = parseQuantity(words, { dimension: "count", defaultUnit: null, token });
  return read.ok ? read.si : null;
}
