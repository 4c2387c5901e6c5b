/** A sheet's nominal properties, SI; real ones scatter by a quarter or more. */
export interface Sheet {
  readonly id: string;
  readonly words: string;
  /** m */
  readonly thicknessM: number;
  /** kg/m² */
  readonly areaMassKgM2: number;
  /** Pa */
  readonly stiffnessPa: number;
  /** What bends or crushes it, Pa. */
  readonly bendingPa: number;
  /** What tears it, Pa. */
  readonly tensilePa: number;
  readonly soaks: boolean;
}

const sheet = (
  id: string,
  words: string,
  mm: number,
  gsm: number,
  gPa: number,
  bendMPa: number,
  tearMPa: number,
  soaks: boolean,
): Sheet => ({
  id,
  words,
  thicknessM: mm / 1000,
  areaMassKgM2: gsm / 1000,
  stiffnessPa: gPa * 1e9,
  bendingPa: bendMPa * 1e6,
  tensilePa: tearMPa * 1e6,
  soaks,
});

/** Material defaults of the model; paper is the mean of its two directions. */
export const sheets: readonly Sheet[] = [
  sheet("newsprint", "newsprint", 0.07, 46, 2.0, 6, 20, true),
  sheet("copy-paper", "copy paper", 0.1, 80, 3.5, 12, 40, true),
  sheet("construction-paper", "construction paper", 0.2, 120, 1.5, 5, 15, true),
  sheet("thin-card", "thin card", 0.25, 200, 3.0, 12, 35, true),
  sheet("corrugated-card", "corrugated card", 3.0, 500, 1.3, 2, 5, true),
  sheet("tissue", "tissue paper", 0.04, 18, 1.0, 2, 8, true),
  sheet("bag-film", "bag film", 0.02, 19, 0.25, 10, 20, false),
  sheet("kitchen-foil", "kitchen foil", 0.016, 43, 69, 35, 60, false),
];

/** A sheet by id; throws on an unknown one, for ids are checked at the door. */
export function sheetById(id: string): Sheet {
  const found = sheets.find((s) => s.id === id);
  if (!found) throw new Error(`no sheet has the id ${id}`);
  return found;
}
