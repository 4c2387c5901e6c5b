import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { alongCourse, floorMark } from "../src/family/scene.ts";
import {
  applies,
  declaredWords,
  families,
  familyIds,
  isOutside,
  loadFamily,
  parseQuantity,
  showQuantity,
  startValues,
  type Told,
  tell,
  valueErrors,
} from "../src/index.ts";
import { anyBrief, anyValues } from "./anyBrief.ts";

/** Every number in words stands for one that is given, and each that is given is told. */
function expectTold(told: Told): void {
  const places = told.words.match(/\{\}/g)?.length ?? 0;
  expect([told.words, places]).toEqual([told.words, told.fill?.length ?? 0]);
  for (const units of ["metric", "imperial"] as const) {
    const words = tell(told, units);
    expect(words).not.toMatch(/NaN|undefined|Infinity|\{|\}/);
    expect(words).toMatch(/\S/);
  }
}

/** The same marks, but for the last digits of their numbers. */
function expectClose(a: readonly unknown[], b: readonly unknown[]): void {
  const round = (_: string, value: unknown) => (typeof value === "number" ? Math.round(value * 1e6) + 0 : value);
  expect(JSON.parse(JSON.stringify(a, round))).toEqual(JSON.parse(JSON.stringify(b, round)));
}

const finite = (values: readonly number[]): boolean => values.every(Number.isFinite);

describe.each(familyIds.map((id) => [id, families[id]] as const))("what is said of %s", (id, family) => {
  const [spec, design] = [startValues(family.spec), startValues(family.design)];

  it("is the same module when a phone loads it alone", async () => {
    expect(await loadFamily(id)).toBe(family);
  });

  it("tells its needs, and what cannot work, in either kind of units", () => {
    fc.assert(
      fc.property(anyBrief(family), ([goal, build]) => {
        const needs = family.needs(goal);
        expectTold(needs);
        expect(finite([needs.lengthM, needs.widthM, needs.heightM ?? 0, needs.minutesPerTrial, needs.rigsPerAdult])).toBe(true);
        expect(Math.min(needs.lengthM, needs.widthM, needs.minutesPerTrial, needs.rigsPerAdult)).toBeGreaterThan(0);
        const cannot = family.cannot(goal, build);
        if (cannot) expectTold(cannot);
      }),
    );
  });

  it("finds nothing against its own plain build", () => {
    expect(family.cannot(spec, design)).toBeNull();
  });

  it("has a goal that its own ruler sets, told in the run's units", () => {
    fc.assert(
      fc.property(anyValues(family.spec), (goal) => {
        const id = family.goalField(goal);
        const field = family.spec.find((f) => f.id === id);
        const { value, measure } = family.goal(goal);
        if (id === null) expect(value).toBe(0);
        else expect([field?.kind, applies(field?.when, goal)]).toEqual(["number", true]);
        expect(Number.isFinite(value) && value >= 0).toBe(true);
        expect(family.measures(goal).map((m) => m.id)).toContain(measure);
        for (const units of ["metric", "imperial"] as const) {
          const words = family.goalWords(goal, (si, dimension) => showQuantity(si, dimension, units));
          expect(words).not.toMatch(/NaN|undefined/);
        }
      }),
    );
  });

  it("measures what an instrument of its list can read, in a unit that is understood", () => {
    for (const measure of family.measures(spec)) {
      expect(measure.instruments.length).toBeGreaterThan(0);
      if (measure.unit === null) continue;
      const read = parseQuantity("2", { dimension: measure.dimension, defaultUnit: measure.unit });
      expect(read).toMatchObject({ ok: true });
    }
  });

  it("calls a poor result possible, never less than nothing", () => {
    for (const measure of family.measures(spec)) {
      const { hard, soft } = family.bounds(measure.id, spec, design, 0.01);
      expect(isOutside(-1, hard)).toBe(true);
      expect(isOutside(Number.NaN, hard)).toBe(true);
      expect(soft[0]).toBeLessThan(soft[1]);
    }
  });

  it("offers a rival within the rulers that is another build", () => {
    fc.assert(
      fc.property(anyValues(family.design), (build) => {
        const rival = family.rival(build);
        expect(valueErrors(rival, family.design)).toEqual({});
        expect(Object.keys(rival).sort()).toEqual(Object.keys(build).sort());
      }),
    );
    expect(family.rival(design)).not.toEqual(design);
  });

  it("names levers that are rulers of the goal", () => {
    fc.assert(
      fc.property(anyValues(family.spec), (goal) => {
        for (const lever of family.levers(goal)) {
          const field = family.spec.find((f) => f.id === lever.field);
          expect([lever.field, field?.kind]).toEqual([lever.field, "number"]);
          expect(applies(field?.when, goal)).toBe(true);
        }
      }),
    );
  });

  it("asks before it nudges, and asks in questions", () => {
    expect(family.symptoms.length).toBeGreaterThanOrEqual(3);
    for (const symptom of family.symptoms) {
      expect(symptom.question).toMatch(/\?$/);
      expect(symptom.nudge).not.toMatch(/\?$/);
    }
    expect(new Set(family.symptoms.map((s) => s.id)).size).toBe(family.symptoms.length);
    const { before, during, after } = family.questions;
    for (const list of [before, during, after]) {
      expect(list.length).toBeGreaterThan(0);
      for (const question of list) expect(question).toMatch(/\?$/);
    }
  });

  it("says when the clock starts and stops, how it is built, and what is against the rules", () => {
    const { before, starts, stops, order, trials } = family.protocol;
    for (const words of [before, starts, stops, order, family.idea, family.ask]) expect(words.length).toBeGreaterThan(10);
    expect(trials).toBeGreaterThanOrEqual(1);
    expect(family.howTo.length).toBeGreaterThanOrEqual(3);
    expect(family.rules.length).toBeGreaterThanOrEqual(2);
    expect(family.tiers.length).toBeGreaterThanOrEqual(2);
    for (const tier of family.tiers) if (tier.kind === "stretch") expect(tier.times).toBeGreaterThan(0);
  });

  it("draws whole numbers for all of its test's time, with as many marks as it began with", () => {
    fc.assert(
      fc.property(anyBrief(family), fc.double({ min: 0, max: 1.2, noNaN: true }), ([goal, build], part) => {
        const { marks, motion, describe: words } = family.drawing(goal, build);
        expect(words).not.toMatch(/NaN|undefined/);
        for (const mark of marks) if (mark.kind === "note") expectTold({ words: mark.words, fill: mark.fill });
        if (!motion) return;
        expectTold(motion.told);
        expect(Number.isFinite(motion.durationS) && motion.durationS > 0).toBe(true);
        expect(motion.replaces.every((i) => marks[i] !== undefined)).toBe(true);
        const [now, end] = [motion.at(motion.durationS * part), motion.at(motion.durationS)];
        expect(now).toHaveLength(motion.at(0).length);
        if (part >= 1) expectClose(now, end);
        for (const mark of now)
          expect(finite(mark.kind === "path" ? mark.points.flat() : mark.kind === "block" ? [mark.x, mark.y, mark.w, mark.h] : [])).toBe(
            true,
          );
      }),
      { numRuns: 60 },
    );
  });

  it("files every build under one form, the same for the same build", () => {
    fc.assert(
      fc.property(anyBrief(family), ([goal, build]) => {
        expect(family.formOf(goal, build)).toMatch(/\S/);
        expect(family.formOf({ ...goal }, { ...build })).toBe(family.formOf(goal, build));
      }),
    );
  });

  it("warns more, never less, when the crate holds more that can hurt", () => {
    const few = family.cautions(spec, { youngestAge: 12, allergens: [], smallParts: false, latex: false });
    const more = family.cautions(spec, {
      youngestAge: 12,
      allergens: ["wheat", "nuts"],
      smallParts: true,
      latex: true,
      hazards: ["sharp edge", "pointed", "hot", "film", "snaps"],
      place: "outdoors",
    });
    const ids = more.map((c) => c.id);
    expect(ids).toEqual(expect.arrayContaining(few.map((c) => c.id)));
    expect(more.length).toBeGreaterThanOrEqual(few.length + 8);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe("along a course", () => {
  const course = [
    [0, 0, 10],
    [1, 4, 10],
    [3, 8, 0],
  ] as const;

  it("stands still before it begins and after it has ended, and goes evenly between its points", () => {
    expect(alongCourse(course, -1)).toEqual([0, 10]);
    expect(alongCourse(course, 0.25)).toEqual([1, 10]);
    expect(alongCourse(course, 2)).toEqual([6, 5]);
    expect(alongCourse(course, 9)).toEqual([8, 0]);
    expect(alongCourse([], 1)).toEqual([]);
  });

  it("keeps to its points at their times", () => {
    for (const [t, ...values] of course) expect(alongCourse(course, t)).toEqual(values);
  });

  it("has its floor under it", () => {
    expect(floorMark(2, 0.1)).toMatchObject({ kind: "block", role: "floor", y: -0.1, w: 2, h: 0.1 });
  });
});

describe("telling", () => {
  it("puts numbers in one by one, in the run's units", () => {
    const told: Told = {
      words: "{} long, {}, {}, {} and {}",
      fill: [
        [0.54, "length"],
        [1.25, "ratio"],
        [2, "calibres"],
        [31.6, "gees"],
        [3, "count"],
      ],
    };
    expect(tell(told, "metric")).toBe("54\u00a0cm long, 1.3 ×, 2.0 calibres, 32 times g and 3");
    expect(tell({ words: "{}", fill: [[0.3048, "length"]] }, "imperial")).toBe("12\u00a0in");
    expect(tell({ words: "no number" }, "metric")).toBe("no number");
  });

  it("tells what was declared by the choice's words or with a unit", () => {
    const [choice] = families.span.design.filter((field) => field.kind === "choice");
    if (choice?.kind !== "choice") throw new Error("a span has a form");
    expect(declaredWords(choice, choice.options[0]?.id ?? "", "metric")).toBe(choice.options[0]?.words);
    expect(declaredWords(choice, "no such form", "metric")).toBe("no such form");
    expect(declaredWords(null, 3, "metric")).toBe("3");
  });
});
