import type { SheetDoc } from "@lampcrate/contract";
import {
  type AskedQuestions,
  type Family,
  type FamilyId,
  familyAs,
  familyInWords,
  loadFamily,
  type NamedToken,
  withTokens,
} from "@lampcrate/core";

const loaded = new Map<FamilyId, Family>();

/** Fetches the one family that a page needs. */
export async function fetchFamily(id: FamilyId): Promise<void> {
  if (!loaded.has(id)) loaded.set(id, await loadFamily(id));
}

/** The family of a sheet's brief as that asks for it, in the language that is spoken, with what an entry named itself. Throws when no sheet of it was asked for before. */
export function familyOf(
  { family: id, outcomes }: Pick<SheetDoc["brief"], "family" | "outcomes">,
  tokens: readonly NamedToken[] = [],
): Family {
  const family = loaded.get(id);
  if (!family) throw new Error(`the family ${id} comes with its sheet`);
  return familyInWords(familyAs(family, withTokens(outcomes, tokens)));
}

/** What a brief asks families to talk over: its own questions, else its family's. */
export const questionsOf = (brief: Pick<SheetDoc["brief"], "family" | "outcomes">): AskedQuestions =>
  brief.outcomes.questions ?? familyOf(brief).questions;
