/** Why stock moved. Stock is the sum of its moves; none is ever overwritten. */
export const moveReasons = ["opening", "count day", "arrived", "collected", "session", "used up", "lost or broken", "put right"] as const;
export type MoveReason = (typeof moveReasons)[number];

/** Reasons that people may give themselves; the others come from what they do elsewhere. */
export const givenReasons = ["collected", "used up", "lost or broken", "put right"] as const satisfies readonly MoveReason[];

export interface MoveInput {
  /** In the material's unit; below 0 when stock goes out. */
  readonly amount: number;
  readonly reason: (typeof givenReasons)[number];
  readonly words: string;
}

export interface MoveDoc {
  readonly id: number;
  readonly amount: number;
  readonly reason: MoveReason;
  readonly words: string;
  readonly by: string;
  /** ms since 1970, UTC. */
  readonly at: number;
  /** What there was after it. */
  readonly after: number;
}

/** A count day: what was counted of each material, and what the list said when counting began. */
export interface StockCountInput {
  readonly counts: readonly { readonly materialId: string; readonly counted: number; readonly listed: number }[];
}

/** A session that was held and not counted. */
export interface UncountedSession {
  readonly id: string;
  readonly runId: string;
  readonly runTitle: string;
  /** Local date of the house. */
  readonly date: string;
}

export interface CsvInput {
  readonly text: string;
}

/** What a store room file would do, row by row; nothing is written while anything is wrong. */
export interface CsvPreview {
  readonly rows: readonly {
    readonly row: number;
    readonly name: string;
    readonly does: "adds" | "changes" | "leaves as it is";
    readonly words: readonly string[];
  }[];
  readonly wrong: readonly { readonly row: number; readonly column: string; readonly message: string }[];
}
