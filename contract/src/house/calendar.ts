import type { FamilyId, RunKind, SessionAsks } from "@lampcrate/core";
import type { RunStatus, SeriesDays, SessionDoc, SessionInput, SessionSave } from "../runs/run.ts";

/** What a feed is of. */
export const feedScopes = ["house", "room", "person"] as const;
export type FeedScope = (typeof feedScopes)[number];

/** A session of any run, as the house's calendar shows it. */
export interface CalendarSession extends SessionDoc {
  readonly asks: SessionAsks;
}

/** A run, as far as the calendar of the house goes. */
export interface CalendarRun {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly family: FamilyId;
  readonly status: RunStatus;
  readonly opensOn: string | null;
  readonly closesOn: string | null;
  readonly series: SeriesDays | null;
  /** What one more session of it would be like: as its last one, or as its kit has it. */
  readonly next: Pick<SessionInput, "minutes" | "setUpMin" | "tearDownMin" | "heads"> & { readonly asks: SessionAsks };
}

/** Every session of the house. */
export interface CalendarDoc {
  readonly runs: readonly CalendarRun[];
  readonly sessions: readonly CalendarSession[];
  /** What this person's undo would take back here, and what it would do again, in words. */
  readonly undo: string | null;
  readonly redo: string | null;
}

/** Sessions changed and added together, all or none, as one step that can be undone. */
export interface CalendarSave {
  readonly words: string;
  readonly changes: readonly (SessionSave & { readonly id: string })[];
  readonly adds: readonly (SessionInput & { readonly runId: string })[];
}

/** A feed that can be read elsewhere. */
export interface FeedDoc {
  readonly id: string;
  readonly scope: FeedScope;
  readonly subject: string;
  readonly madeAt: number;
}

export interface FeedInput {
  readonly scope: FeedScope;
  readonly subject: string;
}

/** A feed with the address that is told once. */
export interface NewFeed extends FeedDoc {
  readonly address: string;
}
