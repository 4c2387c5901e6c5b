import { consentNow, type Words, wordsNow } from "@lampcrate/words";

/** The words of the language that families read in. */
export const useWords = (): Words => wordsNow();

/** What adults agree to here, word for word, by its version. */
export const useConsent = (): ReturnType<typeof consentNow> => consentNow();
