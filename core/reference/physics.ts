import { calibration } from "../src/family/band.ts";
import { commonHard, isOutside, type Quality, usualSoft } from "../src/family/bounds.ts";
import { fallTime, freeFallTime, impactSpeed, slowDown, terminalSpeed } from "../src/family/descent/fall.ts";
import {
  bestBoxVolume,
  countBound,
  draft,
  freeboard,
  greatestLoad as greatestFloat,
  type Hull,
  hullVolume,
  loadBound,
  metacentricHeight,
  tips,
} from "../src/family/float/hull.ts";
import { greatestLoad } from "../src/family/span/bounds.ts";
import { collapse, hold, type Structure, sag } from "../src/family/span/structure.ts";
import type { Section } from "../src/family/span/strut.ts";
import { strutStrength } from "../src/family/span/strut.ts";
import { moving } from "./moving.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;

type Quantity = (input: Input) => unknown;

const section = (i: Input): Section => ("width" in i ? { widthM: i.width, thicknessM: i.t } : { diameterM: i.D, innerM: i.d_i });

function structure(i: Input): Structure {
  const paper = { gapM: i.L, stiffnessPa: i.E, bendingPa: i.sigma, selfMassKg: i.m_self };
  switch (i.form) {
    case "pleated":
      return { ...paper, form: "pleated", developedM: i.B, depthM: i.d, sideM: i.s, thicknessM: i.t };
    case "sandwich":
      return { ...paper, form: "sandwich", developedM: i.B, widthM: i.b, depthM: i.d, sideM: i.s, thicknessM: i.t };
    case "tubes":
      return { ...paper, form: "tubes", tubes: i.m, radiusM: i.r, wallM: i.t_w };
    case "arch":
      return { form: "arch", gapM: i.L, riseM: i.rise, strips: i.n, widthM: i.b, thicknessM: i.t, stiffnessPa: i.E, bendingPa: i.sigma };
    case "truss":
      return {
        form: "truss",
        gapM: i.L,
        spacingM: i.p,
        depthM: i.h_t,
        frames: i.n_f ?? 2,
        strut: section(i),
        stiffnessPa: i.E,
        bendingPa: i.sigma,
        jointN: i.F_j,
      };
    case "suspended":
      return {
        form: "suspended",
        gapM: i.L,
        dipM: i.f_d,
        lines: i.n_c ?? 2,
        lineAreaM2: i.A_c,
        stiffnessPa: i.E,
        breakN: i.F_b,
        anchorN: i.F_a ?? 15,
      };
    case "bricks":
      return {
        form: "bricks",
        gapM: i.L,
        layers: i.layers,
        studsAcross: i.w_s,
        studsOverlap: i.a_s,
        brickM: i.h_b ?? 0.0096,
        studN: i.F_s ?? 15,
      };
    default:
      return { ...paper, form: i.form, widthM: i.b, sheets: i.n, thicknessM: i.t };
  }
}

function hull(i: Input): Hull {
  if (i.form === "dish" || "R_d" in i) return { form: "dish", rimRadiusM: i.R_d, depthM: i.h };
  if (i.form === "free") return { form: "free", sideM: i.a };
  return { form: "box", sideM: i.a, wallM: i.h };
}

const box = (i: Input) => ({ sideM: i.a, wallM: i.h, hullKg: i.m_hull ?? 0, loadKg: i.m_load, loadHeightM: i.z_load ?? 0 });
const faller = (i: Input) => ({ massKg: i.m, areaM2: i.A, drag: i.C_d ?? 0.75 });
const control = (i: Input) => ({ massKg: i.m_c, areaM2: i.A_c, drag: i.C_dc ?? 1 });

/** A general upper limit given by numbers alone: the common bounds. */
function outsideCommon(i: Input): boolean {
  return isOutside(i.measured, commonHard(i.measure as Quality, i.sd ?? 0, { roomLengthM: i.room_length, ceilingM: i.ceiling }));
}

/** Quantities of physics, by family and name; a family not listed is not built yet. */
export const physics: Readonly<Record<string, Readonly<Record<string, Quantity>>>> = {
  ...moving,
  common: {
    calibration: (i) => calibration(i.f, i.ratios),
    impossible: outsideCommon,
    rare: (i) => isOutside(i.measured, usualSoft(i.mid, i.f, i.sd ?? 0)),
  },
  span: {
    sag: (i) => sag(structure(i), i.W),
    collapse: (i) => collapse(structure(i)),
    hold: (i) => hold(structure(i), i.h ?? 0.15),
    strut: (i) => strutStrength(section(i), i.l, i.E, i.sigma),
    impossible: (i) => {
      if (outsideCommon(i)) return true;
      if (i.measure === "sag") return isOutside(i.measured, [0, i.h + 3 * i.sd]);
      return isOutside(i.measured, [0, greatestLoad(i.sigma_t, i.V_m, i.L) + 3 * i.sd]);
    },
    rare: (i) => isOutside(i.measured, usualSoft(i.mid ?? hold(structure(i), i.h ?? 0.15), i.f ?? 2.5, i.sd)),
  },
  float: {
    volume: (i) => hullVolume(hull(i)),
    best_volume: (i) => bestBoxVolume(i.a),
    load_bound: (i) => loadBound(hull(i), i.m_hull ?? 0, i.depth),
    count_bound: (i) => countBound(loadBound(hull(i), i.m_hull ?? 0, i.depth), i.m_t),
    draft: (i) => draft(box(i)),
    freeboard: (i) => freeboard(box(i)),
    GM: (i) => metacentricHeight(box(i)),
    tips: (i) => tips(box(i)),
    impossible: (i) => outsideCommon(i) || isOutside(i.measured, [0, greatestFloat(i.a, i.m_hull ?? 0) + 3 * i.sd]),
    rare: (i) => isOutside(i.measured, [0, Math.max(0, 1000 * bestBoxVolume(i.a) - (i.m_hull ?? 0)) + 3 * i.sd]),
  },
  descent: {
    v_t: (i) => terminalSpeed(faller(i)),
    t_fall: (i) => fallTime(faller(i), i.h),
    v_impact: (i) => impactSpeed(faller(i), i.h),
    t_control: (i) => fallTime(control(i), i.h),
    slow_down: (i) => slowDown(faller(i), control(i), i.h),
    impossible: (i) => {
      const slowest = i.indoors ? fallTime({ ...faller(i), drag: 4 }, i.h) + 3 * i.sd : Number.POSITIVE_INFINITY;
      return outsideCommon(i) || isOutside(i.measured, [freeFallTime(i.h) - 3 * i.sd, slowest]);
    },
    rare: (i) => isOutside(i.measured, [0, Math.min(usualSoft(fallTime(faller(i), i.h), 1.3, i.sd)[1], i.h / 0.3 + 3 * i.sd)]),
  },
};
