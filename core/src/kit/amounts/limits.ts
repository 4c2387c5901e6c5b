/** The most that a store room's numbers may be, wherever they come in: a form, a file, a pack. Amounts in the material's unit. */
export const storeLimits = {
  onHand: 1e8,
  packSize: 1e6,
  /** The least that is counted or packed of anything, in its own unit. */
  least: 0.001,
  packPriceCents: 1e8,
  perWeek: 1e6,
  sheetM: 100,
  nameLetters: 80,
  allergens: 8,
  allergenLetters: 30,
  /** Materials in one file. */
  rows: 5000,
} as const;

/** Lines that a kit holds at most. */
export const mostLines = 40;
