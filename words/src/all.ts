export type { FamilyLanguage } from "./language.ts";

import { type LanguageId, languageIds, languageOf } from "./index.ts";
import type { ConsentWords, FamilyLanguage } from "./language.ts";

const fetched = await Promise.all(languageIds.map(async (id) => [id, await languageOf(id)] as const));

/** Every language at once, where bytes don't count: on the server. */
export const allLanguages = Object.fromEntries(fetched) as Readonly<Record<LanguageId, FamilyLanguage>>;

/** Whatever was ever agreed to, by version. */
export const consentWords: Readonly<Record<string, ConsentWords>> = Object.assign({}, ...fetched.map(([, { consents }]) => consents));
