import { BinomialDraws } from "../../random/discrete.ts";
import { seedOf, uniformAt } from "../../random/stream.ts";
import type { CrateInput, CrateSession } from "../crate/crate.ts";
import { drawLine, drawRebuilds, type LineDraws, type LineUse, returns } from "./demand.ts";
import { capOf, drawHeads } from "./heads.ts";

import { roundHalfUp } from "./rounding.ts";
import { type Per, unitsFor } from "./units.ts";

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
  const days = input.sessions.map((session) => {
    const came = cameTo(session, draws);
    return drawsOf(session.id, (per) => came.map((n) => unitsFor(per, n, input.grouping)), input);
  });
  const { series } = input;
  if (!series)
    return input.lines.map((line) =>
      sumSessions(
        line,
        days.map((day) => day(line)),
        draws,
      ),
    );
  const added = addedOn(input, series.before, draws);
  return input.lines.map((line) =>
    isInBag(line)
      ? added(line)
      : sumSessions(
          line,
          days.map((day) => day(line)),
          draws,
        ),
  );
}

/**
 * What the bags of those who come to these days of a series and to none before take. They are drawn anew: between two
 * draws of all the bags, each from the same numbers, the difference would vary far less than what the new ones really use.
 */
function addedOn(input: CrateInput, earlier: readonly CrateSession[], draws: number): (line: LineUse) => LineDraws {
  const { sessions } = input;
  const before = fullestOf(earlier, draws);
  const until = fullestOf(sessions, draws).map((n, i) => Math.max(n, before[i] ?? 0));
  const added = (per: Per): Int32Array =>
    until.map((n, i) => unitsFor(per, n, input.grouping) - unitsFor(per, before[i] ?? 0, input.grouping));
  return drawsOf(sessions.map((session) => session.id).join(" "), added, input);
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

/** Draws of any line for so many units a draw; rebuilds are drawn once and shared by all lines of the unit that builds. */
function drawsOf(seed: string, unitsOf: (per: Per) => Int32Array, input: CrateInput): (line: LineUse) => LineDraws {
  const { buildBy } = input.rebuilding;
  const builds = unitsOf(buildBy);
  const tiers = splitTiers(builds, input.tiers ?? [], seed);
  const none = new Int32Array(builds.length);
  const rebuilds = new Map<string, Int32Array>();
  const rebuildsOf = (tier: string, units: Int32Array): Int32Array => {
    const known = rebuilds.get(tier) ?? drawRebuilds(units, input.rebuilding, tier === "" ? seed : `${seed} ${tier}`);
    rebuilds.set(tier, known);
    return known;
  };
  return (line) => {
    if (line.per !== buildBy) return drawLine(line, unitsOf(line.per), none, seed);
    const ofTier = line.tier === undefined ? undefined : tiers.get(line.tier);
    return drawLine(line, ofTier ?? builds, rebuildsOf(ofTier && line.tier !== undefined ? line.tier : "", ofTier ?? builds), seed);
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
