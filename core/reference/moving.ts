import { isOutside, usualSoft } from "../src/family/bounds.ts";
import { bandDistance, rampDistance, sail, sailStarts, terminalSail, wheelsSlip } from "../src/family/drive/carts.ts";
import { neverDriven } from "../src/family/drive/limits.ts";
import type { Flight } from "../src/family/flight.ts";
import { fly, laneOf, vacuumRange } from "../src/family/flight.ts";
import { effectiveHeight, glideLane, glideRange, glideTime } from "../src/family/glide/glider.ts";
import { greatestDrop, leastCrush, peakG, rebound, staysIn, touchSpeed } from "../src/family/landing/impact.ts";
import { halfHeight } from "../src/family/landing/ladder.ts";
import { flingSpeed } from "../src/family/launchBand/fling.ts";
import { neverFlung, strongestFling } from "../src/family/launchBand/limits.ts";
import { neverPuffed, strongestPuff } from "../src/family/launchPuff/limits.ts";
import { puffSpeed } from "../src/family/launchPuff/puff.ts";
import { finForce, pressureCentre, staticMargin } from "../src/family/launchPuff/straight.ts";
import { bankNeeded, flyOffSpeed, passSegment, type Segment, wallNeeded } from "../src/family/roll/segment.ts";
import { leastTime, rollTrack } from "../src/family/roll/track.ts";
import { highestStack } from "../src/family/tall/limits.ts";
import { crushLoad, tipAngle, towerBudget } from "../src/family/tall/tower.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;
type Quantity = (input: Input) => unknown;

const thrown = (i: Input, speed: number) => ({
  speed,
  angle: i.theta,
  heightM: i.h0,
  massKg: i.m,
  acrossM: i.d_p ?? i.d_b,
  drag: i.C_d ?? 0.6,
});
const fling = (i: Input) => ({
  bands: i.n,
  stiffness: i.k,
  stretchM: i.x,
  leftM: i.x0 ?? 0,
  massKg: i.m,
  armKg: i.m_arm ?? 0.0015,
  efficiency: i.eta ?? 0.5,
});
const flyer = (i: Input) => ({ massKg: i.m, acrossM: i.d_p, heightM: i.h0 });
const puff = (i: Input) => ({ pressure: i.p, tubeM: i.d, overlapM: i.L_t, massKg: i.m, efficiency: i.eta ?? 0.45 });
const rocket = (i: Input) => ({ source: i.source, tubeM: i.d, overlapM: i.L_t, massKg: i.m, bodyM: i.d_b, heightM: i.h0 });
const outline = (i: Input) => ({
  bodyM: i.d_b,
  noseM: i.L_n,
  nose: i.nose === "rounded" ? ("rounded" as const) : ("cone" as const),
  fins: i.n_fins,
  finSpanM: i.s,
  rootM: i.c_r,
  tipM: i.c_t,
  sweepM: i.x_s,
  rootAtM: i.x_r,
});
const glide = (i: Input) => ({ kind: i.kind, heightM: i.h0 ?? 1.4, speed: i.v, massKg: i.m ?? 0.005 });
const ball = (i: Input) => ({ radiusM: i.r ?? 0.008, resistance: i.mu ?? 0.01 });
const lane = (flight: Flight) => {
  const { lengthM, halfWidthM, clearHeightM } = laneOf(flight);
  return { R_hi: flight.rangeM, lane_length: lengthM, lane_half_width: halfWidthM, clear_height: clearHeightM };
};
const cart = (i: Input) => ({
  bands: i.n,
  stiffness: i.k,
  turns: i.turns,
  axleM: i.d_axle,
  massKg: i.m,
  mostM: i.x_max ?? Number.POSITIVE_INFINITY,
  rolling: i.C_rr ?? 0.05,
  efficiency: i.eta ?? 0.4,
});
const sailing = (i: Input) => ({
  wind: i.u0,
  fanM: i.x_f === undefined ? 2 : i.x_f,
  areaM2: i.A,
  massKg: i.m,
  drag: i.C_d ?? 1.2,
  rolling: i.C_rr ?? 0.05,
});

function segment(i: Input): Segment {
  switch (i.type) {
    case "curve":
    case "spiral":
      return { kind: "curve", radiusM: i.R, turn: i.angle, slope: i.theta ?? 0, bank: i.phi ?? 0, wallM: i.w, grip: i.kappa ?? 1 };
    case "drop":
      return { kind: "drop", dropM: i.dz, keep: i.keep ?? 0.5 };
    case "obstacle":
      return { kind: "obstacle", keep: i.keep ?? 0.7 };
    default:
      return { kind: "slope", lengthM: i.length, slope: i.theta ?? 0, grip: i.kappa ?? 1 };
  }
}

const far = (measured: number, most: number, sd: number): boolean => isOutside(measured, [0, most + 3 * sd]);

/** Quantities of the families in which something falls, flies, rolls or stands, by name as in the reference files. */
export const moving: Readonly<Record<string, Readonly<Record<string, Quantity>>>> = {
  landing: {
    v: (i) => touchSpeed(i.h),
    n_peak: (i) => peakG(i.h, i.s, i.cushion ?? "springy"),
    s_min: (i) => leastCrush(i.h, i.n_tol, i.cushion ?? "springy"),
    h_max: (i) => greatestDrop(i.s, i.n_tol, i.cushion ?? "springy"),
    rebound: (i) => rebound(i.h, i.e),
    stays: (i) => staysIn(i.h, i.e, i.wall),
    h50: (i) => {
      const { h50M, lowM, highM } = halfHeight(
        i.h_lo,
        i.h_hi,
        i.trials.map((t: Input) => ({ heightM: t.h, survived: t.survived })),
      );
      return { h50: h50M, low: lowM, high: highM };
    },
    impossible: (i) => far(i.measured, i.measure === "crush" ? i.h_build : touchSpeed(i.h), i.sd),
    rare: (i) => far(i.measured, greatestDrop(i.s, i.n_tol, i.cushion ?? "springy") * 4, i.sd),
  },
  "launch-band": {
    v0: (i) => flingSpeed(fling(i)),
    range: (i) => fly(thrown(i, i.v0)).rangeM,
    t_flight: (i) => fly(thrown(i, i.v0)).timeS,
    apex: (i) => fly(thrown(i, i.v0)).apexM,
    range_vac: (i) => vacuumRange(i.v0, i.theta, i.h0),
    needs: (i) => lane(strongestFling(fling(i), flyer(i))),
    impossible: (i) => far(i.measured, neverFlung(fling(i), flyer(i)), i.sd),
    rare: (i) => isOutside(i.measured, usualSoft(fly(thrown(i, flingSpeed(fling(i)))).rangeM, 1.5, i.sd)),
  },
  "launch-puff": {
    v0: (i) => puffSpeed(puff(i)),
    range: (i) => fly(thrown(i, puffSpeed(puff(i)))).rangeM,
    C_N_fins: (i) => finForce(outline(i)),
    X_cp: (i) => pressureCentre(outline(i)),
    static_margin: (i) => staticMargin(outline(i), i.X_cg),
    stable: (i) => staticMargin(outline(i), i.X_cg) >= 1,
    needs: (i) => lane(strongestPuff(rocket(i))),
    impossible: (i) => far(i.measured, neverPuffed(rocket(i)), i.sd),
    rare: (i) => isOutside(i.measured, usualSoft(fly(thrown(i, puffSpeed(puff(i)))).rangeM, 1.8, i.sd)),
  },
  glide: {
    h_e: (i) => effectiveHeight(glide(i)),
    range: (i) => glideRange(glide(i)),
    time: (i) => glideTime(glide(i)),
    needs: (i) => {
      const { lengthM, halfWidthM, clearHeightM } = glideLane(glide(i));
      return { length: lengthM, half_width: halfWidthM, clear_height: clearHeightM };
    },
    impossible: (i) => far(i.measured, i.measure === "time" ? 30 : 90, i.sd),
    rare: (i) => isOutside(i.measured, usualSoft(i.measure === "time" ? glideTime(glide(i)) : glideRange(glide(i)), 1.5, i.sd)),
  },
  roll: {
    segment: (i) => {
      const { timeS, speedOut, stallsAtM } = passSegment(segment(i.segment), i.v_in, ball(i));
      return { t: timeS, v_out: speedOut, stalls_at: stallsAtM };
    },
    track: (i) => {
      const rolled = rollTrack(i.segments.map(segment), ball(i));
      const done = { t: rolled.timeS, v_end: rolled.speedEnd, finishes: rolled.finishes };
      return rolled.finishes ? done : { ...done, stop_segment: rolled.stopSegment, stop_at: rolled.stopAtM, reason: rolled.reason };
    },
    v_fly: (i) => flyOffSpeed(i.R, i.phi ?? 0, i.w, i.r ?? 0.008),
    wall_needed: (i) => wallNeeded(i.v, i.R, i.phi ?? 0, i.r ?? 0.008),
    bank_needed: (i) => bankNeeded(i.v, i.R, i.w, i.r ?? 0.008),
    impossible: (i) => isOutside(i.measured, [leastTime(i.H, i.S) - 3 * i.sd, Number.POSITIVE_INFINITY]),
    rare: (i) => isOutside(i.measured, [i.mid / 1.69 - 3 * i.sd, i.mid * 1.69 + 3 * i.sd]),
  },
  drive: {
    distance: (i) => (i.kind === "gravity" ? rampDistance(i.h, i.run, i.C_rr) : bandDistance(cart(i))),
    slips: (i) => wheelsSlip(cart(i), i.D_wheel, i.mu_s ?? 0.4, i.share ?? 0.5),
    starts: (i) => sailStarts(sailing(i)),
    v_terminal: (i) => terminalSail(sailing(i)),
    stop_distance: (i) => sail(sailing(i)).stopM,
    time_to: (i) => sail(sailing(i), i.track).timeS,
    impossible: (i) => {
      const { most, least } = neverDriven(
        i.kind === "band"
          ? { kind: "band", bands: i.n, stiffness: i.k, stretchM: i.x, massKg: i.m }
          : i.kind === "sail"
            ? { kind: "sail", trackM: i.track, wind: i.u0 }
            : { kind: "gravity", heightM: i.h },
      );
      return isOutside(i.measured, [least === null ? 0 : least - 3 * i.sd, most === null ? Number.POSITIVE_INFINITY : most + 3 * i.sd]);
    },
    rare: (i) => isOutside(i.measured, usualSoft(i.mid, i.f ?? (i.kind === "gravity" || i.measure === "time" ? 1.5 : 2), i.sd)),
  },
  tall: {
    budget: (i) => {
      const { layers, peak, heightM, predictedM } = towerBudget(i.N_s, i.N_j, i.l, i.lean === undefined ? undefined : Math.cos(i.lean));
      return { layers, peak, budget_height: heightM, predicted_height: predictedM };
    },
    crush_load: (i) =>
      crushLoad(
        "width" in i ? { widthM: i.width, thicknessM: i.t } : { diameterM: i.D, innerM: i.d_i },
        i.l,
        i.E,
        i.sigma,
        i.lean === undefined ? undefined : Math.cos(i.lean),
      ),
    tip_angle: (i) => tipAngle(i.base, i.c, i.H, i.m_tower, i.m_load),
    impossible: (i) => far(i.measured, highestStack(i.N_s, i.N_j, i.l), i.sd),
    rare: (i) => {
      const { layers, peak } = towerBudget(i.N_s, i.N_j, i.l);
      return far(i.measured, 1.25 * (layers + peak) * i.l, i.sd);
    },
  },
};
