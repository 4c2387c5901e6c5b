/** What adults agree to: that measurements are kept, and that pictures are shown. */
export const consentParts = ["keep", "photo"] as const;
export type ConsentPart = (typeof consentParts)[number];

/** The words they agree to, by version. A version never changes: other words are another version. */
export const consentWords = {
  "en-1": {
    keep: "I am an adult, and I agree that these measurements are kept.",
    photo: "These pictures may be shown with the results, once somebody at the house has looked at them. It is a separate choice.",
  },
} as const satisfies Readonly<Record<string, Readonly<Record<ConsentPart, string>>>>;

export type ConsentVersion = keyof typeof consentWords;
export const consentVersions = Object.keys(consentWords) as readonly ConsentVersion[];

/** What an adult said last to one of them: yes or no, when, and in answer to which words. */
export interface ConsentDoc {
  readonly part: ConsentPart;
  readonly given: boolean;
  readonly at: number;
  readonly words: string;
}

/** An adult decides anew about pictures. */
export interface PhotoConsent {
  readonly given: boolean;
  readonly version: ConsentVersion;
}
