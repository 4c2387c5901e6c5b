/** One hardship: what was tried, what came out, and whether that is what is promised. */
export interface Told {
  readonly tried: string;
  readonly came: string;
  readonly good: boolean;
}
