import type { LineKind } from "../draws/demand.ts";
import type { Per } from "../draws/units.ts";
import { type LineBind, unbound } from "./bind.ts";

/** What is cut from a sheet or roll. */
export const cutShapes = ["rectangle", "triangle", "disc", "length"] as const;
export type CutShape = (typeof cutShapes)[number];

/** Where a line of the kit comes from: packed for them, found at home, or out of the house's own. */
export const lineSources = ["packed", "home", "house"] as const;
export type LineSource = (typeof lineSources)[number];

/** A piece cut from a sheet or roll, m. Two right triangles share a rectangle, a disc costs its square, a length takes the full width. */
export interface KitCut {
  readonly shape: CutShape;
  readonly widthM: number;
  readonly heightM: number;
  readonly rotate: boolean;
  /** Width lost per cut: 0 for scissors. */
  readonly kerfM: number;
  /** Squared off the first edges, once. */
  readonly trimM: number;
  /** Part of the pieces cut wrong. */
  readonly missRate: number;
}

/** One material in a kit. Amounts in the material's unit. */
export interface KitLine {
  readonly id: string;
  readonly materialId: string;
  readonly per: Per;
  readonly kind: LineKind;
  readonly amount: number;
  /** Part of the amount that a rebuild takes again. */
  readonly perRebuild: number;
  readonly spoilRate: number;
  /** Spread of use of a measured material, as a part of the amount. */
  readonly spread: number;
  /** Reusable: part of the units that use it at once, units to one item, items lost a session. */
  readonly share: number;
  readonly unitsPerItem: number;
  readonly loss: number;
  readonly source: LineSource;
  /** What may stand in for it, in words for the sheet. */
  readonly standIn: string;
  /** How much of the stand-in for one unit of the material. */
  readonly standInRatio: number;
  readonly tier: string | null;
  readonly cut: KitCut | null;
  /** What of it follows the brief's own numbers. */
  readonly bind: LineBind;
}

/** A line with the usual numbers. */
export function usualLine(id: string, materialId: string): KitLine {
  return {
    id,
    materialId,
    per: "builder",
    kind: "counted",
    amount: 1,
    perRebuild: 0.5,
    spoilRate: 0.04,
    spread: 0.35,
    share: 0.6,
    unitsPerItem: 1,
    loss: 0.3,
    source: "packed",
    standIn: "",
    standInRatio: 1,
    tier: null,
    cut: null,
    bind: unbound,
  };
}

/** A cut with the usual for what isn't said: a rectangle by scissors that may be turned, nothing squared off. Parts that are not known are left out. */
export function kitCut({
  shape = "rectangle",
  widthM,
  heightM,
  rotate = true,
  kerfM = 0,
  trimM = 0,
  missRate = 0,
}: Partial<KitCut> & Pick<KitCut, "widthM" | "heightM">): KitCut {
  return { shape, widthM, heightM, rotate, kerfM, trimM, missRate };
}
