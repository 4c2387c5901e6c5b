import { blankTrial, type EntryInput, type TrialInput } from "@lampcrate/contract";
import { seedOf, uniformAt, wholeBelow } from "@lampcrate/core";
import type { DemoDays } from "./calendar.ts";
import { entry, noise, version } from "./entries.ts";
import type { DemoRuns } from "./runs.ts";

const day = 86_400_000;

/** Two challenges for home whose results are no plain numbers: one is passed or not, one is a ladder of heights with a list of what came down. */
export async function gatherDrops(run: DemoRuns, days: DemoDays, now: number): Promise<void> {
  const cabin = run.fromStarter("open-cabin", "Two Aboard", "at-home", {
    opensOn: days.in(-34),
    closesOn: days.in(-8),
    revealOn: days.in(5),
  });
  run.oneSetting(cabin);
  run.publish(cabin);
  await run.send(cabin, "cabin", 9, cabinEntry, now - 33 * day, now - 9 * day);
  run.sift(cabin, () => true, now - 7 * day);
  const owlet = run.fromStarter("canopy-ladder", "Owlet on a String", "at-home", {
    opensOn: days.in(-17),
    closesOn: days.in(11),
    revealOn: days.in(17),
  });
  const rules = run.rulesOf(owlet);
  run.publish(owlet);
  await run.send(owlet, "owlet", 11, (name) => owletEntry(name, rules), now - 16 * day, now - day / 2);
  run.sift(owlet, (i) => i < 8, now - day / 3);
}

/** Families of the open cabin: both riders aboard or not, four drops each of a low wall and then a higher one. */
function cabinEntry(name: string): EntryInput {
  const seed = seedOf("cabin", name);
  const drops = (chance: number, from: number): TrialInput[] =>
    [0, 1, 2, 3].map((i) => {
      const stayed = uniformAt(seed, from, i) < chance;
      return { ...blankTrial("tape"), outcome: stayed ? "passed" : "failed", seen: stayed ? [] : ["bounced-out"] };
    });
  const wallM = 0.04 + 0.01 * wholeBelow(2, seed, 1);
  return entry(`cabin-${name}`, [
    version("a cup on straw legs", { wallM }, drops(0.4, 10), { madeOf: "a cup, six straws" }),
    version("a higher wall", { wallM: wallM + 0.05 }, drops(0.85, 20), { madeOf: "a cup, six straws, card" }),
  ]);
}

/** Heights of the ladder, m. */
const heights = [0.8, 1.2, 1.6, 2, 2.4] as const;

/** Families of the owlet: one rung up after it came through whole; a wider canopy the second time. */
function owletEntry(name: string, rules: readonly string[]): EntryInput {
  const seed = seedOf("owlet", name);
  const climb = (reach: number, grams: number, from: number): TrialInput[] => {
    const drops: TrialInput[] = [];
    for (const [i, height] of heights.entries()) {
      const over = height - reach - 0.15 * noise(seed, from + i);
      const rung = over < 0 ? 0 : over < 0.3 ? 1 : over < 0.7 ? 2 : 3;
      drops.push({ ...blankTrial("tape"), outcome: "rung", rung, setting: `${height} m`, further: { buildMass: `${grams} g` } });
      if (rung > 0) break;
    }
    return drops;
  };
  const grams = 52 + wholeBelow(20, seed, 2);
  const reach = 1.2 + 0.25 * noise(seed, 3);
  const told = [
    version("a bag and half a tray", { canopy: "square", canopyM: 0.3 }, climb(reach, grams, 10), {
      madeOf: "a bag, string, half an egg tray",
    }),
    version("a wider bag", { canopy: "square", canopyM: 0.45 }, climb(reach + 0.5, grams + 6, 30), {
      madeOf: "a bigger bag, string, half an egg tray",
    }),
  ];
  return { ...entry(`owlet-${name}`, told), answers: rules.map((rule) => ({ rule, yes: true })) };
}
