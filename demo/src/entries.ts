import {
  type AgeBand,
  blankTrial,
  type EntryInput,
  type GroupInput,
  type GroupRow,
  type TrialInput,
  type VersionInput,
} from "@lampcrate/contract";
import { seedOf, uniformAt, wholeBelow } from "@lampcrate/core";

/** About normal noise, sd 1: twelve uniforms less six. */
export function noise(seed: number, draw: number): number {
  let sum = -6;
  for (let place = 0; place < 12; place += 1) sum += uniformAt(seed, draw, place);
  return sum;
}

const ages: readonly AgeBand[] = ["6 to 8", "9 to 11", "9 to 11", "mixed", "12 to 15"];

export const trial = (raw: string | null, instrument: string, seen: readonly string[] = []): TrialInput => ({
  ...blankTrial(instrument),
  outcome: raw === null ? "failed" : "number",
  raw,
  seen,
});

export function entry(name: string, told: readonly VersionInput[], said = ""): EntryInput {
  const seed = seedOf("demo", name);
  // One family in four sends a photo of what it built last.
  const id = `demo-photo-${name}-`.padEnd(24, "0");
  const pictured = wholeBelow(4, seed, 1) === 0;
  const versions = told.map((one, i) => (pictured && i === told.length - 1 ? { ...one, pictures: [{ id, kind: "photo" as const }] } : one));
  return {
    id: `demo-${name}-`.padEnd(24, "0"),
    secret: `demo-secret-${name}-`.padEnd(32, "0"),
    ageBand: ages[wholeBelow(ages.length, seed, 0)] ?? null,
    consentKeep: true,
    // One in four of them would rather not have it shown.
    consentPhoto: pictured && wholeBelow(4, seed, 2) > 0,
    consentVersion: "en-1",
    said,
    tokens: [],
    // One family in four practised at the stopwatch first.
    timer: name.startsWith("spinner") && wholeBelow(4, seed, 3) === 0 ? { spread: 0.08, bias: 0.03 } : null,
    answers: [],
    versions,
  };
}

export const version = (
  changed: string,
  variables: VersionInput["variables"],
  trials: readonly TrialInput[],
  rest: Partial<VersionInput> = {},
): VersionInput => ({
  role: "build",
  changed,
  madeOf: "",
  pictures: [],
  variables,
  guess: null,
  guessed: rest.guess ? "before" : null,
  place: "indoors",
  trials,
  ...rest,
});

/** Spinner families: a bare drop, a first wing, then one change. `odd` makes the last trial a slip or an impossible one. */
export function spinnerEntry(name: string, odd: "none" | "decimal" | "fast" | "rare" = "none"): EntryInput {
  const seed = seedOf("spinner", name);
  const hand = 0.06;
  const base = 1.24 + 0.12 * noise(seed, 0);
  const gain = 1.18 + 0.1 * noise(seed, 1);
  const times = (mean: number, from: number): TrialInput[] =>
    [0, 1, 2].map((i) => trial(Math.max(0.75, mean + hand * noise(seed, from + i)).toFixed(2), "hand stopwatch"));
  const control = [0, 1].map((i) => trial((0.66 + 0.04 * noise(seed, 40 + i)).toFixed(2), "hand stopwatch"));
  const wide = wholeBelow(3, seed, 9) > 0;
  const first = times(base, 10);
  const last = times(base * gain, 20);
  if (odd === "decimal") last[2] = trial("16.1", "hand stopwatch");
  if (odd === "fast") last[1] = trial("0.12", "hand stopwatch");
  if (odd === "rare") last[0] = trial("5.2", "hand stopwatch", ["drifts"]);
  const before = { kind: "spinner", sizeM: 0.07, cargoKg: 0.001 };
  const after = wide ? { ...before, sizeM: 0.1 } : { ...before, sizeM: 0.1, cargoKg: 0.0005 };
  return entry(
    `spinner-${name}`,
    [
      version("", {}, control, { role: "control", madeOf: "two clips, no wings" }),
      version("first wings", before, first, { guess: "1.5", madeOf: "copy paper, two clips" }),
      version(wide ? "longer wings" : "longer wings and one clip less", after, last, { guess: "2", madeOf: "copy paper, clips" }),
    ],
    wholeBelow(4, seed, 30) === 0 ? "We liked how it spun both ways." : "",
  );
}

/** A patrol's builders as their leader logs them: two versions each, the wings longer in the second. */
export function patrol(name: string, builders: number): GroupInput {
  const rows = Array.from({ length: builders }, (_, i): GroupRow => {
    const seed = seedOf("patrol", `${name} ${i}`);
    const base = 1.2 + 0.1 * noise(seed, 0);
    const times = (mean: number, from: number): TrialInput[] =>
      [0, 1, 2].map((t) => trial(Math.max(0.8, mean + 0.07 * noise(seed, from + t)).toFixed(2), "hand stopwatch"));
    const build = { kind: "spinner", cargoKg: 0.001 };
    return {
      id: `demo-${name}-${i + 1}-`.padEnd(24, "0"),
      row: i + 1,
      versions: [version("", { ...build, sizeM: 0.09 }, times(base, 10)), version("", { ...build, sizeM: 0.12 }, times(base * 1.25, 20))],
    };
  });
  return {
    id: `demo-${name}-`.padEnd(24, "0"),
    secret: `demo-secret-${name}-`.padEnd(32, "0"),
    ageBand: "9 to 11",
    consentKeep: true,
    consentVersion: "en-1",
    rows,
  };
}

/** Bridge families: flat first, then pleated, then deeper. */
export function boardwalkEntry(name: string, odd: "none" | "unit" | "heavy" | "held" = "none"): EntryInput {
  const seed = seedOf("boardwalk", name);
  const grams = (mean: number, from: number): TrialInput[] =>
    [0, 1, 2].map((i) => trial(`${Math.max(20, Math.round((mean * (1 + 0.14 * noise(seed, from + i))) / 10) * 10)} g`, "kitchen scale"));
  const first = grams(420, 0);
  const second = grams(780 + 160 * noise(seed, 50), 10);
  if (odd === "unit") second[1] = trial("780 kg", "kitchen scale");
  // Its first build gave way at once, its second outlasted the house's bags.
  if (odd === "held") {
    first[0] = trial(null, "kitchen scale", ["tape-tears"]);
    first[1] = { ...blankTrial("kitchen scale"), outcome: "below", broke: "100 g" };
    second[0] = { ...blankTrial("kitchen scale"), outcome: "between", raw: "900 g", broke: "1 kg" };
    second[2] = { ...blankTrial("kitchen scale"), outcome: "atLeast", raw: "1.4 kg" };
  }
  if (odd === "heavy") second[2] = trial("9,5 kg", "kitchen scale");
  return entry(`boardwalk-${name}`, [
    version("first build", { form: "pleated", sheetsUsed: 2, widthM: 0.1 }, first, { guess: "500 g", madeOf: "card and newsprint" }),
    version("a face on each side", { form: "sandwich", sheetsUsed: 2, widthM: 0.1 }, second, {
      guess: "1 kg",
      madeOf: "card, newsprint, tape",
    }),
  ]);
}
