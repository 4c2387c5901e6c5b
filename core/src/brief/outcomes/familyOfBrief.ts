import { families } from "../../family/families.ts";
import type { FamilyId } from "../../family/familyIds.ts";
import type { Family } from "../../family/shape.ts";
import { familyAs } from "./familyAs.ts";
import type { Outcomes } from "./outcomes.ts";

/** The family of a brief, as that asks for it. For pages that know every family. */
export function familyOfBrief({ family, outcomes }: { readonly family: FamilyId; readonly outcomes?: Outcomes | undefined }): Family {
  return familyAs(families[family], outcomes);
}
