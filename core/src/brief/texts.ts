/** What of a brief is written in words, with places. */
export interface TextBrief {
  readonly story: string;
  readonly protocolNote: string;
  /** What one may win; empty where nothing. */
  readonly prize: string;
  readonly tiers: readonly { readonly words: string; readonly times: number | null }[];
  readonly rules: readonly { readonly words: string }[];
  readonly hints: readonly { readonly words: string }[];
  readonly cautions: readonly { readonly words: string }[];
}

/** Where a text stands: its path in the brief, and the multiple of the goal that its tier asks for. */
export interface TextPlace {
  readonly path: string;
  readonly times: number | null;
}

const lists = ["rules", "hints", "cautions"] as const;

/** A brief with each of its texts said anew. */
export function withTexts<B extends TextBrief>(brief: B, say: (text: string, place: TextPlace) => string): B {
  const listed = Object.fromEntries(
    lists.map((list) => [
      list,
      brief[list].map((item, i) => ({ ...item, words: say(item.words, { path: `${list}[${i}].words`, times: null }) })),
    ]),
  );
  return {
    ...brief,
    ...listed,
    story: say(brief.story, { path: "story", times: null }),
    protocolNote: say(brief.protocolNote, { path: "protocolNote", times: null }),
    prize: say(brief.prize, { path: "prize", times: null }),
    tiers: brief.tiers.map((tier, i) => ({ ...tier, words: say(tier.words, { path: `tiers[${i}].words`, times: tier.times }) })),
  };
}

/** Every text of a brief with its place. */
export function textsOf(brief: TextBrief): readonly (TextPlace & { readonly text: string })[] {
  const found: (TextPlace & { readonly text: string })[] = [];
  withTexts(brief, (text, place) => {
    found.push({ ...place, text });
    return text;
  });
  return found;
}
