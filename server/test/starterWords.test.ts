import type { SheetDoc } from "@lampcrate/contract";
import {
  type Bound,
  boundParts,
  briefField,
  briefRoundIn,
  checksOf,
  type Filling,
  families,
  fillText,
  followed,
  type KitLine,
  linePlace,
  linesFor,
  meantIn,
  numbersIn,
  partOf,
  type RunKind,
  runKinds,
  saidFor,
  textsOf,
  unitChoices,
  usualLine,
} from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { starters } from "../src/starters/index.ts";
import { packOfStarter } from "../src/starters/starter.ts";

const dates = { opens: "2026-12-01", closes: "2026-12-20", reveal: "2027-01-05" };

/** A starter as a brief, in the units of a house and for a kind of run. */
function made(starter: (typeof starters)[number], units: SheetDoc["units"], kind: RunKind) {
  const pack = packOfStarter(starter);
  const materials = pack.materials.map(({ key, name, unit }) => ({ id: key, name, unit }));
  const unitOf = (id: string) => materials.find((m) => m.id === id)?.unit ?? null;
  const lines: readonly KitLine[] = pack.lines.map(({ material, ...line }) => ({ ...usualLine(line.id, material), ...line }));
  const brief = { ...pack.brief, lines: linesFor(lines, pack.kind, kind) };
  const round = units === "metric" ? brief : briefRoundIn(brief, units, unitOf);
  const whole = { ...round, lines: followed(round, unitOf) };
  const filling: Filling = { brief: whole, units, unitOf, dates };
  return { brief: whole, before: brief, filling, materials, kind };
}

const everyWay = starters.flatMap((starter) =>
  unitChoices.flatMap((units) => runKinds.map((kind) => [`${starter.title}, ${kind}, ${units}`, starter, units, kind] as const)),
);

describe.each(starters.map((starter) => [starter.title, starter] as const))("the starter %s", (_, starter) => {
  const { brief, before, filling, materials } = made(starter, "metric", starter.kind);
  const nameOf = (id: string): string => materials.find((m) => m.id === id)?.name ?? "";

  it("stands as its numbers have it, and nothing in it is a contradiction or amiss", () => {
    expect(brief.lines).toBe(before.lines);
    expect(checksOf(brief, { kind: starter.kind, units: "metric", dates, today: "2026-11-26", materials, rooms: [], ratios: [] })).toEqual(
      [],
    );
  });

  it("says no number that a field could give", () => {
    const bare = textsOf(brief).flatMap(({ text }) => meantIn(text, brief, nameOf).map(({ number, field }) => [number.written, field]));
    expect(bare).toEqual([]);
  });

  it("has each line that follows a number move with it", () => {
    for (const [i, line] of brief.lines.entries())
      for (const part of boundParts) {
        const bound: Bound | null = line.bind[part];
        const placed = bound && briefField(brief.family, bound.field);
        if (!bound || placed?.field.kind !== "number" || placed.of === "brief") continue;
        const { id, max, step } = placed.field;
        const now = Number(brief[placed.of][id] ?? placed.field.start);
        const next = Math.min(max, now + 10 * step);
        const moved = followed({ ...brief, [placed.of]: { ...brief[placed.of], [id]: next } }, filling.unitOf)[i];
        expect(moved && partOf(moved, part)).toBeGreaterThan(partOf(line, part) ?? 0);
      }
  });
});

describe("the words of starters and families", () => {
  it.each(everyWay)("are whole and round: %s", (_, starter, units, kind) => {
    const { brief, filling } = made(starter, units, kind);
    const family = families[brief.family];
    const values = { ...brief.spec, ...brief.design };
    const { before, starts, stops, order, control = "" } = family.protocol;
    const texts = [
      ...textsOf(brief),
      ...[...saidFor(family.howTo, values, kind === "at-home"), ...saidFor(family.rules, values, kind === "at-home"), ...family.tiers].map(
        (said) => ({
          text: said.words,
          times: "times" in said ? (said.times ?? null) : null,
        }),
      ),
      ...[before, starts, stops, order, control, starter.told].map((text) => ({ text, times: null })),
    ];
    for (const line of brief.lines) {
      const { field = "", times = 0, plus = 0 } = line.bind.amount ?? {};
      // The kit takes what the words say, to the last digit shown: no 3.53 oz of the 3.5 oz.
      if (filling.unitOf(line.materialId) === "piece" || times !== 1 || plus !== 0) continue;
      expect(fillText(`{${linePlace(line.id)}}`, filling)).toBe(fillText(`{${field}}`, filling));
    }
    for (const { text, times } of texts) {
      const said = fillText(text, { ...filling, times });
      expect(said).not.toMatch(/[{}#]|NaN|undefined|Infinity|\b1 [a-z]+s\b/);
      // What was round in metres and grams is round in inches and ounces: no 11.8 in, no 14.1 oz.
      if (units === "imperial" && times === null)
        for (const { written } of numbersIn(said)) expect(written).not.toMatch(/^\d{2,}\.\d+.*(in|oz)$/);
    }
  });
});
