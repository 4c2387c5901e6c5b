import type { Caution, Hazard } from "./shape.ts";

const words: Readonly<Record<Hazard, string>> = {
  "sharp edge": "Sharp edges: an adult cuts foil, sheet and card, and folds raw edges over.",
  pointed: "Pointed sticks: cut the points off, carry them low, nobody runs.",
  hot: "Hot glue burns: an adult holds the gun, water stands by, nobody touches the bead while it shines.",
  film: "Film and bags: never over a face, and away from under-threes.",
  snaps: "Sticks that snap under load: goggles, and faces away.",
};

/** Every hazard that a material may carry, in the order shown. */
export const hazards = Object.keys(words) as readonly Hazard[];

/** The cautions that hazards call for, each once. */
export function hazardCautions(found: readonly Hazard[]): readonly Caution[] {
  return hazards
    .filter((hazard) => found.includes(hazard))
    .map((hazard) => ({ id: `hazard-${hazard.replace(" ", "-")}`, words: words[hazard] }));
}
