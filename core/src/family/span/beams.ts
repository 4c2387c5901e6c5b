import { gravity } from "../physical.ts";

/** The beams: simply supported, loaded at mid-span. Lengths m, stresses Pa, mass kg. */
export type Beam = BeamBase &
  (
    | { readonly form: "flat" | "flat-bonded"; readonly widthM: number; readonly sheets: number; readonly thicknessM: number }
    | {
        readonly form: "pleated";
        readonly developedM: number;
        readonly depthM: number;
        readonly sideM: number;
        readonly thicknessM: number;
      }
    | {
        readonly form: "sandwich";
        readonly developedM: number;
        readonly widthM: number;
        readonly depthM: number;
        readonly sideM: number;
        readonly thicknessM: number;
      }
    | { readonly form: "tubes"; readonly tubes: number; readonly radiusM: number; readonly wallM: number }
  );

interface BeamBase {
  readonly gapM: number;
  readonly stiffnessPa: number;
  readonly bendingPa: number;
  readonly selfMassKg?: number | undefined;
}

/** Poisson's ratio of paper and card. */
const nu = 0.3;

/** Local buckling stress of a plate of thickness t and width y: k π² E (t/y)² / (12 (1 − ν²)), Pa. */
function plateBuckling(k: number, stiffnessPa: number, t: number, y: number): number {
  return (k * Math.PI ** 2 * stiffnessPa * (t / y) ** 2) / (12 * (1 - nu ** 2));
}

interface Section {
  /** Second moment of area, m⁴. */
  readonly i: number;
  /** Farthest fibre, m. */
  readonly c: number;
  /** Stress at which it gives way, Pa. */
  readonly stress: number;
}

/** Bending section of each beam form (elementary beam theory; plate buckling coefficients in docs/models.md). */
function section(beam: Beam): Section {
  const { stiffnessPa: e, bendingPa: sigma } = beam;
  switch (beam.form) {
    case "flat":
      return { i: (beam.sheets * beam.widthM * beam.thicknessM ** 3) / 12, c: beam.thicknessM / 2, stress: sigma };
    case "flat-bonded": {
      const thick = beam.sheets * beam.thicknessM;
      return { i: (beam.widthM * thick ** 3) / 12, c: thick / 2, stress: sigma };
    }
    case "pleated": {
      const local = plateBuckling(24, e, beam.thicknessM, beam.sideM);
      return { i: (beam.developedM * beam.thicknessM * beam.depthM ** 2) / 12, c: beam.depthM / 2, stress: Math.min(sigma, local) };
    }
    case "sandwich": {
      const pitch = 2 * Math.sqrt(beam.sideM ** 2 - beam.depthM ** 2);
      const face = plateBuckling(4, e, beam.thicknessM, pitch);
      const side = plateBuckling(24, e, beam.thicknessM, beam.sideM);
      const i = (beam.developedM * beam.thicknessM * beam.depthM ** 2) / 12 + 2 * beam.widthM * beam.thicknessM * (beam.depthM / 2) ** 2;
      return { i, c: beam.depthM / 2, stress: Math.min(sigma, side, Math.sqrt(face * sigma)) };
    }
    case "tubes": {
      const local = (0.3 * e * beam.wallM) / beam.radiusM;
      return { i: beam.tubes * Math.PI * beam.radiusM ** 3 * beam.wallM, c: beam.radiusM, stress: Math.min(sigma, local) };
    }
  }
}

const selfWeight = (beam: Beam): number => (beam.selfMassKg ?? 0) * gravity;

/** Sag at mid-span under a load of `loadN`, m: (W + ⅝ w) L³ / (48 E I) (×÷2). */
export function beamSag(beam: Beam, loadN: number): number {
  return ((loadN + (5 / 8) * selfWeight(beam)) * beam.gapM ** 3) / (48 * beam.stiffnessPa * section(beam).i);
}

/** Live load at collapse, N: 4 σ_f I / (c L) − ½ w (×÷2.5). */
export function beamCollapse(beam: Beam): number {
  const { i, c, stress } = section(beam);
  return (4 * stress * i) / (c * beam.gapM) - selfWeight(beam) / 2;
}
