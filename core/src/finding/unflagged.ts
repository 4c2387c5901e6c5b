/** What of an entry a sifter would have to look at. */
export interface Sifted {
  readonly state: string;
  readonly said: string;
  readonly versions: readonly {
    readonly pictures: readonly unknown[];
    readonly trials: readonly { readonly flag: string | null }[];
  }[];
  readonly answers: readonly { readonly yes: boolean }[];
  readonly asks: readonly { readonly answer: string | null }[];
}

/**
 * Whether an entry may be accepted with others at once: it waits, no number of it is odd, no rule was answered with no, it
 * has no pictures, which others will see, no words, and nothing was asked of its family.
 */
export function isUnflagged({ state, said, versions, answers, asks }: Sifted): boolean {
  const isPlain = versions.every(({ pictures, trials }) => pictures.length === 0 && trials.every(({ flag }) => flag === null));
  return state === "waiting" && isPlain && said.trim() === "" && answers.every(({ yes }) => yes) && asks.length === 0;
}
