import { type Beam, beamCollapse, beamSag } from "./beams.ts";
import {
  type Arch,
  archCollapse,
  archSag,
  type Bricks,
  bricksCollapse,
  type Suspended,
  suspendedCollapse,
  suspendedSag,
  type Truss,
  trussCollapse,
  trussSag,
} from "./frames.ts";

/** Any bridge of this family. */
export type Structure = Beam | Arch | Truss | Suspended | Bricks;

/** Sag under a load in newtons, m; null where it is not predicted (bricks). */
export function sag(structure: Structure, loadN: number): number | null {
  switch (structure.form) {
    case "arch":
      return archSag(structure, loadN);
    case "truss":
      return trussSag(structure, loadN);
    case "suspended":
      return suspendedSag(structure, loadN);
    case "bricks":
      return null;
    default:
      return beamSag(structure, loadN);
  }
}

/** Live load at collapse, N; own weight counts half for beams. */
export function collapse(structure: Structure): number {
  switch (structure.form) {
    case "arch":
      return archCollapse(structure);
    case "truss":
      return trussCollapse(structure);
    case "suspended":
      return suspendedCollapse(structure);
    case "bricks":
      return bricksCollapse(structure);
    default:
      return beamCollapse(structure);
  }
}

/**
 * Load it holds, N, never below 0: the lesser of collapse and the load that brings the sag to
 * min(deck height, L/8), beyond which free ends slide in.
 */
export function hold(structure: Structure, deckHeightM = 0.15): number {
  const gives = collapse(structure);
  const unloaded = sag(structure, 0);
  const perNewton = sag(structure, 1);
  if (unloaded === null || perNewton === null) return Math.max(0, gives);
  const limit = Math.min(deckHeightM, structure.gapM / 8);
  const slides = (limit - unloaded) / (perNewton - unloaded);
  return Math.max(0, Math.min(gives, slides));
}

/** Band factors of sag and of collapse, by form; `hold` carries ×÷2.5 for all of them. */
export function factors(form: Structure["form"]): { readonly sag: number; readonly load: number } {
  if (form === "arch" || form === "truss") return { sag: 3, load: 3 };
  if (form === "bricks") return { sag: 3, load: 4 };
  if (form === "suspended") return { sag: 2, load: 2 };
  return { sag: 2, load: 2.5 };
}
