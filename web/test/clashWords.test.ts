import type { FieldClash } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { brief, line, material } from "../../contract/test/samples.ts";
import { clashWords } from "../desk/run/clashWords.ts";

const mine = brief([line("card"), line("tape", { kind: "measured" })]);
const stock = [material("card", { name: "Thin card" }), material("tape", { name: "Tape", unit: "mm" })];
const words = (place: readonly string[], a: unknown, b: unknown, units: "metric" | "imperial" = "metric") =>
  Object.values(clashWords({ place, mine: a, theirs: b } as FieldClash, mine, stock, units));

describe("what two planners changed", () => {
  it("is named as the brief names it, its numbers in the run's units", () => {
    expect(words(["spec", "gapM"], 0.6, 0.5)).toEqual(["Clear gap", "600\u00a0mm", "500\u00a0mm"]);
    expect(words(["spec", "gapM"], 0.6096, 0.5, "imperial")[1]).toContain("in");
    expect(words(["design", "form"], "arch", "truss")).toEqual(["Form", "arch, ends held", "truss of triangles"]);
    expect(words(["compared", "form"], "flat", "arch")[0]).toBe("Form, held beside");
    expect(words(["spec", "gone"], 1, 2)).toEqual(["gone", "1", "2"]);
  });

  it("shows shares as per cent, yes and no in words, and what is empty as empty", () => {
    expect(words(["rebuildRate"], 0.45, 0.5)).toEqual(["Who builds again", "45 %", "50 %"]);
    expect(words(["sketchFirst"], true, false)).toEqual(["Sketch first", "yes", "no"]);
    expect(words(["story"], "", "A bog.")).toEqual(["The story", "empty", "A bog."]);
    expect(words(["compared"], null, { form: "arch" })).toEqual(["The design held beside it", "none", "as you have it here"]);
    expect(words(["trials"], 4, 2.5)).toEqual(["Trials", "4", "2.50"]);
    expect(words(["tiers", "t"], { words: "Free" }, undefined)).toEqual(["A tier", "Free", "taken out"]);
  });

  it("names a line by its material, and says when it was taken out", () => {
    expect(words(["lines", "line-tape", "amount"], 1200, 600)).toEqual(["Tape, takes", "1.2\u00a0m", "60\u00a0cm"]);
    expect(words(["lines", "line-card", "spoilRate"], 0.05, 0.1)).toEqual(["Thin card, spoilt", "5 %", "10 %"]);
    expect(words(["lines", "line-card"], mine.lines[0], undefined)).toEqual(["Thin card", "kept, 2", "taken out"]);
    expect(words(["lines", "new", "kind"], "counted", "measured")[0]).toBe("A line of the kit, details");
  });
});
