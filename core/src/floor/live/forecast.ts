import type { Asking } from "../../calendar/sessionAsks.ts";
import { sessionAsks } from "../../calendar/sessionAsks.ts";
import { families } from "../../family/families.ts";
import { likelyHeads } from "../../kit/draws/heads.ts";
import { ceiling } from "../../kit/draws/rounding.ts";
import type { DropIn } from "../dropIn.ts";
import { usualDay } from "../usualDay.ts";
import type { FloorForecast } from "./ahead.ts";

const minute = 60_000;

interface FloorAsking extends Omit<Asking, "day" | "held"> {
  readonly brief: Asking["brief"] & {
    readonly buildBy: "builder" | "team";
    readonly teamSize: number;
    readonly buildMinutes: number;
    readonly trials: number;
    readonly rebuildRate: number;
    readonly loops: number;
  };
  readonly day: DropIn | null;
  /** ms since 1970, and min. */
  readonly startAt: number;
  readonly minutes: number;
}

/** What a floor is held against: the day as it was rehearsed, else as brief and heads suggest; and its rigs. */
export function floorForecast({ brief, kind, heads, day, startAt, minutes }: FloorAsking): FloorForecast & { readonly rigs: number } {
  const { rigs } = sessionAsks({ brief, kind, held: "as the run", heads, day });
  const builders = likelyHeads(heads);
  const { minutesPerTrial } = families[brief.family].needs(brief.spec);
  const held =
    day ??
    usualDay({
      minutes,
      builders,
      unit: brief.buildBy,
      seats: null,
      kits: null,
      rigs,
      buildMinutes: brief.buildMinutes,
      trials: brief.trials,
      minutesPerTrial,
      rebuildChance: brief.rebuildRate,
      mostRebuilds: brief.loops,
    });
  const mean =
    held.partySizeShares.reduce((sum, share, i) => sum + share * (i + 1), 0) / held.partySizeShares.reduce((sum, share) => sum + share, 0);
  const kits = day
    ? day.expectedParties * (day.unit === "team" ? 1 : mean)
    : brief.buildBy === "team"
      ? ceiling(builders / brief.teamSize)
      : builders;
  return {
    opensAt: startAt,
    closesAt: startAt + minutes * minute,
    kits,
    // A workshop's builders come all at once.
    weights: kind === "drop-in" ? held.weights : [1],
    testMin: Math.max(0.5, held.trials * held.trial.meanMin),
    rigs: Math.max(1, rigs),
  };
}
