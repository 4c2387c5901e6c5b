import type { ConsentVersion } from "@lampcrate/contract";
import { en, type Words } from "./en.ts";

/** The words that adults agree to here. */
export const consentVersion: ConsentVersion = "en-1";

/** The words of the family's language. English now. */
export function useWords(): Words {
  return en;
}
