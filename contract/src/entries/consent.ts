/** What adults agree to: that measurements are kept, and that pictures are shown. */
export const consentParts = ["keep", "photo"] as const;
export type ConsentPart = (typeof consentParts)[number];

/** The words they agree to, "en-1": each language has its own, and keeps every version of them. */
export type ConsentVersion = string;

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
