import { type Family, type FamilyId, loadFamily } from "@lampcrate/core";

const loaded = new Map<FamilyId, Family>();

/** Fetches the one family that a page needs. */
export async function fetchFamily(id: FamilyId): Promise<void> {
  if (!loaded.has(id)) loaded.set(id, await loadFamily(id));
}

/** A family that came with its sheet. Throws when no sheet of it was asked for before. */
export function familyOf(id: FamilyId): Family {
  const family = loaded.get(id);
  if (!family) throw new Error(`the family ${id} comes with its sheet`);
  return family;
}
