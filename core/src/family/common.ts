import { said, saying } from "../language/language.ts";
import { hazardCautions } from "./hazards.ts";
import type { Caution, CautionContext } from "./shape.ts";

const before: readonly Caution[] = [
  { id: "hands", words: "Wash hands before building and after." },
  { id: "not-eaten", words: "Nothing that was material or cargo is eaten." },
];

const last: Caution = {
  id: "venue",
  words: "The venue's own safety rules, local codes and the adult in charge come first, always.",
};

/** The family's own cautions with those that materials and ages call for, ending by deferring to the venue. */
export function withCommonCautions(own: readonly Caution[], context: CautionContext): readonly Caution[] {
  const list = [...own, ...hazardCautions(context.hazards ?? [])];
  if (context.place === "outdoors")
    list.push({ id: "outdoors", words: "Outdoors: mark the edge of the ground, mind wind and sun, and stop for a storm." });
  if (context.youngestAge < 5)
    list.push({ id: "little-ones", words: "Children under five build with a grown-up of their own beside them." });
  if (context.smallParts) {
    list.push({
      id: "small-parts",
      words:
        context.youngestAge < 3
          ? "Small parts: keep every loose piece out of reach of children under three."
          : "Small parts: not for children under three.",
    });
  }
  if (context.latex) list.push({ id: "latex", words: "Bands or balloons here are latex: ask about latex allergies first." });
  for (const allergen of context.allergens) {
    list.push({ id: `allergen-${allergen}`, words: saying`Contains ${said(allergen)}: ask about allergies, and offer a stand-in.` });
  }
  return [...list, ...before, last];
}
