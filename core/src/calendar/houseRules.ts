/** Ages that adults are counted by, youngest first. */
export const ageBands = ["under 5", "5 to 7", "8 to 10", "11 and over"] as const;
export type AgeBand = (typeof ageBands)[number];

/** How a house counts adults, and when a break is due. Minutes. */
export interface HouseRules {
  readonly leastAdults: number;
  readonly childrenPerAdult: Readonly<Record<AgeBand, number>>;
  /** A pause of at least so long ends a stretch of work. */
  readonly breakMinutes: number;
  /** A stretch may last so long, first start to last end. */
  readonly breakAfterMinutes: number;
}

/** Our own start, until a house says otherwise: what its own safety rules and local law ask goes before. */
export const usualRules: HouseRules = {
  leastAdults: 2,
  childrenPerAdult: { "under 5": 4, "5 to 7": 6, "8 to 10": 8, "11 and over": 10 },
  breakMinutes: 30,
  breakAfterMinutes: 270,
};

/** The band of an age in whole years. */
export function ageBandOf(age: number): AgeBand {
  if (age < 5) return "under 5";
  if (age < 8) return "5 to 7";
  return age < 11 ? "8 to 10" : "11 and over";
}
