import { learnToRead, spokenNow } from "@lampcrate/core";
import { en, type Words } from "./en.ts";
import type { ConsentWords, FamilyLanguage } from "./language.ts";

export type { FamilyLanguage, Words };
export { en };

/** Every language in which families may read, with what it calls itself and what is agreed to in it now. A new one is its file and its line here. */
const files = {
  en: { name: "English", consent: "en-1", fetched: async () => en },
  es: { name: "Español", consent: "es-1", fetched: async () => (await import("./es.ts")).es },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly consent: string; readonly fetched: () => Promise<FamilyLanguage> }>
>;

export type LanguageId = keyof typeof files;
export const languageIds = Object.keys(files) as readonly LanguageId[];

export const isLanguage = (id: string): id is LanguageId => Object.hasOwn(files, id);

/** What a language calls itself. */
export const languageName = (id: LanguageId): string => files[id].name;

/** The version of what adults agree to that a language shows now. */
export const consentVersionOf = (id: LanguageId): string => files[id].consent;

/** Where a choice of language is kept, so that the server's first answer is in it. */
export const languageCookie = "lampcrate-language";

/** A language, fetched; what people write in it is read from then on. */
export async function languageOf(id: LanguageId): Promise<FamilyLanguage> {
  const language = await files[id].fetched();
  learnToRead(language);
  return language;
}

/** The words of the family pages in the language that is spoken. */
export const wordsNow = (): Words => languageNow().pages;

/** What an adult agrees to in the language that is spoken, and its version. */
export function consentNow(): ConsentWords & { readonly version: string } {
  const [version, words] = Object.entries(languageNow().consents).at(-1) ?? [];
  if (version === undefined || words === undefined) throw new Error("each language says what is agreed to");
  return { version, ...words };
}

function languageNow(): FamilyLanguage {
  const now = spokenNow();
  return "pages" in now ? (now as FamilyLanguage) : en;
}
