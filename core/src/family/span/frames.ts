import { type Section, sectionArea, strutStrength } from "./strut.ts";

/** Arch of n loose strips bent to `riseM` ≤ L/3, ends held. */
export interface Arch {
  readonly form: "arch";
  readonly gapM: number;
  readonly riseM: number;
  readonly strips: number;
  readonly widthM: number;
  readonly thicknessM: number;
  readonly stiffnessPa: number;
  readonly bendingPa: number;
}

/** Zigzag frames with node spacing `spacingM` along both chords, loaded at the middle lower node. */
export interface Truss {
  readonly form: "truss";
  readonly gapM: number;
  readonly spacingM: number;
  readonly depthM: number;
  readonly frames: number;
  readonly strut: Section;
  readonly stiffnessPa: number;
  readonly bendingPa: number;
  /** Strength of one joint, N. */
  readonly jointN: number;
  /** What the weakest strut bears, as a share of a straight one by itself; 1 where it isn't said. */
  readonly strutShare?: number | undefined;
}

/** Lines hung with a dip at the load. */
export interface Suspended {
  readonly form: "suspended";
  readonly gapM: number;
  readonly dipM: number;
  readonly lines: number;
  readonly lineAreaM2: number;
  readonly stiffnessPa: number;
  readonly breakN: number;
  readonly anchorN: number;
}

/** Stacked studded bricks. */
export interface Bricks {
  readonly form: "bricks";
  readonly gapM: number;
  readonly layers: number;
  readonly studsAcross: number;
  readonly studsOverlap: number;
  readonly brickM: number;
  /** What one stud takes along the deck before it lets go. */
  readonly studN: number;
}

/** Sag of a two-hinged arch under its crown load, m: W L³ / (2048 E I) (×÷3). */
export function archSag(arch: Arch, loadN: number): number {
  return (loadN * arch.gapM ** 3) / (2048 * arch.stiffnessPa * archMoment(arch));
}

const archMoment = (arch: Arch): number => (arch.strips * arch.widthM * arch.thicknessM ** 3) / 12;

/** Load at collapse of the arch, N: bending at the crown or snapping through sideways, whichever is less (×÷3). */
export function archCollapse(arch: Arch): number {
  const i = archMoment(arch);
  const length = arch.gapM * (1 + (8 / 3) * (arch.riseM / arch.gapM) ** 2);
  const bends = (128 * arch.bendingPa * i) / (7 * (arch.thicknessM / 2) * arch.gapM);
  const buckles = ((4 * Math.PI ** 2 * arch.stiffnessPa * i) / length ** 2) * ((128 * arch.riseM) / (25 * arch.gapM));
  return Math.min(bends, buckles);
}

/** Sag of a truss, m: 1.5 W L³ / (48 E I), I = n_f A h_t² / 2 (×÷3). */
export function trussSag(truss: Truss, loadN: number): number {
  const i = (truss.frames * sectionArea(truss.strut) * truss.depthM ** 2) / 2;
  return (1.5 * loadN * truss.gapM ** 3) / (48 * truss.stiffnessPa * i);
}

/** Load at collapse of a truss, N: a chord or a web strut buckles or its joint lets go (×÷3). */
export function trussCollapse(truss: Truss): number {
  const web = Math.sqrt(truss.depthM ** 2 + truss.spacingM ** 2 / 4);
  const bears = (lengthM: number): number =>
    Math.min((truss.strutShare ?? 1) * strutStrength(truss.strut, lengthM, truss.stiffnessPa, truss.bendingPa), truss.jointN);
  const chord = (truss.frames * bears(truss.spacingM) * 4 * truss.depthM) / truss.gapM;
  return Math.min(chord, (truss.frames * bears(web) * 2 * truss.depthM) / web);
}

const halfLine = (s: Suspended): number => Math.sqrt(s.gapM ** 2 / 4 + s.dipM ** 2);

/** Further sag of hung lines under a load, m: W s₀³ / (2 n_c E A_c f_d²) (×÷2). */
export function suspendedSag(s: Suspended, loadN: number): number {
  return (loadN * halfLine(s) ** 3) / (2 * s.lines * s.stiffnessPa * s.lineAreaM2 * s.dipM ** 2);
}

/** Load at which a line breaks or an anchor slips, N (×÷2). */
export function suspendedCollapse(s: Suspended): number {
  return (s.lines * Math.min(s.breakN, s.anchorN) * 2 * s.dipM) / halfLine(s);
}

/** Load at which the studs let go, the outer layers pulling against each other over the height between, N: 4 w_s a_s F_s h_b (layers − 1) / L (×÷4). */
export function bricksCollapse(b: Bricks): number {
  return (4 * b.studsAcross * b.studsOverlap * b.studN * b.brickM * (b.layers - 1)) / b.gapM;
}
