import { BinomialDraws } from "../../random/discrete.ts";
import { seedOf, uniformAt } from "../../random/stream.ts";
import type { CrateInput, CrateSession } from "../crate/crate.ts";
import { drawLine, drawRebuilds, type LineDraws, type LineUse, returns } from "./demand.ts";
import { capOf, drawHeads } from "./heads.ts";

import { roundHalfUp } from "./rounding.ts";
import { unitsFor } from "./units.ts";

/** People of each draw over all sessions of the input; the same ones come to every day of a series, so there the fullest day counts. */
export function headsOf({ sessions, series }: CrateInput, draws: number): Float64Array {
  const total = new Float64Array(draws);
  const days = series && sessions.length > 0 ? [...series.before, ...sessions] : sessions;
  for (const session of days) {
    const came = cameTo(session, draws);
    for (let i = 0; i < draws; i += 1) total[i] = series ? Math.max(total[i] ?? 0, came[i] ?? 0) : (total[i] ?? 0) + (came[i] ?? 0);
  }
  if (series) for (const [i, n] of fullestOf(series.before, draws).entries()) total[i] = (total[i] ?? 0) - n;
  return total;
}

/** Each line's draws over all sessions of the input. */
export function runDraws(input: CrateInput, draws: number): readonly LineDraws[] {
  const days = input.sessions.map((session) => drawsOf(session.id, cameTo(session, draws), input));
  const { series } = input;
  if (!series)
    return input.lines.map((line) =>
      sumSessions(
        line,
        days.map((day) => day(line)),
        draws,
      ),
    );
  const before = fullestOf(series.before, draws);
  const until = fullestOf([...series.before, ...input.sessions], draws);
  const [had, has] = [drawsOf(series.id, before, input), drawsOf(series.id, until, input)];
  return input.lines.map((line) =>
    isInBag(line)
      ? toppedUp(had(line), has(line))
      : sumSessions(
          line,
          days.map((day) => day(line)),
          draws,
        ),
  );
}

/** What a builder or team keeps from day to day of a series. */
const isInBag = (line: LineUse): boolean => !returns(line) && (line.per === "builder" || line.per === "team" || line.per === "series");

function cameTo(session: CrateSession, draws: number): Int32Array {
  const came = drawHeads(session.heads, session.id, draws);
  const { scale = 1 } = session;
  if (scale === 1) return came;
  const most = capOf(session.heads);
  return came.map((n) => Math.min(most, roundHalfUp(n * scale)));
}

function fullestOf(sessions: readonly CrateSession[], draws: number): Int32Array {
  const fullest = new Int32Array(draws);
  for (const session of sessions) {
    const came = cameTo(session, draws);
    for (let i = 0; i < draws; i += 1) fullest[i] = Math.max(fullest[i] ?? 0, came[i] ?? 0);
  }
  return fullest;
}

/** What the bags of those there by now take beyond the bags of those there before. */
function toppedUp(had: LineDraws, has: LineDraws): LineDraws {
  return {
    draws: has.draws.map((use, i) => Math.max(0, use - (had.draws[i] ?? 0))),
    base: has.base - had.base,
    rebuild: has.rebuild - had.rebuild,
    spoilt: has.spoilt - had.spoilt,
  };
}

/** Draws of any line for so many builders a draw; rebuilds are drawn once and shared by all lines of the unit that builds. */
function drawsOf(seed: string, heads: Int32Array, input: CrateInput): (line: LineUse) => LineDraws {
  const { buildBy } = input.rebuilding;
  const builders = heads.map((n) => unitsFor(buildBy, n, input.grouping));
  const tiers = splitTiers(builders, input.tiers ?? [], seed);
  const none = new Int32Array(heads.length);
  const rebuilds = new Map<string, Int32Array>();
  const rebuildsOf = (tier: string, units: Int32Array): Int32Array => {
    const known = rebuilds.get(tier) ?? drawRebuilds(units, input.rebuilding, tier === "" ? seed : `${seed} ${tier}`);
    rebuilds.set(tier, known);
    return known;
  };
  return (line) => {
    const builds = line.per === buildBy;
    const ofTier = line.tier === undefined ? undefined : tiers.get(line.tier);
    const units = builds ? (ofTier ?? builders) : heads.map((n) => unitsFor(line.per, n, input.grouping));
    return drawLine(line, units, builds ? rebuildsOf(ofTier && line.tier !== undefined ? line.tier : "", units) : none, seed);
  };
}

/** U split by Multinomial(tier shares): one binomial after another of what is left. */
function splitTiers(units: Int32Array, tiers: readonly { id: string; share: number }[], seed: string): Map<string, Int32Array> {
  const split = new Map<string, Int32Array>();
  let left = units;
  let share = tiers.reduce((sum, tier) => sum + tier.share, 0);
  for (const tier of tiers) {
    const draws = new BinomialDraws(share > 0 ? Math.min(1, tier.share / share) : 0);
    const stream = seedOf(seed, "tier", tier.id);
    const taken = left.map((n, i) => draws.at(n, uniformAt(stream, i)));
    split.set(tier.id, taken);
    left = left.map((n, i) => n - (taken[i] ?? 0));
    share -= tier.share;
  }
  return split;
}

/** A run's draws: what is used adds up; what comes back is the greatest need of a session plus what was lost before it. */
function sumSessions(line: LineUse, sessions: readonly LineDraws[], draws: number): LineDraws {
  const [first] = sessions;
  if (!first) return { draws: new Float64Array(draws), base: 0, rebuild: 0, spoilt: 0 };
  if (sessions.length === 1) return first;
  const sum = (part: (s: LineDraws) => number): number => sessions.reduce((total, s) => total + part(s), 0);
  const spoilt = sum((s) => s.spoilt);
  if (!returns(line)) {
    const total = new Float64Array(draws);
    for (const session of sessions) for (let i = 0; i < draws; i += 1) total[i] = (total[i] ?? 0) + (session.draws[i] ?? 0);
    return { draws: total, base: sum((s) => s.base), rebuild: sum((s) => s.rebuild), spoilt };
  }
  const most = new Float64Array(draws);
  let before = 0;
  for (const session of sessions) {
    for (let i = 0; i < draws; i += 1) most[i] = Math.max(most[i] ?? 0, (session.draws[i] ?? 0) + Math.round(before));
    before += session.spoilt;
  }
  return { draws: most, base: Math.max(...sessions.map((s) => s.base)), rebuild: 0, spoilt };
}
