import type { Band, Measure, Spread, VersionRole } from "@lampcrate/core";

/** An inclusive range, SI; null where nothing bounds it. */
export type OpenRange = readonly [low: number | null, high: number | null];

/** What one version of an entry is held against. */
export interface VersionEvidence {
  readonly number: number;
  readonly role: VersionRole;
  /** Impossible outside this. */
  readonly hard: OpenRange;
  /** Rare outside this. */
  readonly soft: OpenRange;
  /** null for a bare test. */
  readonly predicted: Band | null;
}

/** What an entry is judged beside: what its sheet makes possible and likely, and what all others of the run measured. */
export interface EvidenceDoc {
  readonly entryId: string;
  readonly measure: Measure;
  readonly goal: number;
  readonly versions: readonly VersionEvidence[];
  /** Values of all other entries that count or wait, of builds of the same measure. */
  readonly others: Spread;
}
