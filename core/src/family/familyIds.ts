import type { FamilyId } from "./shape.ts";

const shown: Readonly<Record<FamilyId, true>> = {
  span: true,
  float: true,
  descent: true,
  landing: true,
  "launch-band": true,
  "launch-puff": true,
  glide: true,
  roll: true,
  drive: true,
  tall: true,
  probe: true,
};

/** The ids in the order shown. */
export const familyIds = Object.keys(shown) as readonly FamilyId[];

/** True for a family that is built. */
export function isFamilyId(id: string): id is FamilyId {
  return Object.hasOwn(shown, id);
}
