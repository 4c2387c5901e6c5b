import { waterDensity } from "../physical.ts";

/** A hull folded from a square sheet of side `sideM`, or one made otherwise. Lengths m, areas m², volumes m³. */
export type Hull =
  | { readonly form: "box"; readonly sideM: number; readonly wallM: number }
  | { readonly form: "dish"; readonly rimRadiusM: number; readonly depthM: number }
  | { readonly form: "raft"; readonly closedM3: number; readonly rimAreaM2: number; readonly rimM: number }
  | { readonly form: "free"; readonly sideM: number };

/** Greatest volume of an open box from a square sheet, m³: 2a³/27, at a wall of a/6. */
export function bestBoxVolume(sideM: number): number {
  return (2 * sideM ** 3) / 27;
}

/** What the hull holds back of the water, m³; `waterM` is the depth of water where it is shallower than the hull. */
export function hullVolume(hull: Hull, waterM = Number.POSITIVE_INFINITY): number {
  switch (hull.form) {
    case "box":
      return (hull.sideM - 2 * hull.wallM) ** 2 * Math.min(hull.wallM, waterM);
    case "dish": {
      if (waterM >= hull.depthM) return (Math.PI * hull.depthM * (3 * hull.rimRadiusM ** 2 + hull.depthM ** 2)) / 6;
      const sphere = (hull.rimRadiusM ** 2 + hull.depthM ** 2) / (2 * hull.depthM);
      return (Math.PI * waterM ** 2 * (3 * sphere - waterM)) / 3;
    }
    case "raft":
      return hull.closedM3 + hull.rimAreaM2 * hull.rimM;
    case "free":
      return bestBoxVolume(hull.sideM);
  }
}

/** Greatest load before water comes over the edge or the hull touches bottom, kg: max(0, ρ_w V − m_hull). */
export function loadBound(hull: Hull, hullKg: number, waterM?: number): number {
  return Math.max(0, waterDensity * hullVolume(hull, waterM) - hullKg);
}

/** The same in tokens, whole. */
export function countBound(loadKg: number, tokenKg: number): number {
  return Math.floor(loadKg / tokenKg + 1e-9);
}

/** Modelling clay, kg/m³, and how thin a hand presses it, m: usual values, for a rough guide. */
const clayDensity = 1700;
const clayThickM = 0.003;

/** Side of the square that so much clay can be pressed to, m: √(m/(ρ t)). */
export function claySide(clayKg: number): number {
  return Math.sqrt(clayKg / (clayDensity * clayThickM));
}

/** More than a half-sphere of that sheet can carry, with 4 mm of water held back at the rim by surface tension, kg. */
export function greatestLoad(sideM: number, hullKg: number): number {
  return waterDensity * (sideM ** 3 / (3 * Math.sqrt(2 * Math.PI)) + 0.002 * sideM ** 2) - hullKg;
}

/** An open box under load. `loadHeightM`: middle of the pile above the base. */
export interface LoadedBox {
  readonly sideM: number;
  readonly wallM: number;
  readonly hullKg: number;
  readonly loadKg: number;
  readonly loadHeightM: number;
}

/** Depth of the base below the water, m: (m_hull + m_load)/(ρ_w β²). */
export function draft(box: LoadedBox): number {
  return (box.hullKg + box.loadKg) / (waterDensity * (box.sideM - 2 * box.wallM) ** 2);
}

/** Wall above the water, m. */
export function freeboard(box: LoadedBox): number {
  return box.wallM - draft(box);
}

/** Metacentric height, m (×÷1.3): KB + BM − KG; tips when 0 or less. Corners are folded, not cut. */
export function metacentricHeight(box: LoadedBox): number {
  const base = box.sideM - 2 * box.wallM;
  const d = draft(box);
  const hullHeight = (2 * box.wallM ** 2 * (base + box.wallM)) / box.sideM ** 2;
  const kg = (box.hullKg * hullHeight + box.loadKg * box.loadHeightM) / (box.hullKg + box.loadKg);
  return d / 2 + base ** 2 / (12 * d) - kg;
}

/** Does it tip over? */
export function tips(box: LoadedBox): boolean {
  return metacentricHeight(box) <= 0;
}

/** Share of the bound that builders usually reach. */
export const usualShare = 0.49;
/** Band factor of that share: 0.3 to 0.8 are usual. */
export const shareFactor = 1.63;
