import { en, type Words } from "./en.ts";

/** The words of the family's language. English now. */
export function useWords(): Words {
  return en;
}
