import { type Section, strutStrength } from "../span/strut.ts";

/** cos(lean) of whole, equal sticks: uprights and braces are then six equal slanted sticks. */
export const usualLeanCos = Math.sqrt(2 / 3);

export interface Budget {
  readonly layers: number;
  readonly peak: 0 | 1;
  readonly heightM: number;
  /** 0.7 × the budget (×÷1.4). */
  readonly predictedM: number;
}

/** How high a three-sided tower of so many sticks and joints can go: base 3 + 3, each layer 9 sticks + 3 joints, a peak 3 + 1. */
export function towerBudget(sticks: number, joints: number, stickM: number, leanCos = usualLeanCos): Budget {
  const layers = Math.max(0, Math.min(Math.floor((sticks - 3) / 9), Math.floor((joints - 3) / 3)));
  const hasBase = sticks >= 3 && joints >= 3;
  const peak = hasBase && sticks - 3 - 9 * layers >= 3 && joints - 3 - 3 * layers >= 1 ? 1 : 0;
  const heightM = (layers + peak) * stickM * leanCos;
  return { layers, peak, heightM, predictedM: 0.7 * heightM };
}

/** What crushes the top, N (×÷2): three uprights, 3 P(l) cos(lean). */
export function crushLoad(section: Section, stickM: number, stiffnessPa: number, strengthPa: number, leanCos = usualLeanCos): number {
  return 3 * strutStrength(section, stickM, stiffnessPa, strengthPa) * leanCos;
}

export type Base = "triangle" | "square" | "round";

/** Angle at which it falls over, radians (×÷1.2); `sideM` is the side, or the radius of a round base. */
export function tipAngle(base: Base, sideM: number, heightM: number, towerKg: number, loadKg = 0): number {
  const inner = base === "triangle" ? sideM / (2 * Math.sqrt(3)) : base === "square" ? sideM / 2 : sideM;
  const centre = (0.45 * heightM * towerKg + heightM * loadKg) / (towerKg + loadKg);
  return centre > 0 ? Math.atan(inner / centre) : Math.PI / 2;
}
