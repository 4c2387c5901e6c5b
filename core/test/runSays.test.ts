import { describe, expect, it } from "vitest";
import { type FindingEntry, families, runSays, runSaysWords, startValues } from "../src/index.ts";
import { seedOf, uniformAt } from "../src/random/stream.ts";

const family = families.descent;
const spec = startValues(family.spec);
const [measure] = family.measures(spec);

/** Builders whose falls grow as the square root of the wing, 3 % with each further version, and nothing else. */
function run(
  builders: number,
  more: (b: number, v: number) => Readonly<Record<string, number | string>> = () => ({}),
): readonly FindingEntry[] {
  return Array.from({ length: builders }, (_, b) => ({
    id: `b${b}`,
    alias: `b${b}`,
    versions: [1, 2, 3].map((v) => {
      const sizeM = 0.06 * (1 + Math.floor(3 * uniformAt(seedOf("wing"), b, v)));
      const value = (1 + 0.2 * uniformAt(seedOf("own"), b)) * Math.sqrt(sizeM / 0.06) * 1.03 ** (v - 1);
      return {
        number: v,
        role: "build",
        variables: { kind: "spinner", sizeM, ...more(b, v) },
        place: "indoors",
        instrument: "hand stopwatch",
        trials: [0.99, 1.01].map(
          (by) => ({ kind: "number", value: value * by * (1 + 0.01 * (uniformAt(seedOf("hand", String(by)), b, v) - 0.5)) }) as const,
        ),
      };
    }),
  }));
}

describe("what a whole run says", () => {
  it("finds what was put into it, other things equal, and says so", () => {
    const says = runSays(family, spec, measure, run(20));
    expect(says).toMatchObject({ blank: 0, model: { rows: 60, builders: 20, leftOut: 0 } });
    const size = says.model.effects?.find(({ of }) => of === "sizeM");
    const practice = says.model.effects?.find(({ of }) => of === "practice");
    if (size?.state !== "told" || practice?.state !== "told") throw new Error("both were changed");
    expect([size.low < Math.SQRT2 && Math.SQRT2 < size.high, practice.low < 1.03 && 1.03 < practice.high]).toEqual([true, true]);
    const words = runSaysWords(family, measure, says);
    expect(words[0]).toBe("Across 20 builders, other things equal:");
    expect(words[1]).toMatch(/^Twice the size \(across, or one wing\): 1\.4\d? times the .* \(1\.\d+ to 1\.\d+ times\)\.$/);
    expect(words.join(" ")).toContain("Each further version alone: 1.03 times");
    expect(words.at(-1)).toMatch(/^Never changed from one version to the next: /);
  });

  it("goes through more versions than a call takes values", () => {
    const says = runSays(family, spec, measure, run(70_000));
    expect(says.model).toMatchObject({ rows: 210_000, builders: 70_000 });
    expect(says.model.effects?.find(({ of }) => of === "sizeM")?.state).toBe("told");
  });

  it("claims nothing of what always changed together, and leaves out who says less than most", () => {
    const together = runSays(
      family,
      spec,
      measure,
      run(20, (_, v) => ({ cargoKg: 0.001 * v })),
    );
    // The cargo's logarithm goes up with each version, but not as the versions do: both can be told apart.
    expect(together.model.effects?.find(({ of }) => of === "cargoKg")?.state).toBe("told");
    const twins = run(20).map((entry) => ({
      ...entry,
      versions: entry.versions.map((version) => ({
        ...version,
        variables: { ...version.variables, cargoKg: Number(version.variables["sizeM"]) / 100 },
      })),
    }));
    const words = runSaysWords(family, measure, runSays(family, spec, measure, twins));
    expect(words.join(" ")).toMatch(/Always changed together, so that nothing can be said of one alone: size \(across, or one wing\), /);
    const some = run(20, (b) => (b < 4 ? {} : { cargoKg: 0.001 }));
    expect(runSays(family, spec, measure, some).blank).toBe(12);
  });

  it("of too little says nothing", () => {
    expect(runSays(family, spec, measure, run(1)).model.effects).toBeNull();
    expect(runSaysWords(family, measure, runSays(family, spec, measure, []))).toEqual([]);
  });
});
