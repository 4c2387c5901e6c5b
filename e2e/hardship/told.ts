/** One hardship: what was tried, what came out, and whether that is what is promised. */
export interface Told {
  readonly tried: string;
  readonly came: string;
  readonly good: boolean;
  /** A matter of speed alone: told and written down, but no reason for a test to fail on a busy machine. */
  readonly timed?: boolean;
}
