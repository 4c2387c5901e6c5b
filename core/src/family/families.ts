import { descent } from "./descent/index.ts";
import { float } from "./float/index.ts";
import type { Family, FamilyId } from "./shape.ts";
import { span } from "./span/index.ts";

/** Every family built so far. To add one: a folder beside these, its id in `FamilyId`, a line here. */
export const families: Readonly<Record<FamilyId, Family>> = { span, float, descent };

/** The ids in the order shown. */
export const familyIds: readonly FamilyId[] = ["span", "float", "descent"];

/** True for a family that is built. */
export function isFamilyId(id: string): id is FamilyId {
  return (familyIds as readonly string[]).includes(id);
}
