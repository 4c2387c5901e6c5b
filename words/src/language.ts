import type { Language } from "@lampcrate/core";
import type { Words } from "./en.ts";

/** The words that an adult agrees to: that measurements are kept, and that pictures are shown. */
export interface ConsentWords {
  readonly keep: string;
  readonly photo: string;
  /** What a leader says for every builder of a group. */
  readonly group: string;
}

/** A language in which families read their pages: all of it in one file. */
export interface FamilyLanguage extends Language {
  readonly pages: Words;
  /** What is agreed to, by version; the last one is shown now. A version never changes: other words are another version. */
  readonly consents: Readonly<Record<string, ConsentWords>>;
}
