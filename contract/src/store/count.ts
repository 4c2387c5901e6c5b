/** What one line was put out with and what came back, in the material's unit (pieces, mm, g, ml). */
export interface LineCount {
  readonly lineId: string;
  readonly putOut: number;
  readonly left: number;
  /** Pieces spoilt; 0 for what is measured. */
  readonly spoilt: number;
}

/** What was counted after a session. */
export interface CountInput {
  readonly builders: number;
  /** How many built a second version, how many of those a third, and so on. */
  readonly rebuilds: readonly number[];
  readonly lines: readonly LineCount[];
}

export interface CountDoc extends CountInput {
  readonly sessionId: string;
  /** Local date of the session. */
  readonly date: string;
  readonly by: string;
}
