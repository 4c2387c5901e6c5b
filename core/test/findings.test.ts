import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  changeWords,
  checkVersion,
  clearest,
  comparisonWords,
  declaredWords,
  entryFindings,
  type FindingEntry,
  families,
  findingsWords,
  joinFindings,
  leastDifference,
  permutationTest,
  power,
  runFindings,
  startValues,
  welch,
} from "../src/index.ts";
import { tQuantile } from "../src/numeric/student.ts";

const family = families.descent;
const spec = { ...startValues(family.spec), goalS: 1.5 };

const numbers = (values: readonly number[]) => values.map((value) => ({ kind: "number", value }) as const);
const entry = (
  alias: string,
  first: readonly number[],
  last: readonly number[],
  change: Record<string, number | string> = { sizeM: 0.1 },
): FindingEntry => ({
  id: alias,
  alias,
  versions: [
    {
      number: 1,
      role: "build",
      variables: { kind: "spinner", sizeM: 0.07 },
      place: "indoors",
      instrument: "hand stopwatch",
      trials: numbers(first),
    },
    {
      number: 2,
      role: "build",
      variables: { kind: "spinner", sizeM: 0.07, ...change },
      place: "indoors",
      instrument: "hand stopwatch",
      trials: numbers(last),
    },
  ],
});

describe("Student's t", () => {
  it.each([
    [0.975, 1, 12.706204736174698],
    [0.975, 2, 0.95 * Math.sqrt(2 / 0.0975)],
    [0.95, 4, 2.131846786326649],
    [0.975, 30, 2.042272456301238],
  ])("quantile %d at %d degrees of freedom", (p, df, expected) => expect(Math.abs(tQuantile(p, df) / expected - 1)).toBeLessThan(2e-5));
});

describe("a fair test", () => {
  it("turned round gives the same interval turned round", () => {
    const values = fc.array(fc.double({ min: 0.5, max: 3, noNaN: true }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(values, values, (a, b) => {
        const [there, back] = [welch(a, b, "more", 0.01), welch(b, a, "less", 0.01)];
        expect(there.low).toBeCloseTo(-(back.high ?? 0), 9);
        expect(there.word).toBe(back.word);
      }),
    );
  });

  it("a permutation p is never below what the numbers allow, and shuffles agree with counting", () => {
    const seen = permutationTest([2.1, 2.31, 2.18], [1.62, 1.75, 1.7]);
    expect(seen.p).toBeGreaterThanOrEqual(seen.leastP);
    const [a, b] = [
      [1.1, 1.4, 1.2, 1.6, 1.3, 1.9, 1.5, 1.45, 1.7],
      [1, 1.2, 1.05, 1.3, 0.9, 1.35, 1.25, 1.15, 1.1],
    ];
    const shuffled = permutationTest(a, b);
    expect(shuffled.exact).toBe(false);
    expect(shuffled.p).toBeCloseTo(permutationTest(a.slice(0, 8), b.slice(0, 8)).p, 1);
  });

  it("has the power it was asked for at the least difference, and alpha at none", () => {
    expect(power(5, leastDifference(5, 0.12), 0.12)).toBeCloseTo(0.8, 9);
    expect(power(5, 0, 0.12)).toBe(0.05);
  });
});

describe("a run's findings", () => {
  const clear = entry("Misty Heron", [1.2, 1.22, 1.19], [1.62, 1.66, 1.6]);
  const unclear = entry("Calm Otter", [1.2, 1.4], [1.3, 1.45]);
  const redesign = entry("Damp Newt", [1.2, 1.3], [1.8, 1.9], { sizeM: 0.1, cargoKg: 0.004 });

  it("counts who met the goal and who did better", () => {
    const found = runFindings(family, spec, [clear, unclear, redesign]);
    expect([found.entries, found.goalMet]).toEqual([3, 2]);
    expect(found.builders.map((b) => (b.improved ?? 0) > 1)).toEqual([true, true, true]);
  });

  it("says helps, cannot tell yet, or names no cause, in words", () => {
    const { comparisons } = runFindings(family, spec, [clear, unclear, redesign]);
    const words = comparisons.map((c) => comparisonWords(c, "metric"));
    expect(comparisons[0] && comparisonWords(comparisons[0], "metric", "home")).toContain("(most likely between 0.3");
    expect(words[0]).toMatch(
      /^Size \(across, or one wing\) helps: 0\.42.s more on average \(95 % interval 0\.3\d.s to 0\.4\d.s\)\. Few trials, so be careful\.$/,
    );
    expect(words[1]).toMatch(/^You cannot tell these two apart yet .* about \d+ more trials each would do it\.$/);
    expect(words[2]).toBe("What changed isn't clear: one variable is blank in one version only.");
    expect(clearest(comparisons)?.alias).toBe("Misty Heron");
  });

  it("shows what changed with its unit, whatever it measures", () => {
    const lighter = entry("Keen Vane", [1.2, 1.22], [1.5, 1.52], { cargoKg: 0.001 });
    const from = { ...lighter, versions: lighter.versions.map((v) => ({ ...v, variables: { cargoKg: 0.003, ...v.variables } })) };
    const [found] = runFindings(family, spec, [from]).comparisons;
    expect([found?.fromValue, found?.toValue].map((v) => declaredWords(found?.field, v ?? "", "metric"))).toEqual(["3\u00a0g", "1\u00a0g"]);
    expect(declaredWords(family.variables[0], "spinner", "metric")).toBe("two spinning wings");
  });

  it("leaves out what another choice that was declared rules out, but not what stands beside one that nobody declared", () => {
    const landing = families.landing;
    const drop = startValues(landing.spec);
    const of = (canopy: Record<string, string>): string | undefined => {
      const versions = [0.3, 0.45].map(
        (canopyM, i) =>
          ({
            number: i + 1,
            role: "build",
            variables: { ...canopy, canopyM },
            place: "indoors",
            instrument: "tape",
            trials: numbers([1, 1.1]),
          }) as const,
      );
      return runFindings(landing, drop, [{ id: "a", alias: "a", versions }]).comparisons[0]?.result.comparison.kind;
    };
    expect([of({ canopy: "square" }), of({}), of({ canopy: "none" })]).toEqual(["fair test", "fair test", "repeat"]);
  });

  it("counts what still held for goal and best, as at least so much, and gives no ratio of it", () => {
    const held: FindingEntry = {
      ...clear,
      versions: clear.versions.map((v) => ({ ...v, trials: v.number === 1 ? numbers([1]) : [{ kind: "atLeast", value: 1.7 }] })),
    };
    const [builder] = runFindings(family, spec, [held]).builders;
    const atLeast = { low: 1.7, high: null, open: true };
    expect(builder).toMatchObject({
      metGoal: true,
      first: { low: 1, high: 1 },
      last: atLeast,
      best: atLeast,
      change: "better",
      improved: null,
    });
  });

  it("counts a bridge that only ever failed as nothing held, and what came after as more; a fall that failed has no time", () => {
    const bridge = { ...startValues(families.span.spec), loadKg: 0.01 };
    const failed = { kind: "failed" } as const;
    const from = (trials: FindingEntry["versions"][number]["trials"]): FindingEntry => ({
      ...clear,
      versions: clear.versions.map((v) => ({ ...v, variables: {}, trials: v.number === 1 ? [failed, failed] : trials })),
    });
    const [grew] = runFindings(families.span, bridge, [from([{ kind: "number", value: 15 }])]).builders;
    expect([grew?.metGoal, grew?.change, grew?.improved, grew && changeWords(grew, String)]).toEqual([
      true,
      "better",
      null,
      "from nothing",
    ]);
    const [never] = runFindings(families.span, bridge, [from([failed])]).builders;
    expect([never?.metGoal, never?.change, never?.first]).toEqual([false, "same", { low: 0, high: 0, open: false }]);
    const [fell] = runFindings(family, spec, [from([failed])]).builders;
    expect([fell?.first, fell?.best, fell?.change]).toEqual([null, null, null]);
  });

  it("compares what is known only between bounds by pairs, and says so first", () => {
    const between = (held: number) => ({ kind: "between", held, failed: held + 0.1 }) as const;
    const heavier: FindingEntry = {
      ...clear,
      versions: clear.versions.map((v) => ({
        ...v,
        variables: { form: "pleated", sheetsUsed: v.number === 1 ? 2 : 3 },
        trials:
          v.number === 1
            ? [between(0.2), between(0.3), between(0.2), between(0.3)]
            : [between(0.5), between(0.6), between(0.5), between(0.6)],
      })),
    };
    const [found] = runFindings(families.span, startValues(families.span.spec), [heavier]).comparisons;
    expect(found?.result.numbers).toBeNull();
    expect(found && comparisonWords(found, "metric")).toBe(
      "Sheets used helps: of 16 pairs of a new trial and an old one, the new one was surely better in 16 and surely worse in 0.",
    );
  });

  it("judges each by the goal and the measure of the sheet it was built from", () => {
    const band = families["launch-band"];
    const far = { ...startValues(band.spec), aim: "far", goalM: 3 };
    const target = { ...far, aim: "target", withinM: 0.2 };
    const one = (alias: string, value: number): FindingEntry => {
      const [version] = entry(alias, [value], []).versions;
      return { ...entry(alias, [], []), versions: version ? [{ ...version, instrument: "tape" }] : [] };
    };
    const found = joinFindings(band, target, [
      entryFindings(band, far, one("Far", 4)),
      entryFindings(band, target, one("Near", 0.1)),
      entryFindings(band, { ...target, withinM: 0.05 }, one("Nearly", 0.1)),
    ]);
    expect(found).toMatchObject({ measure: { id: "miss" }, goal: 0.2, entries: 3, goalMet: 2, otherGoals: 2 });
    expect(found.builders.map((b) => [b.alias, b.metGoal, b.measure?.id ?? null])).toEqual([
      ["Far", true, "distance"],
      ["Near", true, null],
      ["Nearly", false, null],
    ]);
    expect(findingsWords(found, "metric")[0]).toBe("2 of 3 met the goal of the sheet they built from.");
    expect(findingsWords({ ...found, otherGoals: 0 }, "metric")[0]).toBe("2 of 3 met the goal.");
  });

  it("has a sentence even for nothing", () => {
    expect(findingsWords(runFindings(family, spec, []), "metric")).toEqual(["No entry has been accepted yet."]);
  });
});

describe("checking what was typed", () => {
  const version = (...raws: (string | null)[]) => ({
    role: "build" as const,
    variables: {},
    place: "indoors" as const,
    trials: raws.map((raw) => ({ raw, instrument: "hand stopwatch" })),
  });

  it("questions 16.1 s and offers 1.61 s", () => {
    const [, , odd] = checkVersion(family, spec, startValues(family.design), version("1.58", "1.6", "16.1"));
    expect(odd?.verdict.flag).toBe("impossible");
    expect(odd?.verdict.offers[0]).toMatchObject({ reasons: ["decimal"] });
    expect(odd?.verdict.offers[0]?.value).toBeCloseTo(1.61, 9);
  });

  it("offers nothing that can't be either: 0.16 s from 1.8 m is faster than falling", () => {
    const [alone] = checkVersion(family, spec, startValues(family.design), version("16.1"));
    expect(alone?.verdict.offers.map((offer) => offer.value)).toEqual([expect.closeTo(1.61, 9)]);
  });

  it("says nothing about a failed trial without a number", () => {
    expect(checkVersion(family, spec, startValues(family.design), version(null))[0]?.verdict.flag).toBeNull();
  });

  it("is kinder to the bare test: it may fall as fast as anything falls", () => {
    const bare = { ...version("0.62"), role: "control" as const };
    expect(checkVersion(family, spec, startValues(family.design), bare)[0]?.verdict.flag).toBeNull();
  });
});

describe("a test that is passed or not", () => {
  const roll = families.roll;
  const cup = { ...startValues(roll.spec), aim: "finish" };
  const passed = { kind: "passed" } as const;
  const failed = { kind: "failed" } as const;
  const version = (number: number, parts: number, trials: FindingEntry["versions"][number]["trials"]) =>
    ({ number, role: "build", variables: { partsUsed: parts }, place: "indoors", instrument: "hand stopwatch", trials }) as const;

  it("is met by one pass, whatever its time; a long time is no better than a short one", () => {
    const entry = (trials: FindingEntry["versions"][number]["trials"]): FindingEntry => ({
      id: "a",
      alias: "a",
      versions: [version(1, 3, trials)],
    });
    const of = (trials: FindingEntry["versions"][number]["trials"]) => runFindings(roll, cup, [entry(trials)]).builders[0];
    expect(of([failed, passed, { kind: "number", value: 9 }])).toMatchObject({
      metGoal: true,
      first: { low: 2 / 3, high: 2 / 3 },
      best: { low: 1 },
    });
    expect(of([{ kind: "number", value: 2 }])?.best).toEqual(of([{ kind: "number", value: 9 }])?.best);
    expect(of([failed, failed])).toMatchObject({ metGoal: false, best: { low: 0, high: 0 } });
    // Where it should take its time, the time is what counts.
    const slow = { ...cup, aim: "slow", goalS: 5 };
    expect(runFindings(roll, slow, [entry([{ kind: "number", value: 9 }])]).builders[0]).toMatchObject({ metGoal: true, best: { low: 9 } });
  });

  it("is compared by how often it is passed, and says so first", () => {
    const entry: FindingEntry = {
      id: "a",
      alias: "a",
      versions: [version(1, 3, [failed, failed, failed]), version(2, 5, [passed, passed, { kind: "number", value: 4 }])],
    };
    const found = runFindings(roll, cup, [entry]);
    const [one] = found.comparisons;
    expect([one?.result.numbers, one?.result.bounded, one?.result.passes?.word]).toEqual([null, null, "helps"]);
    expect(one && comparisonWords(one, "metric")).toBe(
      "Parts used helps: 100 points in 100 more often in the cup (95 % interval 21 to 100 points). Few trials, so be careful.",
    );
    expect(findingsWords(found, "metric")).toContain("1 fair test: 1 could tell a difference.");
  });
});
