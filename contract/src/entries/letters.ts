/** What a house writes to families: a sifter's question, thanks for an entry, that entries close soon, that the reveal is up, that they have won. */
export const letterKinds = ["question", "thanks", "reminder", "reveal", "won"] as const;
export type LetterKind = (typeof letterKinds)[number];

/** A letter as its family reads it behind the private link: nothing is ever sent anywhere. */
export interface LetterDoc {
  readonly id: string;
  readonly kind: LetterKind;
  readonly at: number;
  readonly subject: string;
  readonly body: string;
}

/** A letter as staff see it in the outbox. */
export interface OutboxLine extends LetterDoc {
  /** A made-up name; null where it is for whoever leads a group. */
  readonly alias: string | null;
  /** Builders on the group's sheet; null where it is for one entry. */
  readonly builders: number | null;
  /** In which it is written, as BCP 47 has it. */
  readonly language: string;
}

/** Some of a run's letters, the newest first. */
export interface OutboxPage {
  readonly lines: readonly OutboxLine[];
  readonly total: number;
  /** Where the next page begins; null on the last. */
  readonly next: number | null;
  readonly counts: Readonly<Record<LetterKind, number>>;
}
