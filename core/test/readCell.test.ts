import { describe, expect, it } from "vitest";
import { asFamily, families, familyAs, type Outcomes, readCell } from "../src/index.ts";

const [time] = families.descent.measures({});
const [load] = families.span.measures({});
const judged = (outcomes: Partial<Outcomes>) => familyAs(families.descent, { ...asFamily, ...outcomes }).measures({})[0];
const rungs = judged({ main: { kind: "rungs", steps: ["whole", "marked", "broken"], asked: 1 } });
const passes = judged({ main: { kind: "passes", passed: "landed upright", not: "fell over", asked: 2 } });

const trial = (outcome: string, raw: string | null = null, rung: number | null = null) => ({ ok: true, trial: { outcome, raw, rung } });

describe("a cell of a table", () => {
  it("is empty, a number as it was typed, or a test that failed", () => {
    expect(readCell("  ", time)).toEqual({ ok: true, trial: null });
    expect(readCell(" 1,62 s ", time)).toEqual(trial("number", "1,62 s"));
    expect(readCell("about 2", time)).toEqual(trial("number", "about 2"));
    for (const sign of ["x", "X", "-", "–", "failed"]) expect(readCell(sign, time)).toEqual(trial("failed"));
  });

  it("says how to mend what is no number", () => {
    expect(readCell("long", time)).toEqual({ ok: false, trouble: "We can't read that as one number. Type it such as 1.62 or 1 min 5 s." });
    expect(readCell("3 kg", time)).toMatchObject({ ok: false });
    expect(readCell("1,500", load)).toMatchObject({ ok: false, trouble: expect.stringContaining("Does 1,500 mean") });
  });

  it("held at least so much where loads are added, and nowhere else", () => {
    expect(readCell("> 1.2 kg", load)).toEqual(trial("atLeast", "1.2 kg"));
    expect(readCell("900+", load)).toEqual(trial("atLeast", "900"));
    expect(readCell("5+", time)).toMatchObject({ ok: false });
  });

  it("is a rung by its name or its place, and no other", () => {
    expect(readCell("Marked", rungs)).toEqual(trial("rung", null, 1));
    expect(readCell("1", rungs)).toEqual(trial("rung", null, 0));
    expect(readCell("x", rungs)).toEqual(trial("failed"));
    for (const text of ["0", "4", "squashed"])
      expect(readCell(text, rungs)).toEqual({ ok: false, trouble: "Write one of these, or its place: 1 whole, 2 marked, 3 broken." });
  });

  it("passed or not, by a sign or by the brief's own words", () => {
    for (const text of ["yes", "Landed upright", "sí", "ok"]) expect(readCell(text, passes)).toEqual(trial("passed"));
    for (const text of ["no", "fell over", "x"]) expect(readCell(text, passes)).toEqual(trial("failed"));
    expect(readCell("maybe", passes)).toEqual({ ok: false, trouble: "Write yes or no." });
  });
});
