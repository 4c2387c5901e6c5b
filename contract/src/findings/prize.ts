/** Among whom a prize is drawn: those accepted who met the goal of their sheet, or all accepted. */
export const drawnAmong = ["goal", "all"] as const;
export type DrawnAmong = (typeof drawnAmong)[number];

/** How a planner has a prize drawn. */
export interface PrizeInput {
  readonly winners: number;
  readonly among: DrawnAmong;
}

/** A winner, as staff see it: the code is behind the family's private link alone. */
export interface PrizeWin {
  readonly alias: string;
  /** When it was handed out; null until its code has been shown. */
  readonly claimedAt: number | null;
}

/** A draw as it was made: with its seed and its list anyone can repeat it. */
export interface PrizeDrawn {
  readonly at: number;
  /** Who drew. */
  readonly by: string;
  readonly among: DrawnAmong;
  readonly qualifiers: number;
  readonly seed: number;
  /** In the order drawn; those who have been erased since are missing. */
  readonly wins: readonly PrizeWin[];
}

export interface PrizeDoc {
  /** What one may win, in the words of the published brief; "" where it says nothing. */
  readonly prize: string;
  /** Whether entries have closed: a draw waits for that. */
  readonly closed: boolean;
  readonly qualify: Readonly<Record<DrawnAmong, number>>;
  readonly drawn: PrizeDrawn | null;
}

/** What a winner shows, as it is typed in at the house. */
export interface ClaimInput {
  readonly code: string;
}

/** A winner's own claim, behind the private link. */
export interface ClaimDoc {
  readonly alias: string;
  readonly code: string;
  readonly claimedAt: number | null;
}
