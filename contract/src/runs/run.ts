import type { DropIn, FamilyId, HeadsModel, RunKind, RunSteps, SessionKind, SheetPart, Target, UnitChoice } from "@lampcrate/core";
import type { BriefDoc } from "./brief.ts";

export const runStatuses = ["draft", "published", "cancelled"] as const;
export type RunStatus = (typeof runStatuses)[number];
/** celebrate: no standings anywhere; goal-improved: two lists; best and mean rank. */
export const scorings = ["celebrate", "goal-improved", "best", "mean"] as const;
export type Scoring = (typeof scorings)[number];
/** What happens to entries when their time is over. */
export const afterwards = ["erase", "anonymise"] as const;

export interface RunSettings {
  readonly title: string;
  readonly kind: RunKind;
  /** Local dates; entries close at the end of the closing day. */
  readonly opensOn: string | null;
  readonly closesOn: string | null;
  readonly revealOn: string | null;
  readonly scoring: Scoring;
  readonly units: UnitChoice;
  /** Heads of one session before any session exists. */
  readonly heads: HeadsModel;
  readonly afterwards: (typeof afterwards)[number];
  /** A drop-in day as it was last rehearsed; null: as the brief suggests. */
  readonly rehearsal: Rehearsal | null;
  /** Days between its parts, in their order; null: no part waits for another. */
  readonly series: SeriesDays | null;
  /** What its sessions go through, in order; null: as is usual for its kind. */
  readonly sheet: readonly SheetPart[] | null;
}

/** A run's settings alone, of whatever carries them. */
export function settingsOf(of: RunSettings): RunSettings {
  const { title, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards, rehearsal, series, sheet } = of;
  return { title, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards, rehearsal, series, sheet };
}

/** The least and the most days, by local dates, between a part and the next. */
export interface SeriesDays {
  readonly leastDays: number | null;
  readonly mostDays: number | null;
}

/** A drop-in day, and what the planner asks of it. */
export interface Rehearsal {
  readonly day: DropIn;
  readonly targets: readonly Target[];
}

export interface RunSave extends RunSettings {
  readonly revision: number;
}

export interface NewRun {
  readonly title: string;
  readonly kind: RunKind;
  readonly family: FamilyId;
}

/** A run from a starter, under a title of its own. */
export interface StarterStart {
  readonly title: string;
  readonly kind: RunKind;
}

/** A run's copy: under a title of its own; with its sessions, the first on that day, or without. */
export interface DuplicateInput {
  readonly title: string;
  readonly startOn: string | null;
}

export interface SessionInput {
  readonly title: string;
  /** null: it takes no room, as a story hour on line. */
  readonly roomId: string | null;
  /** Wall clock in the house's zone, "2026-12-05T10:00". */
  readonly start: string;
  readonly minutes: number;
  readonly setUpMin: number;
  readonly tearDownMin: number;
  readonly heads: HeadsModel;
  /** Who is on it, by the house's people. */
  readonly people: readonly string[];
  /** Which part of a series it is, from 1; null: none. */
  readonly part: number | null;
  /** How it is held, where that isn't as its run is. */
  readonly kind: SessionKind;
  /** It doesn't take place, and holds no room. */
  readonly cancelled: boolean;
}

/** A session that repeats: its first, by which rule, and which of them are left out. */
export interface SessionRepeats extends SessionInput {
  /** RFC 5545, on the house's wall clock. */
  readonly rule: string;
  readonly exdates: readonly string[];
}

export interface SessionDoc extends SessionInput {
  readonly id: string;
  readonly runId: string;
  readonly revision: number;
  /** ms since 1970, UTC. */
  readonly startAt: number;
  readonly endAt: number;
  readonly zone: string;
  /** Sessions that one repeat made have the same; null for one by itself. */
  readonly repeatId: string | null;
}

export interface SessionSave extends SessionInput {
  readonly revision: number;
}

export interface RunDoc extends RunSettings {
  readonly id: string;
  readonly revision: number;
  readonly status: RunStatus;
  readonly code: string | null;
  /** Number of the version families see; null before the first. */
  readonly publishedVersion: number | null;
  /** True when the brief has changed since that version. */
  readonly changedSincePublished: boolean;
  readonly publicUrl: string;
  readonly brief: BriefDoc;
  readonly briefRevision: number;
  /** Put away: out of the season, with everything it holds. */
  readonly archived: boolean;
  readonly sessions: readonly SessionDoc[];
  readonly entries: { readonly waiting: number; readonly accepted: number; readonly setAside: number };
  /** What undo would take back, in words. */
  readonly undo: string | null;
  /** What was taken back last and would be done again, in words. */
  readonly redo: string | null;
}

/** A run on the season's time line. */
export interface RunSummary {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly family: FamilyId;
  readonly status: RunStatus;
  readonly code: string | null;
  readonly opensOn: string | null;
  readonly closesOn: string | null;
  readonly revealOn: string | null;
  readonly createdOn: string;
  readonly sessions: readonly {
    readonly id: string;
    readonly date: string;
    readonly startAt: number;
    readonly endAt: number;
    readonly title: string;
    readonly roomName: string;
    readonly cancelled: boolean;
  }[];
  /** What it asks for besides its crates. */
  readonly steps: RunSteps;
  readonly waiting: number;
  readonly accepted: number;
  readonly publishedVersion: number | null;
}

/** A run that was put away. */
export interface PutAwayRun {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly entries: number;
}

/** Something that must be done, with the day it is due. */
export interface ToDo {
  readonly id: string;
  readonly runId: string;
  readonly runTitle: string;
  /** Latest day to start. */
  readonly due: string;
  /** Working days from today until then; below 0: late. */
  readonly slack: number;
  readonly late: boolean;
  /** Nothing shows by itself that it is done: somebody says so. */
  readonly told: boolean;
  readonly words: string;
  readonly detail: string;
  readonly step: "buying" | "brief" | "crate" | "calendar" | "publish" | "sift" | "findings";
}

/** What somebody has said of a step: that it is done, and whose it is. */
export interface StepMark {
  /** The step's own id. */
  readonly id: string;
  readonly runId: string;
  readonly done: boolean;
  /** One of the house's people; null: nobody's yet. */
  readonly owner: string | null;
}

/** Word that a run's entries are about to go. */
export interface ErasingNotice {
  readonly runId: string;
  readonly title: string;
  /** Local date on which they go. */
  readonly dueOn: string;
  readonly afterwards: RunSettings["afterwards"];
  readonly entries: number;
  /** A planner has seen it. Unseen, it stands for seven days before anything goes. */
  readonly seen: boolean;
}

export interface SeasonDoc {
  readonly today: string;
  readonly zone: string;
  readonly runs: readonly RunSummary[];
  readonly closures: readonly { readonly from: string; readonly to: string; readonly why: string }[];
  readonly toDo: readonly ToDo[];
  readonly marks: readonly StepMark[];
  readonly missing: readonly { readonly words: string; readonly to: string }[];
  readonly erasing: readonly ErasingNotice[];
  /** Why nothing is erased for now, in words; null usually. */
  readonly clockHeld: string | null;
}
