import { sheetById } from "../materials.ts";
import type { Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { spanDesign, spanSpec } from "./fields.ts";
import type { Structure } from "./structure.ts";
import type { Section } from "./strut.ts";

interface Stick {
  readonly section: Section;
  readonly stiffnessPa: number;
  readonly bendingPa: number;
  readonly tensilePa: number;
}

/** Material defaults of the model, SI. */
const sticks: Readonly<Record<string, Stick>> = {
  spaghetti: { section: { diameterM: 0.0018 }, stiffnessPa: 4e9, bendingPa: 40e6, tensilePa: 25e6 },
  "paper-straw": { section: { diameterM: 0.006, innerM: 0.0052 }, stiffnessPa: 2.5e9, bendingPa: 12e6, tensilePa: 30e6 },
  "plastic-straw": { section: { diameterM: 0.006, innerM: 0.0057 }, stiffnessPa: 1.4e9, bendingPa: 30e6, tensilePa: 30e6 },
  "flat-stick": { section: { widthM: 0.01, thicknessM: 0.002 }, stiffnessPa: 10e9, bendingPa: 80e6, tensilePa: 80e6 },
  skewer: { section: { diameterM: 0.003 }, stiffnessPa: 12e9, bendingPa: 90e6, tensilePa: 100e6 },
  balsa: { section: { widthM: 0.003, thicknessM: 0.003 }, stiffnessPa: 3.5e9, bendingPa: 12e6, tensilePa: 20e6 },
};

const joints: Readonly<Record<string, number>> = { "tape-peels": 15, "tape-holds": 25, glue: 40, band: 5, clay: 1 };

const lines: Readonly<Record<string, { areaM2: number; stiffnessPa: number; breakN: number }>> = {
  "cotton-string": { areaM2: (Math.PI * 0.0015 ** 2) / 4, stiffnessPa: 1.5e9, breakN: 100 },
  thread: { areaM2: (Math.PI * 0.0003 ** 2) / 4, stiffnessPa: 3e9, breakN: 10 },
};

/** Strength of an anchor that nobody measured, N. */
const anchorN = 15;

/** The bridge that a brief's numbers describe. */
export function structureOf(spec: Values, design: Values): Structure {
  const n = (id: string): number => numberOf(design, spanDesign, id);
  const gapM = numberOf(spec, spanSpec, "gapM");
  const form = choiceOf(design, spanDesign, "form");
  const sheet = sheetById(choiceOf(design, spanDesign, "sheet"));
  const paper = { gapM, stiffnessPa: sheet.stiffnessPa, bendingPa: sheet.bendingPa, thicknessM: sheet.thicknessM };
  const pleat = { developedM: n("developedM"), depthM: n("depthM"), sideM: Math.max(n("sideM"), n("depthM") * 1.02) };
  const beam = (areaM2: number): { selfMassKg: number } => ({ selfMassKg: areaM2 * sheet.areaMassKgM2 });
  switch (form) {
    case "flat":
    case "flat-bonded":
      return { ...paper, form, widthM: n("widthM"), sheets: n("sheets"), ...beam(n("widthM") * gapM * n("sheets")) };
    case "pleated":
      return { ...paper, form, ...pleat, ...beam(pleat.developedM * gapM) };
    case "tubes": {
      const wallM = n("tubeLayers") * sheet.thicknessM;
      return {
        ...paper,
        form,
        tubes: n("tubes"),
        radiusM: n("radiusM"),
        wallM,
        ...beam(n("tubes") * 2 * Math.PI * n("radiusM") * n("tubeLayers") * gapM),
      };
    }
    case "arch":
      return { ...paper, form, riseM: Math.min(n("riseM"), gapM / 3), strips: n("sheets"), widthM: n("widthM") };
    case "truss": {
      const stick = sticks[choiceOf(design, spanDesign, "stick")];
      const jointN = joints[choiceOf(design, spanDesign, "joint")];
      if (!stick || jointN === undefined) throw new Error("strut and joint are on the list");
      return {
        form,
        gapM,
        spacingM: evenSpacing(gapM, n("spacingM")),
        depthM: n("trussDepthM"),
        frames: 2,
        strut: stick.section,
        stiffnessPa: stick.stiffnessPa,
        bendingPa: stick.bendingPa,
        jointN,
      };
    }
    case "suspended": {
      const line = lines[choiceOf(design, spanDesign, "line")];
      if (!line) throw new Error("line is on the list");
      return {
        form,
        gapM,
        dipM: n("dipM"),
        lines: n("lines"),
        lineAreaM2: line.areaM2,
        stiffnessPa: line.stiffnessPa,
        breakN: line.breakN,
        anchorN,
      };
    }
    case "bricks":
      return {
        form,
        gapM,
        layers: n("brickLayers"),
        studsAcross: n("studsAcross"),
        studsOverlap: n("studsOverlap"),
        pitchM: 0.008,
        pullN: 2,
      };
    default:
      return { ...paper, form: "sandwich", ...pleat, widthM: n("widthM"), ...beam((pleat.developedM + 2 * n("widthM")) * gapM) };
  }
}

/** The spacing nearest to the wish that gives an even number of bays: the load sits at a middle node. */
function evenSpacing(gapM: number, wishM: number): number {
  return gapM / Math.max(2, 2 * Math.round(gapM / wishM / 2));
}

/** Volume of all material in the gap, m³, and what tears it, Pa; null where the model bounds nothing (lines and bricks). */
export function materialBound(spec: Values, design: Values): { readonly volumeM3: number; readonly tensilePa: number } | null {
  const built = structureOf(spec, design);
  const sheet = sheetById(choiceOf(design, spanDesign, "sheet"));
  switch (built.form) {
    case "flat":
    case "flat-bonded":
      return { volumeM3: built.gapM * built.widthM * built.sheets * built.thicknessM, tensilePa: sheet.tensilePa };
    case "pleated":
      return { volumeM3: built.gapM * built.developedM * built.thicknessM, tensilePa: sheet.tensilePa };
    case "sandwich":
      return { volumeM3: built.gapM * (built.developedM + 2 * built.widthM) * built.thicknessM, tensilePa: sheet.tensilePa };
    case "tubes":
      return { volumeM3: built.gapM * built.tubes * 2 * Math.PI * built.radiusM * built.wallM, tensilePa: sheet.tensilePa };
    case "arch":
      return { volumeM3: built.gapM * 1.3 * built.widthM * built.strips * built.thicknessM, tensilePa: sheet.tensilePa };
    default:
      return null;
  }
}
