import type { Family } from "../family/shape.ts";
import { english, type Language, said, spokenNow } from "./language.ts";

/** What of a family is read by people; everything else in it names something. */
const texts = new Set([
  "words",
  "ask",
  "idea",
  "question",
  "nudge",
  "before",
  "during",
  "after",
  "starts",
  "stops",
  "order",
  "control",
  "holds",
  "breaks",
  "passed",
  "not",
  "steps",
  "describe",
]);

/** A value with everything in it that people read said in the language that is spoken. */
export function inWords<T>(value: T): T {
  return (spokenNow().id === english.id ? value : spokenIn(value, false)) as T;
}

function spokenIn(value: unknown, isText: boolean): unknown {
  if (typeof value === "string") return isText ? said(value) : value;
  if (Array.isArray(value)) return value.map((one) => spokenIn(one, isText));
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [key, key === "names" ? namesIn(one) : spokenIn(one, texts.has(key))]),
  );
}

/** What a thing is called, first in the language that is spoken; by its other names it is still known. */
const namesIn = (names: readonly string[]): readonly string[] => [...new Set([said(names[0] ?? ""), ...names])];

const made = new WeakMap<Family, Map<Language, Family>>();

/** A family as it speaks in the language that is spoken. What it reckons, and by which ids, stays the same. */
export function familyInWords(family: Family): Family {
  const language = spokenNow();
  if (language.id === english.id) return family;
  const known = made.get(family) ?? new Map<Language, Family>();
  made.set(family, known);
  const one = known.get(language) ?? speaking(family);
  known.set(language, one);
  return one;
}

function speaking(family: Family): Family {
  const { measures, further, needs, cautions, drawing, predict, worked, settings, cannot, tiers: _, ...rest } = family;
  return {
    ...family,
    ...inWords(rest),
    ...(settings ? { settings: Object.fromEntries(Object.entries(settings).map(([id, words]) => [id, said(words)])) } : {}),
    measures: (spec) => inWords(measures(spec)),
    ...(further ? { further: (spec) => inWords(further(spec)) } : {}),
    needs: (spec) => inWords(needs(spec)),
    cautions: (spec, context) => inWords(cautions(spec, context)),
    predict: (spec, design) => inWords(predict(spec, design)),
    ...(worked ? { worked: (spec, si) => inWords(worked(spec, si)) } : {}),
    cannot: (spec, design) => inWords(cannot(spec, design)),
    drawing: (spec, design) => {
      const { motion, ...still } = drawing(spec, design);
      return {
        ...inWords(still),
        motion: motion && { ...motion, told: inWords(motion.told), at: (timeS) => inWords(motion.at(timeS)) },
      };
    },
  };
}
