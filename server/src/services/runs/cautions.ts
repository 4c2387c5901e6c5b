import { families, isFamilyId, placeOf, said } from "@lampcrate/core";
import type { FrozenBrief } from "../../db/schema/index.ts";

/** The required cautions of family, materials and ages, and the planner's own before the last, which defers to the venue. */
export function cautionWords({ brief, materials }: FrozenBrief): readonly string[] {
  if (!isFamilyId(brief.family)) return [];
  const used = Object.values(materials);
  const required = families[brief.family].cautions(brief.spec, {
    youngestAge: brief.youngestAge,
    allergens: [...new Set(used.flatMap((m) => m.allergens))],
    smallParts: used.some((m) => m.smallPart),
    latex: used.some((m) => m.latex),
    hazards: used.flatMap((m) => m.hazards ?? []),
    place: placeOf(brief.spec),
  });
  const words = required.map((caution) => said(caution.words));
  return [...words.slice(0, -1), ...brief.cautions.map((caution) => caution.words), ...words.slice(-1)];
}
