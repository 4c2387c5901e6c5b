import { describe, expect, it } from "vitest";
import { type FindingEntry, families, startValues, symptomsSeen, symptomWords } from "../src/index.ts";

const family = families.span;
const spec = startValues(family.spec);
const [measure] = family.measures(spec);
type Trials = FindingEntry["versions"][number]["trials"];
const grams = (...values: readonly number[]): Trials => values.map((value) => ({ kind: "number", value: value / 1000 }));
const failed: Trials = [{ kind: "failed" }];

function builder(
  alias: string,
  ...versions: readonly (readonly [seen: readonly string[], sheets: number, trials: Trials])[]
): FindingEntry {
  return {
    id: alias,
    alias,
    versions: versions.map(([seen, sheetsUsed, trials], i) => ({
      number: i + 1,
      role: "build",
      variables: { form: "pleated", sheetsUsed },
      place: null,
      instrument: "kitchen scale",
      trials,
      seen,
    })),
  };
}

describe("what was seen over a run", () => {
  const [sag, slip] = family.symptoms.map(({ id }) => id);
  const first = sag ?? "";
  const second = slip ?? "";
  const words = (id: string): string => family.symptoms.find((symptom) => symptom.id === id)?.words ?? "";

  it("is counted by builders, with who built again after it, who did better, and what these had changed", () => {
    const entries = [
      builder("a", [[first], 2, grams(200)], [[first], 3, grams(400)]),
      builder("b", [[first], 2, failed], [[], 4, grams(300)]),
      builder("c", [[first], 2, grams(500)], [[], 2, grams(400)]),
      builder("d", [[second, first], 2, grams(100)]),
    ];
    const [most, next, ...none] = symptomsSeen(family, spec, measure, entries);
    expect(most).toMatchObject({ id: first, builders: 4, again: 3, better: 2, helped: [{ changed: "sheets used", times: 2 }] });
    expect(next).toMatchObject({ id: second, builders: 1, again: 0, better: 0, helped: [] });
    expect(none).toEqual([]);
    expect(most && symptomWords(most)).toBe(
      `“${words(first)}” was seen by 4 builders. Of 3 builders who built again after it, 2 did better. What they changed: sheets used (2 times).`,
    );
    expect(next && symptomWords(next)).toBe(`“${words(second)}” was seen by 1 builder; nobody has built again after it yet.`);
  });

  it("claims no help of what can't be told: what still held may have been as much before", () => {
    const unsure = builder("a", [[first], 2, [{ kind: "atLeast", value: 0.4 }]], [[], 3, grams(900)]);
    expect(symptomsSeen(family, spec, measure, [unsure])[0]).toMatchObject({ again: 1, better: 0 });
  });
});
