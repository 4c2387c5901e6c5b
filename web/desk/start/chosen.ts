import type { FamilyId } from "@lampcrate/core";

/** What a run can begin with: a starter from the shelf, or a blank brief of a family. */
export type Chosen = { readonly kind: "starter"; readonly id: string } | { readonly kind: "blank"; readonly family: FamilyId };
