import { sheetById } from "../materials/sheets.ts";
import { jointN as joints, lines, sticks } from "../materials/sticks.ts";
import type { Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { spanDesign, spanSpec } from "./fields.ts";
import { bearingJoints, jointFactor, strutFactor, weakestShare } from "./joints.ts";
import type { Structure } from "./structure.ts";

/** Strength of an anchor that nobody measured, N. */
const anchorN = 15;

/** The bridge that a brief's numbers describe. */
export function structureOf(spec: Values, design: Values): Structure {
  const built = wellMade(spec, design);
  if (built.form !== "truss") return built;
  // A truss is as strong as the weakest of the joints and struts that bear most; made well, as the middle one of each.
  const bearing = built.frames * bearingJoints;
  return { ...built, jointN: built.jointN * weakestShare(bearing, jointFactor), strutShare: weakestShare(bearing, strutFactor) };
}

/** The same with every joint and strut as strong as the middle one of many. */
export function wellMade(spec: Values, design: Values): Structure {
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
        brickM: 0.0096,
        studN: 15,
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
