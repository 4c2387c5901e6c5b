import type { DropIn, FloorDay, RunKind, SheetPart, Tap, TestRoom, UnitChoice } from "@lampcrate/core";
import type { BriefDoc } from "./brief.ts";
import type { SessionDoc } from "./run.ts";

/** What a floor of one session goes by. */
export interface FloorDoc {
  readonly session: SessionDoc;
  readonly run: {
    readonly id: string;
    readonly title: string;
    readonly kind: RunKind;
    readonly units: UnitChoice;
    readonly sheet: readonly SheetPart[] | null;
  };
  readonly brief: BriefDoc;
  /** The day as it was rehearsed; null where it wasn't. */
  readonly day: DropIn | null;
  readonly room: string;
  /** How long and high the room is, m; null where the session has none. */
  readonly testRoom: TestRoom | null;
  /** Names of what is in the crate. */
  readonly kit: readonly string[];
}

/** Taps sent by a tablet, and the newest of the server's that it has. */
export interface TapsInput {
  readonly after: number;
  readonly taps: readonly Tap[];
}

/** Taps that the server has got since; `next` is where to ask on. */
export interface TapsDoc {
  readonly taps: readonly Tap[];
  readonly next: number;
}

/** A session of a run whose floor was counted. */
export interface FloorDayDoc extends FloorDay {
  readonly sessionId: string;
  /** Local date. */
  readonly date: string;
}
