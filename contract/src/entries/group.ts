import type { ClaimDoc } from "../findings/prize.ts";
import type { SheetDoc } from "../runs/public.ts";
import type { ConsentVersion } from "./consent.ts";
import type { AgeBand, EntryDoc, VersionInput } from "./entry.ts";
import type { LetterDoc } from "./letters.ts";

/** Builders on one group sheet. */
export const mostBuilders = 60;

/** One builder of a group: an entry of its own, opened by the leader's link with its row behind a ~. */
export interface GroupRow {
  readonly id: string;
  /** Its row on the sheet, from 1. */
  readonly row: number;
  readonly versions: readonly VersionInput[];
}

/** What a leader sends for a whole group: all of it is kept, or none. The device makes ids and secrets. */
export interface GroupInput {
  readonly id: string;
  readonly secret: string;
  readonly ageBand: AgeBand | null;
  /** An adult agreed for every builder on it. */
  readonly consentKeep: boolean;
  readonly consentVersion: ConsentVersion;
  readonly rows: readonly GroupRow[];
}

/** Made-up names, in the sheet's order. */
export interface GroupReceipt {
  readonly aliases: readonly string[];
}

/** A group behind its leader's link: what is left of its builders, in the sheet's order. */
export interface GroupDoc {
  readonly sheet: SheetDoc;
  readonly entries: readonly EntryDoc[];
  /** What its leader was written, the newest first. */
  readonly letters: readonly LetterDoc[];
  /** What its builders have won. */
  readonly claims: readonly ClaimDoc[];
}
