import type { ConsentVersion } from "./consent.ts";
import type { AgeBand, EntryDoc, VersionInput } from "./entry.ts";

/** What came by mail or on paper, keyed in by staff with the consent as it was given there. */
export interface KeyedInput {
  readonly ageBand: AgeBand | null;
  readonly consentKeep: boolean;
  readonly consentPhoto: boolean;
  /** Which words were agreed to: those of the sheet in its language. */
  readonly consentVersion: ConsentVersion;
  readonly said: string;
  readonly versions: readonly VersionInput[];
}

/** An entry that was keyed in, with the private link that is handed on to its family; shown once. */
export interface KeyedDoc {
  readonly entry: EntryDoc;
  readonly secret: string;
}
