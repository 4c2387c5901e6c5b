/** Tokens of known mass, kg: what is counted onto a hull or a deck. */
export const tokens = [
  { id: "washer-m6", words: "M6 washer", names: ["washer", "m6 washer"], massKg: 0.001 },
  { id: "washer-m8", words: "M8 washer", names: ["washer", "m8 washer"], massKg: 0.0018 },
  { id: "washer-m10", words: "M10 washer", names: ["washer", "m10 washer"], massKg: 0.0036 },
  { id: "washer-m12", words: "M12 washer", names: ["washer", "m12 washer"], massKg: 0.0063 },
  { id: "marble-16", words: "16 mm marble", names: ["marble"], massKg: 0.0053 },
  { id: "load-bag", words: "100 g load bag", names: ["bag", "load bag"], massKg: 0.1 },
] as const;

/** A token by id; throws on an unknown one. */
export function tokenById(id: string): (typeof tokens)[number] {
  const found = tokens.find((t) => t.id === id);
  if (!found) throw new Error(`no token has the id ${id}`);
  return found;
}

/** What may be carried down whole: mass, kg, and what it bears, in times g. Non-food first. */
export const payloads = [
  { id: "clay-figure", words: "clay figure", massKg: 0.03, toleranceG: 60 },
  { id: "bead-shell", words: "hollow shell with beads", massKg: 0.04, toleranceG: 300 },
  { id: "water-balloon", words: "water balloon", massKg: 0.12, toleranceG: 40, latex: true },
  { id: "plastic-toy", words: "plastic toy", massKg: 0.02, toleranceG: 500 },
  { id: "cracker", words: "dry cracker", massKg: 0.004, toleranceG: 150, allergen: "wheat" },
  { id: "boiled-egg", words: "boiled egg", massKg: 0.057, toleranceG: 100, allergen: "egg" },
  { id: "raw-egg", words: "raw egg", massKg: 0.057, toleranceG: 50, allergen: "egg" },
] as const;

/** Riders of an open cabin and how much they bounce. */
export const riders = [
  { id: "clay", words: "clay rider", bounce: 0.1 },
  { id: "cotton-ball", words: "cotton ball", bounce: 0.2 },
  { id: "soft-sweet", words: "soft sweet", bounce: 0.3, allergen: "gelatine" },
  { id: "pompom", words: "pompom", bounce: 0.35 },
  { id: "plastic-figure", words: "plastic figure", bounce: 0.45 },
] as const;

/** What may be flung: soft things only. */
export const projectiles = [
  { id: "pompom", words: "25 mm pompom", massKg: 0.0008, acrossM: 0.025, drag: 0.5 },
  { id: "paper-ball", words: "crumpled half sheet", massKg: 0.0025, acrossM: 0.045, drag: 0.7 },
  { id: "soft-sweet", words: "small soft sweet", massKg: 0.0006, acrossM: 0.012, drag: 0.9, allergen: "gelatine" },
] as const;

/** Balls for a track. */
export const balls = [
  { id: "marble-16", words: "16 mm glass marble", radiusM: 0.008, massKg: 0.005, resistance: 0.01 },
  { id: "marble-25", words: "25 mm glass marble", radiusM: 0.0125, massKg: 0.02, resistance: 0.01 },
  { id: "foil-ball", words: "25 mm foil ball", radiusM: 0.0125, massKg: 0.004, resistance: 0.03 },
] as const;

/** Bands by width: stiffness of a loop laid flat, N/m, and its greatest stretch, m. Latex; small parts. */
export const bands = [
  { id: "thin", words: "thin band, 1.5 mm", stiffness: 55, mostM: 0.18, slackM: 0.06 },
  { id: "middle", words: "middle band, 3 mm", stiffness: 80, mostM: 0.24, slackM: 0.08 },
  { id: "wide", words: "wide band, 6 mm", stiffness: 150, mostM: 0.27, slackM: 0.09 },
] as const;
