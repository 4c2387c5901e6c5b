import type { StarterLine } from "@lampcrate/contract";
import { families, startValues } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { anything, fits, needsOf, type Wish } from "../desk/start/fits.ts";

const starter = (family: "span" | "float" | "launch-band", patch: Partial<StarterLine> = {}): StarterLine => ({
  id: family,
  title: "Boardwalk over the Bog",
  family,
  kind: "drop-in",
  goal: "Span 54 cm",
  told: "for beginners",
  minutes: 30,
  youngestAge: 7,
  lines: 4,
  spec: startValues(families[family].spec),
  design: startValues(families[family].design),
  ...patch,
});
const ok = (wish: Partial<Wish>, of = starter("span")): boolean => fits(of, { ...anything, ...wish });

describe("what fits on the shelf", () => {
  it("is everything while nothing is asked", () => expect(ok({})).toBe(true));

  it("is held with what there is, at its edges too", () => {
    expect([ok({ age: 7 }), ok({ age: 6 }), ok({ minutes: 30 }), ok({ minutes: 29 })]).toEqual([true, false, true, false]);
    const band = starter("launch-band");
    const { lengthM, widthM } = needsOf(band);
    const longest = Math.max(lengthM, widthM);
    expect([ok({ roomM: longest }, band), ok({ roomM: longest - 0.01 }, band)]).toEqual([true, false]);
    expect([ok({ dry: true }), ok({ dry: true }, starter("float"))]).toEqual([true, false]);
    expect([ok({ family: "span" }), ok({ family: "float" })]).toEqual([true, false]);
  });

  it("is found by all its words, in any case and order, wherever they are said", () => {
    expect([ok({ words: "BOG board" }), ok({ words: "beginners 54" }), ok({ words: "bog wind" })]).toEqual([true, true, false]);
    expect(ok({ words: families.span.words })).toBe(true);
  });
});
