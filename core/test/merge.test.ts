import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mergeChanges, withSpacesOf, withTheirs } from "../src/index.ts";

const base = {
  story: "a bog",
  spec: { gapM: 0.54, loadKg: 0.9 },
  compared: null as null | { widthM: number },
  target: 0.9,
  lines: [
    { id: "card", amount: 2, cut: { widthM: 0.1, heightM: 0.2 } },
    { id: "tape", amount: 1, cut: null },
    { id: "cup", amount: 1, cut: null },
  ],
  faces: ["a", "b"],
};
type Doc = typeof base;
const change = (patch: Partial<Doc>): Doc => ({ ...base, ...patch });
const [card, tape, cup] = base.lines as [Doc["lines"][0], Doc["lines"][0], Doc["lines"][0]];

const anyDoc = fc.record({
  story: fc.constantFrom("a", "b", "c"),
  spec: fc.record({ gapM: fc.integer({ min: 0, max: 2 }), loadKg: fc.integer({ min: 0, max: 2 }) }),
  lines: fc
    .subarray(["p", "q", "r", "s"], { minLength: 0 })
    .chain((ids) => fc.tuple(...ids.map((id) => fc.record({ id: fc.constant(id), amount: fc.integer({ min: 0, max: 1 }) })))),
});

describe("two changes of one document", () => {
  it("are both kept where they are of different fields, however deep", () => {
    const mine = change({ spec: { gapM: 0.6, loadKg: 0.9 }, lines: [{ ...card, amount: 3 }, tape, cup] });
    const theirs = change({
      spec: { gapM: 0.54, loadKg: 1.2 },
      story: "a marsh",
      lines: [{ ...card, cut: { widthM: 0.1, heightM: 0.3 } }, tape, cup],
    });
    expect(mergeChanges(base, mine, theirs)).toEqual({
      merged: change({
        story: "a marsh",
        spec: { gapM: 0.6, loadKg: 1.2 },
        lines: [{ ...card, amount: 3, cut: { widthM: 0.1, heightM: 0.3 } }, tape, cup],
      }),
      clashes: [],
    });
  });

  it("clash only at the field that both changed, each to something else", () => {
    const { merged, clashes } = mergeChanges(
      base,
      change({ spec: { gapM: 0.6, loadKg: 1 }, target: 0.95 }),
      change({ spec: { gapM: 0.7, loadKg: 1 }, target: 0.95 }),
    );
    expect(clashes).toEqual([{ place: ["spec", "gapM"], mine: 0.6, theirs: 0.7 }]);
    expect(merged.spec).toEqual({ gapM: 0.6, loadKg: 1 });
    expect(withTheirs(merged, clashes, () => true).spec).toEqual({ gapM: 0.7, loadKg: 1 });
    expect(withTheirs(merged, clashes, () => false)).toBe(merged);
  });

  it("keep what either added, where it stood, and let go what either took out", () => {
    const [glue, foil] = [
      { id: "glue", amount: 1, cut: null },
      { id: "foil", amount: 4, cut: null },
    ];
    const { merged, clashes } = mergeChanges(base, change({ lines: [card, glue, tape, cup] }), change({ lines: [foil, card, tape] }));
    expect([merged.lines.map((line) => line.id), clashes]).toEqual([["foil", "card", "glue", "tape"], []]);
  });

  it("follow the order of whoever changed it", () => {
    const turned = change({ lines: [cup, card, tape] });
    const more = change({ lines: [card, { ...tape, amount: 5 }, cup] });
    for (const [mine, theirs] of [
      [turned, more],
      [more, turned],
    ] as const)
      expect(mergeChanges(base, mine, theirs).merged.lines.map(({ id, amount }) => [id, amount])).toEqual([
        ["cup", 1],
        ["card", 2],
        ["tape", 5],
      ]);
  });

  it("clash over a thing that one took out and the other changed; either may be had", () => {
    const without = change({ lines: [card, cup] });
    const more = change({ lines: [card, { ...tape, amount: 5 }, cup] });
    const gone = mergeChanges(base, without, more);
    expect(gone.clashes).toEqual([{ place: ["lines", "tape"], mine: undefined, theirs: { ...tape, amount: 5 } }]);
    expect(gone.merged.lines.map(({ id }) => id)).toEqual(["card", "cup"]);
    expect(withTheirs(gone.merged, gone.clashes, () => true).lines).toContainEqual({ ...tape, amount: 5 });
    const kept = mergeChanges(base, more, without);
    expect(kept.merged.lines).toContainEqual({ ...tape, amount: 5 });
    expect(withTheirs(kept.merged, kept.clashes, () => true).lines.map(({ id }) => id)).toEqual(["card", "cup"]);
  });

  it("of plain lists or of what was nothing clash as a whole", () => {
    expect(mergeChanges(base, change({ faces: ["a"] }), change({ faces: ["b"] })).clashes).toEqual([
      { place: ["faces"], mine: ["a"], theirs: ["b"] },
    ]);
    expect(mergeChanges(base, change({ compared: { widthM: 1 } }), change({ compared: { widthM: 2 } })).clashes).toEqual([
      { place: ["compared"], mine: { widthM: 1 }, theirs: { widthM: 2 } },
    ]);
  });

  it("are one where only one of them is, and the same whoever calls which mine, but for clashes", () => {
    fc.assert(
      fc.property(anyDoc, anyDoc, anyDoc, (from, a, b) => {
        expect(mergeChanges(from, a, from)).toEqual({ merged: a, clashes: [] });
        expect(mergeChanges(from, from, b)).toEqual({ merged: b, clashes: [] });
        expect(mergeChanges(from, a, a)).toEqual({ merged: a, clashes: [] });
        const [one, other] = [mergeChanges(from, a, b), mergeChanges(from, b, a)];
        expect(one.clashes.map((clash) => clash.place.join()).sort()).toEqual(other.clashes.map((clash) => clash.place.join()).sort());
        if (one.clashes.length > 0) return;
        expect(one.merged.spec).toEqual(other.merged.spec);
        expect(new Set(one.merged.lines.map((line) => line.id))).toEqual(new Set(other.merged.lines.map((line) => line.id)));
      }),
    );
  });

  it("never mixes two kinds of one thing", () => {
    const of = (main: object) => ({ main, versions: 2 });
    const base = of({ kind: "number" });
    const rungs = of({ kind: "rungs", steps: ["whole", "broken"], asked: 0 });
    const passes = { ...of({ kind: "passes", passed: "held", not: "gave way", asked: 1 }), versions: 3 };
    const { merged, clashes } = mergeChanges<object>(base, rungs, passes);
    expect(merged).toEqual({ ...rungs, versions: 3 });
    expect(clashes.map(({ place }) => place)).toEqual([["main"]]);
  });
});

describe("spaces typed around a text", () => {
  it("stay where only they differ; everything else is the document's, and the same object where nothing differs", () => {
    const doc = { story: "a bog", rules: ["one", "two"], lines: [{ id: "a", note: "x" }], n: 1, none: null };
    expect(withSpacesOf(doc, { story: "a bog ", rules: ["one\n", "other "], lines: [{ id: "a", note: " x" }], n: 2, none: "" })).toEqual({
      ...doc,
      story: "a bog ",
      rules: ["one\n", "two"],
      lines: [{ id: "a", note: " x" }],
    });
    expect(withSpacesOf(doc, structuredClone(doc))).toBe(doc);
    expect(withSpacesOf(doc, { story: "another ", rules: "one ", lines: [] })).toBe(doc);
    expect(withSpacesOf("a", null)).toBe("a");
  });
});
