import { type HeadsModel, likelyHeads } from "../kit/draws/heads.ts";
import { forwardPlan } from "./backPlan.ts";
import { addDays } from "./wallClock.ts";
import { type WorkingDays, workingDayOnOrBefore } from "./workingDays.ts";

/** How a house gathers what families send. Days are calendar days. */
export interface Gathering {
  /** The sheet is published so long before entries open, or before the first session. */
  readonly publishDays: number;
  /** Families are reminded so long before entries close. */
  readonly remindDays: readonly number[];
  /** Looking at one entry takes so long, min. */
  readonly siftMinutes: number;
  /** Somebody has so long for it on a working day, min. */
  readonly siftMinutesADay: number;
  /** Share of the builders that send an entry. */
  readonly returns: number;
}

/** Our own start, until a house says otherwise. */
export const usualGathering: Gathering = { publishDays: 3, remindDays: [3], siftMinutes: 2, siftMinutesADay: 30, returns: 0.3 };

/** A run's own days, local dates, and who may send; null: none yet. */
export interface RunDays {
  readonly opensOn: string | null;
  readonly closesOn: string | null;
  readonly revealOn: string | null;
  /** Entries that have come. */
  readonly came: number;
  /** Who builds, before any session has a day. */
  readonly heads: HeadsModel;
  /** In order of date. */
  readonly sessions: readonly { readonly date: string; readonly heads: HeadsModel; readonly cancelled: boolean }[];
}

/** What of a house its runs' steps rest on. */
export interface StepsHouse extends Pick<WorkingDays, "closures"> {
  readonly keepingDays: number;
  readonly gathering: Gathering;
  readonly preparing: Pick<WorkingDays, "weekdays">;
}

/** What a run asks for besides its crates: the sheet before it opens, and all that follows from its closing date. */
export interface RunSteps {
  /** Last day to publish the sheet. */
  readonly publish: string | null;
  readonly remind: readonly string[];
  /** Working days on which entries are looked at, first and last. */
  readonly sift: { readonly from: string; readonly to: string; readonly entries: number } | null;
  /** The day set for the reveal, or else the first on which it can be. */
  readonly reveal: string | null;
  /** The first day on which it can be. */
  readonly revealFrom: string | null;
  /** Last day on which entries are there. */
  readonly erase: string | null;
}

/** The day on which a run's entries go; null while it has neither reveal nor closing day. */
export function keptUntil({ revealOn, closesOn }: Pick<RunDays, "revealOn" | "closesOn">, keepingDays: number): string | null {
  const from = revealOn ?? closesOn;
  return from === null ? null : addDays(from, keepingDays);
}

/** Days on which families are reminded that entries close, in order; nobody is reminded before there is anything to send to. */
export function reminderDays(
  { opensOn, closesOn }: Pick<RunDays, "opensOn" | "closesOn">,
  remindDays: readonly number[],
): readonly string[] {
  if (closesOn === null) return [];
  return remindDays
    .map((n) => addDays(closesOn, -n))
    .filter((day) => opensOn === null || day > opensOn)
    .sort();
}

/** Entries to be looked at in all: what has come, or the share of the builders likely to come that sends in, if that is more. */
function expectedEntries({ came, heads, sessions }: RunDays, { returns }: Gathering): number {
  const held = sessions.filter(({ cancelled }) => !cancelled).map((session) => session.heads);
  const builders = (held.length === 0 ? [heads] : held).reduce((sum, one) => sum + likelyHeads(one), 0);
  return Math.max(came, Math.round(builders * returns));
}

/** When a run's sheet goes out and what follows its closing date, on the house's working days. */
export function runSteps(run: RunDays, today: string, { keepingDays, gathering, preparing, closures }: StepsHouse): RunSteps {
  const days = { weekdays: preparing.weekdays, closures };
  const { opensOn, closesOn, revealOn, sessions } = run;
  const dates = sessions.filter(({ cancelled }) => !cancelled).map(({ date }) => date);
  // The next session, or the first when all are over.
  const firstOn = dates.find((date) => date >= today) ?? dates[0] ?? null;
  const entries = expectedEntries(run, gathering);
  const begins = opensOn ?? firstOn;
  const publish = begins === null ? null : workingDayOnOrBefore(addDays(begins, -gathering.publishDays), days);
  const forward =
    closesOn === null
      ? null
      : forwardPlan(
          {
            closes: closesOn,
            remindDaysBefore: gathering.remindDays,
            expectedEntries: entries,
            minutesPerEntry: gathering.siftMinutes,
            minutesPerDay: gathering.siftMinutesADay,
            keepDays: keepingDays,
          },
          days,
        );
  return {
    publish,
    remind: reminderDays(run, gathering.remindDays),
    sift: forward && { from: forward.siftFrom, to: forward.siftTo, entries },
    reveal: revealOn ?? forward?.reveal ?? null,
    revealFrom: forward?.reveal ?? null,
    erase: keptUntil(run, keepingDays),
  };
}
