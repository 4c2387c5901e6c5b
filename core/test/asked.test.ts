import { describe, expect, it } from "vitest";
import {
  asFamily,
  askedWords,
  checkVersion,
  comparisonWords,
  type FindingEntry,
  families,
  familyAs,
  furtherMeasures,
  furtherOf,
  intervalWords,
  nextSetting,
  type Outcomes,
  outcomeErrors,
  outcomeSaid,
  runFindings,
  settingField,
  showOf,
  startValues,
  survivalOf,
  type TrialOutcome,
  workedWords,
} from "../src/index.ts";

/** Numbers stand apart from their units by a space that doesn't break. */
const plain = (words: string): string => words.replace(/[\u202f\u00a0]/g, " ");

const { landing, span, roll, descent } = families;
const specOf = (family: typeof landing) => startValues(family.spec);
const asked = (patch: Partial<Outcomes>): Outcomes => ({ ...asFamily, ...patch });
const owlet = asked({ main: { kind: "rungs", steps: ["whole", "marked", "cracked", "broken"], asked: 1 }, setting: "goalM" });
const dictionary = asked({ main: { kind: "passes", passed: "held the dictionary", not: "gave way", asked: 2 } });

const rung = (place: number, at?: number): TrialOutcome => ({ kind: "rung", rung: place, at });
const version = (number: number, trials: readonly TrialOutcome[], variables = {}) => ({
  number,
  role: "build" as const,
  variables,
  place: null,
  instrument: "tape",
  trials,
});
const entry = (id: string, ...versions: FindingEntry["versions"]): FindingEntry => ({ id, alias: id, versions });

describe("a family as a brief asks for it", () => {
  it("is the family itself where nothing is asked, and the same one for the same brief", () => {
    expect(familyAs(span, asFamily)).toBe(span);
    expect(familyAs(span, undefined)).toBe(span);
    expect(familyAs(landing, owlet)).toBe(familyAs(landing, owlet));
  });

  it("finds on a ladder of drops the most that it came through, and meets the goal at its height with the rung asked for", () => {
    const family = familyAs(landing, owlet);
    const spec = { ...specOf(landing), goalM: 2 };
    const [measure] = family.measures(spec);
    expect([measure.id, family.goalField(spec)]).toEqual(["survived", "goalM"]);
    const found = runFindings(family, spec, [
      entry("climber", version(1, [rung(0, 1), rung(2, 1.25)]), version(2, [rung(0, 1), rung(1, 2), rung(3, 2.5)])),
      entry("low", version(1, [rung(0, 1.5), rung(2, 2)])),
      entry("never", version(1, [rung(3, 0.5), { kind: "failed", at: 0.4 }])),
      entry("unset", version(1, [rung(0)])),
    ]);
    const show = showOf(measure, "metric");
    expect(found.builders.map((b) => [b.alias, b.metGoal, b.best && plain(intervalWords(b.best, show))])).toEqual([
      ["climber", true, "2 m to 2.5 m"],
      ["low", false, "1.5 m to 2 m"],
      ["never", false, "0 mm to 40 cm"],
      ["unset", false, null],
    ]);
    expect(found.builders[0]?.change).toBe("better");
    expect(plain(outcomeSaid(rung(2, 2), measure, "metric"))).toBe("cracked at 2 m");
  });

  it("compares rungs only where both versions were tried", () => {
    const family = familyAs(landing, owlet);
    const at = (places: readonly number[], height: number) => places.map((place) => rung(place, height));
    const [one, other] = [
      version(1, [...at([2, 3, 2, 3, 2], 2), ...at([0], 1)], { paddingM: 0.02 }),
      version(2, [...at([0, 0, 1, 0, 0], 2), ...at([3, 3], 4)], { paddingM: 0.05 }),
    ];
    const [test] = runFindings(family, specOf(landing), [entry("a", one, other)]).comparisons;
    expect(test?.result.rungs).toMatchObject({ at: 2, pairs: 25, share: 1, word: "helps" });
    expect(test && plain(comparisonWords(test, "metric"))).toBe(
      "Padding that gives helps: a new trial beats an old one at 2 m in 100 of 100 (25 pairs, half of the ties counted); by chance alone in less than 1 of 100.",
    );
    const [apart] = runFindings(family, specOf(landing), [
      entry("a", version(1, at([0, 0], 1), { paddingM: 0.02 }), version(2, at([3, 3], 2), { paddingM: 0.05 })),
    ]).comparisons;
    expect(apart && comparisonWords(apart, "metric")).toBe(
      "Test both versions at least twice at the same setting, then the two can be compared.",
    );
  });

  it("tells rungs that nothing varies by their names, a mean between two", () => {
    const family = familyAs(landing, asked({ main: { kind: "rungs", steps: ["whole", "cracked", "broken"], asked: 0 } }));
    const [measure] = family.measures(specOf(landing));
    const { builders, goal } = runFindings(family, specOf(landing), [
      entry("a", version(1, [rung(2), rung(1)]), version(2, [rung(0), { kind: "failed" }])),
    ]);
    const show = showOf(measure, "metric");
    expect(goal).toBe(2);
    expect([builders[0]?.first, builders[0]?.last, builders[0]?.best].map((one) => one && intervalWords(one, show))).toEqual([
      "between broken and cracked",
      "cracked",
      "whole",
    ]);
    expect(builders[0]?.metGoal).toBe(true);
  });

  it("meets a goal of passes with as many as are asked for, in one version", () => {
    const family = familyAs(span, dictionary);
    const trials = (passes: number, fails: number): TrialOutcome[] => [
      ...Array.from({ length: passes }, (): TrialOutcome => ({ kind: "passed" })),
      ...Array.from({ length: fails }, (): TrialOutcome => ({ kind: "failed" })),
    ];
    const { builders, measure } = runFindings(family, specOf(span), [
      entry("twice", version(1, trials(2, 1))),
      entry("once each", version(1, trials(1, 1)), version(2, trials(1, 0))),
    ]);
    expect(builders.map((b) => b.metGoal)).toEqual([true, false]);
    expect(measure.numberless).toBe(true);
    expect(builders[0]?.best && intervalWords(builders[0].best, showOf(measure, "metric"))).toBe("100 %");
  });

  it("says how many trials would tell shares apart that cannot be told yet", () => {
    const trial = (kind: "passed" | "failed"): TrialOutcome => ({ kind });
    const [test] = runFindings(familyAs(span, dictionary), specOf(span), [
      entry(
        "a",
        version(1, [trial("failed"), trial("passed"), trial("failed")], { form: "flat", sheetsUsed: 2 }),
        version(2, [trial("passed"), trial("passed"), trial("passed")], { form: "flat", sheetsUsed: 4 }),
      ),
    ]).comparisons;
    // n₀ by the formula of the models, for 1 against 1/3: 6.5, and with the correction 10.
    expect(test && comparisonWords(test, "metric")).toMatch(/If the shares seen are the true ones, about 10 trials of each would do it\.$/);
  });

  it("lets a brief say what a failed build counts as", () => {
    const failed = [entry("a", version(1, [{ kind: "failed" }, { kind: "number", value: 0.3 }]))];
    const first = (outcomes: Outcomes) => runFindings(familyAs(span, outcomes), specOf(span), failed).builders[0]?.first?.low;
    expect([first(asFamily), first(asked({ failed: "no value" })), first(asked({ failed: "nothing" }))]).toEqual([0.15, 0.3, 0.15]);
    const slow = { ...specOf(roll), aim: "slow" };
    const rolled = (outcomes: Outcomes) => runFindings(familyAs(roll, outcomes), slow, failed).builders[0]?.first?.low;
    expect([rolled(asFamily), rolled(asked({ failed: "nothing" }))]).toEqual([0.3, 0.15]);
  });

  it("judges a number by trials at the brief's own setting, and compares at the one that both share", () => {
    const family = familyAs(descent, asked({ setting: "heightM" }));
    const spec = { ...specOf(descent), heightM: 2, goalS: 1.5 };
    const time = (value: number, at: number): TrialOutcome => ({ kind: "number", value, at });
    const { builders, comparisons } = runFindings(family, spec, [
      entry(
        "a",
        version(1, [time(1, 2), time(1.1, 2), time(3, 6)], { sizeM: 0.1 }),
        version(2, [time(1.2, 2), time(1.3, 2), time(5, 6)], { sizeM: 0.2 }),
      ),
    ]);
    expect([builders[0]?.metGoal, builders[0]?.best?.low]).toEqual([false, 1.3]);
    expect(comparisons[0]?.result.numbers?.welch.difference).toBeCloseTo(0.2, 12);
    // A long fall from high up is no odd number there.
    const checked = checkVersion(family, spec, startValues(descent.design), {
      role: "build",
      variables: {},
      place: null,
      trials: [
        { raw: "4", setting: "6 m", instrument: "hand stopwatch" },
        { raw: "4", setting: null, instrument: "hand stopwatch" },
      ],
    });
    const flags = checked.map(({ verdict }) => verdict.flag);
    expect(flags[0]).toBeNull();
    expect(flags[1]).not.toBeNull();
    expect(workedWords(family, spec, { outcome: "number", value: 4, at: 6 }, "metric").map(plain)).toEqual(["mean speed 1.5 m/s"]);
  });
});

describe("what a brief asks, in sentences for those who build", () => {
  const said = (family: typeof landing, outcomes: Outcomes, spec = specOf(family)): readonly string[] =>
    askedWords(familyAs(family, outcomes), spec, outcomes, "metric").map(plain);

  it("says nothing where it is just what the family does", () => {
    for (const family of Object.values(families)) expect(said(family, asFamily)).toEqual([]);
  });

  it("tells rungs, passes, what varies, what is asked beside, tokens and versions", () => {
    expect(said(landing, { ...owlet, further: ["buildMass", "crush"], versions: 3 }, { ...specOf(landing), goalM: 2 })).toEqual([
      "Say of each trial how it came through: whole, marked, cracked or broken, and write its drop height.",
      "“marked” or better at 2 m meets the goal.",
      "If you can, tell this too: how much it was squashed and grams of the build.",
      "3 versions are asked for.",
    ]);
    expect(said(span, { ...dictionary, versions: 1 })).toEqual([
      "Say of each trial whether it passed: held the dictionary, or gave way.",
      "2 passes of one version meet the goal.",
      "One version is asked for.",
    ]);
    expect(said(descent, asked({ setting: "heightM", failed: "nothing" }))).toEqual([
      "Write the drop height of each trial: only trials at the same one are compared.",
      "A test that fails counts as nothing: 0.",
    ]);
    const coin = { name: "coin", massKg: 0.0025, weighed: null };
    expect(said(span, asked({ tokens: [coin, { ...coin, name: "book", massKg: null }] }))).toEqual([
      "Loads may be counted by the coin (2.5 g each) or book.",
    ]);
  });
});

describe("a ladder of settings", () => {
  const rungs = { steps: ["whole", "broken"], asked: 0 };
  const field = { min: 0.2, max: 6, step: 0.05 };

  it("goes a rung up after it came through and one down after it did not, within its ends", () => {
    const next = (...trials: TrialOutcome[]): number => nextSetting(trials, rungs, field, 0.8);
    expect(next()).toBeCloseTo(0.8, 12);
    expect(next(rung(0, 0.8))).toBeCloseTo(1, 12);
    expect(next(rung(0, 0.8), rung(1, 1))).toBeCloseTo(0.8, 12);
    expect(next({ kind: "failed", at: 0.2 })).toBe(0.2);
    expect(next(rung(0, 5.5))).toBe(6);
  });

  it("tells how many came through at each", () => {
    expect(survivalOf([rung(0, 2), rung(1, 1), rung(0, 1), { kind: "failed", at: 2 }, rung(0)], rungs)).toEqual([
      { at: 1, tried: 2, through: 1 },
      { at: 2, tried: 2, through: 1 },
    ]);
  });
});

describe("what a brief may not ask", () => {
  const wrong = (patch: Partial<Outcomes>) => outcomeErrors(span, specOf(span), asked(patch)).map(({ field }) => field);

  it("is named by its field", () => {
    expect(wrong({})).toEqual([]);
    expect(wrong({ main: { kind: "rungs", steps: ["only"], asked: 0 } })).toEqual(["main.steps", "main.asked"]);
    expect(wrong({ main: { kind: "rungs", steps: ["a", "a"], asked: 0 } })).toEqual(["main.steps"]);
    expect(wrong({ main: { kind: "rungs", steps: ["a", "b"], asked: 1 } })).toEqual(["main.asked"]);
    expect(wrong({ setting: "nowhere" })).toEqual(["setting"]);
    expect(wrong({ further: ["sag", "mood"] })).toEqual(["further[1]"]);
    expect(wrong({ tokens: [{ name: "coin", massKg: 0, weighed: null }] })).toEqual(["tokens[0].massKg"]);
    const coin = { name: "coin", massKg: 0.002, weighed: null };
    expect(wrong({ tokens: [coin, { ...coin, name: "Coin" }] })).toEqual(["tokens[1].name"]);
    expect(wrong({ tokens: [{ ...coin, weighed: { count: 1, togetherKg: 0.002, stepKg: 0.005 } }] })).toEqual(["tokens[0].weighed"]);
  });

  it("lists what each family may be asked beside its main outcome, each once", () => {
    for (const family of Object.values(families)) {
      const spec = startValues(family.spec);
      const ids = furtherMeasures(family, spec).map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(ids).toContain("buildMass");
      expect(ids).not.toContain(family.measures(spec)[0].id);
      for (const [id, words] of Object.entries(family.settings ?? {})) expect(settingField(family, id)?.words).toBe(words);
    }
    expect(furtherOf(span, specOf(span), asked({ further: ["sag"] })).map(({ id }) => id)).toEqual(["sag"]);
  });
});
