/** The families in the order shown: the one list. What else a new one needs, the compiler asks for from here. */
export const familyIds = [
  "span",
  "float",
  "descent",
  "landing",
  "launch-band",
  "launch-puff",
  "glide",
  "roll",
  "drive",
  "tall",
  "probe",
] as const;

export type FamilyId = (typeof familyIds)[number];

/** True for a family that is built. */
export function isFamilyId(id: string): id is FamilyId {
  return (familyIds as readonly string[]).includes(id);
}
