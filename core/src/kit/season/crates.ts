import { backPlan } from "../../calendar/backPlan.ts";
import { addDays } from "../../calendar/wallClock.ts";
import { type WorkingDays, workingDayOnOrBefore } from "../../calendar/workingDays.ts";
import { goesHome } from "../brief/crateInput.ts";
import type { CrateInput, CrateSession } from "../crate/crate.ts";
import { type Manifest, sizeCrate } from "../crate/manifest.ts";
import type { CutPlan } from "../cutting/cut.ts";
import { cutLayout } from "../cutting/cutLayout.ts";
import { returns } from "../draws/demand.ts";
import type { HeadsModel } from "../draws/heads.ts";
import { type CrateTask, crateTasks, type WorkTimes } from "../preparing/crateTasks.ts";
import { preparation } from "../preparing/prepare.ts";

/** A dated session of a run; `from` and `to` with set-up and tear-down, ms since 1970. */
export interface SeasonSession extends CrateSession {
  readonly title: string;
  readonly date: string;
  readonly from: number;
  readonly to: number;
  readonly heads: HeadsModel;
  /** Kits are handed out and nothing is built there: only what goes home is packed. */
  readonly pickUp?: boolean;
}

/** A run of the season: what its crates are sized from, and which material each line is. */
export interface SeasonRun {
  readonly id: string;
  readonly title: string;
  /** Its days build on each other: one bag for all. */
  readonly isSeries: boolean;
  readonly crate: Omit<CrateInput, "sessions" | "series">;
  readonly materialOf: Readonly<Record<string, string>>;
  /** Lines that nobody packs: from the house. */
  readonly unpacked: readonly string[];
  /** Every session that isn't cancelled, in order of date. */
  readonly sessions: readonly SeasonSession[];
}

/** Who prepares, how long each working day, and how fast. */
export interface Preparing extends WorkingDays {
  readonly people: number;
  readonly hours: number;
  readonly times: WorkTimes;
}

/** What a crate takes of one material; parents for what is cut. */
export interface CrateNeed {
  readonly material: string;
  readonly amount: number;
  readonly reusable: boolean;
  /** Items expected lost, of what comes back. */
  readonly lost: number;
}

/** One session's crate with its days: when it must be ready, and when what is ordered must have come. */
export interface SeasonCrate {
  readonly id: string;
  readonly runId: string;
  readonly runTitle: string;
  readonly title: string;
  readonly date: string;
  readonly from: number;
  readonly to: number;
  readonly manifest: Manifest;
  readonly needs: readonly CrateNeed[];
  readonly tasks: readonly CrateTask[];
  readonly personHours: number;
  /** Latest day to start preparing. */
  readonly prepareFrom: string;
  /** Last day on which an order for it may arrive: the working day before preparing must start. */
  readonly arriveBy: string;
}

/** A crate with its run and the draws it was sized from, line by line. */
export interface DrawnCrate {
  readonly crate: SeasonCrate;
  readonly run: SeasonRun;
  readonly uses: readonly Float64Array[];
}

/** A crate that is still to be sized: the run's session at a place. */
export interface UnsizedCrate {
  readonly run: SeasonRun;
  readonly place: number;
  readonly session: SeasonSession;
}

/** The crate of every session that is still to come, in order of date. */
export function unsizedCrates(runs: readonly SeasonRun[], now: number): readonly UnsizedCrate[] {
  return runs
    .flatMap((run) => run.sessions.flatMap((session, place) => (session.to > now ? [{ run, place, session }] : [])))
    .sort((a, b) => a.session.from - b.session.from || a.session.id.localeCompare(b.session.id));
}

/** Everything that a crate is sized from, in words: the same words, the same crate. */
export function crateKey({ run, place, session }: UnsizedCrate, today: string, preparing: Preparing): string {
  const { sessions, ...of } = run;
  return JSON.stringify([of, run.isSeries ? sessions.slice(0, place) : [], session, today, preparing]);
}

/** The same crates, sized. */
export function seasonCrates(runs: readonly SeasonRun[], now: number, today: string, preparing: Preparing): readonly SeasonCrate[] {
  return drawnCrates(runs, now, today, preparing).map(({ crate }) => crate);
}

/** The same, with the draws behind them. */
export function drawnCrates(runs: readonly SeasonRun[], now: number, today: string, preparing: Preparing): readonly DrawnCrate[] {
  return unsizedCrates(runs, now).map((one) => drawnCrate(one, today, preparing));
}

/** When the last session that is over ended, by `now`; 0 when none is. The crates still to come are the same from then until now. */
export function lastOver(runs: readonly Pick<SeasonRun, "sessions">[], now: number): number {
  return runs.flatMap((run) => run.sessions).reduce((last, { to }) => (to <= now ? Math.max(last, to) : last), 0);
}

/** One crate, sized, with the draws behind it. */
export function drawnCrate({ run, place, session }: UnsizedCrate, today: string, preparing: Preparing): DrawnCrate {
  const series = run.isSeries ? { before: run.sessions.slice(0, place) } : undefined;
  const lines = session.pickUp ? run.crate.lines.filter(goesHome) : run.crate.lines;
  const { manifest, uses } = sizeCrate({ ...run.crate, lines, sessions: [session], series });
  const tasks = tasksOf(run, manifest, preparing.times);
  const { personHours } = preparation(tasks, []);
  const minutesPerDay = Math.max(1, preparing.people * preparing.hours * 60);
  const { steps } = backPlan(session.date, today, [{ id: "prepare", after: [], minutes: personHours * 60, minutesPerDay }], preparing);
  const prepareFrom = steps[0]?.latestStart ?? session.date;
  const crate: SeasonCrate = {
    id: session.id,
    runId: run.id,
    runTitle: run.title,
    title: session.title,
    date: session.date,
    from: session.from,
    to: session.to,
    manifest,
    needs: needsOf(run, manifest),
    tasks,
    personHours,
    prepareFrom,
    arriveBy: workingDayOnOrBefore(addDays(prepareFrom, -1), preparing),
  };
  return { crate, run, uses };
}

/** Work on a crate: what is cut, what is counted out, what is bagged. */
export function tasksOf(
  { crate, unpacked }: Pick<SeasonRun, "crate" | "unpacked">,
  manifest: Manifest,
  times: WorkTimes,
): readonly CrateTask[] {
  const packed = crate.lines.filter((line) => !unpacked.includes(line.id));
  const bagged = packed.some((line) => line.per === crate.rebuilding.buildBy && line.kind !== "reusable");
  const work = packed.map((line) => {
    const found = manifest.lines.find((l) => l.id === line.id);
    const cuts = line.cut && found?.parents ? cutsOf(line.cut) : 0;
    const portions = line.kind === "measured" ? manifest.bags : (found?.quantity ?? 0);
    return { id: line.id, sheets: cuts > 0 ? { count: found?.parents ?? 0, cuts } : null, portions };
  });
  return crateTasks(work, bagged ? manifest.bags : 0, times);
}

/** Straight separations of one parent; each pair of triangles takes one more. */
function cutsOf(plan: CutPlan): number {
  const layout = cutLayout(plan);
  return layout === null ? 0 : layout.cuts.length + (plan.perRectangle === 2 ? layout.pieces.length : 0);
}

function needsOf(run: SeasonRun, manifest: Manifest): readonly CrateNeed[] {
  const needs = new Map<string, CrateNeed>();
  for (const line of run.crate.lines) {
    const material = run.materialOf[line.id];
    const found = manifest.lines.find((l) => l.id === line.id);
    if (material === undefined || !found) continue;
    const had = needs.get(material);
    const amount = (found.parents ?? found.quantity) + (had?.amount ?? 0);
    const lost = (line.kind === "reusable" ? line.loss : 0) + (had?.lost ?? 0);
    needs.set(material, { material, amount, lost, reusable: returns(line) && (had?.reusable ?? true) });
  }
  return [...needs.values()].filter((need) => need.amount > 0);
}
