import { BinomialDraws, NegativeBinomialDraws, PoissonDraws } from "../../random/discrete.ts";
import { gammaAt } from "../../random/gamma.ts";
import { seedOf, uniformAt } from "../../random/stream.ts";
import { ceiling } from "./rounding.ts";
import type { Per } from "./units.ts";

/** How a line is given out. */
export const lineKinds = ["counted", "measured", "reusable"] as const;
export type LineKind = (typeof lineKinds)[number];

/** Who makes one build. */
export const builtBy = ["builder", "team"] as const;
export type BuiltBy = (typeof builtBy)[number];

/** What one line takes. `perRebuild` is f: the part of the amount that a rebuild takes again. */
export type LineUse = { readonly id: string; readonly per: Per; readonly tier?: string | undefined } & (
  | {
      readonly kind: "counted";
      readonly amount: number;
      readonly perRebuild: number;
      readonly spoilRate: number;
      /** From the house and back again: sessions one after the other share it. */
      readonly comesBack?: boolean | undefined;
    }
  | { readonly kind: "measured"; readonly amount: number; readonly perRebuild: number; readonly spread: number; readonly step: number }
  | { readonly kind: "reusable"; readonly share: number; readonly unitsPerItem: number; readonly loss: number }
);

/** Who rebuilds, how often, and how likely. */
export interface Rebuilding {
  readonly buildBy: BuiltBy;
  readonly rate: number;
  readonly loops: number;
}

/** True for what a session gives back: the next one has it again. */
export function returns(line: LineUse): boolean {
  return line.kind === "reusable" || (line.kind === "counted" && line.comesBack === true);
}

/** Draws of one line, and the means they are made of. */
export interface LineDraws {
  readonly draws: Float64Array;
  readonly base: number;
  readonly rebuild: number;
  readonly spoilt: number;
}

/** ΣB of each draw: B₁ ~ Bin(U, q), B₂ ~ Bin(B₁, q) … up to the most loops; one per draw, shared by all lines of the unit that builds. */
export function drawRebuilds(units: Int32Array, rebuilding: Rebuilding, seed: string): Int32Array {
  const again = new BinomialDraws(rebuilding.rate);
  const streams = Array.from({ length: rebuilding.loops }, (_, loop) => seedOf(seed, "rebuild", String(loop)));
  const total = new Int32Array(units.length);
  for (let i = 0; i < units.length; i += 1) {
    let building = units[i] ?? 0;
    let sum = 0;
    for (const stream of streams) {
      building = again.at(building, uniformAt(stream, i));
      sum += building;
    }
    total[i] = sum;
  }
  return total;
}

/**
 * Draws of one line given its units and rebuilds per draw.
 * Counted: G = ⌈U a⌉ + ΣB ⌈f a⌉ good pieces and a negative binomial of spoilt ones.
 * Measured: Gamma with mean (U + f ΣB) a and variance (U + f² ΣB)(c a)².
 * Reusable: ⌈⌈U · share⌉ / units per item⌉ + Poisson(loss).
 */
export function drawLine(line: LineUse, units: Int32Array, rebuilds: Int32Array, seed: string): LineDraws {
  switch (line.kind) {
    case "counted":
      return drawCounted(line, units, rebuilds, seed);
    case "measured":
      return drawMeasured(line, units, rebuilds, seed);
    case "reusable":
      return drawReusable(line, units, seed);
  }
}

function drawCounted(line: LineUse & { kind: "counted" }, units: Int32Array, rebuilds: Int32Array, seed: string): LineDraws {
  const spoil = new NegativeBinomialDraws(line.spoilRate);
  const stream = seedOf(seed, "spoil", line.id);
  const again = ceiling(line.perRebuild * line.amount);
  const draws = new Float64Array(units.length);
  const whole = Number.isInteger(line.amount);
  let [base, rebuild, spoilt] = [0, 0, 0];
  for (let i = 0; i < units.length; i += 1) {
    const all = (units[i] ?? 0) * line.amount;
    const first = whole ? all : ceiling(all);
    const more = (rebuilds[i] ?? 0) * again;
    const lost = spoil.at(first + more, uniformAt(stream, i), uniformAt(stream, i, 1));
    draws[i] = first + more + lost;
    base += first;
    rebuild += more;
    spoilt += lost;
  }
  const n = units.length;
  return { draws, base: base / n, rebuild: rebuild / n, spoilt: spoilt / n };
}

function drawMeasured(line: LineUse & { kind: "measured" }, units: Int32Array, rebuilds: Int32Array, seed: string): LineDraws {
  const stream = seedOf(seed, "use", line.id);
  const { amount: a, perRebuild: f, spread: c } = line;
  const draws = new Float64Array(units.length);
  let [base, rebuild] = [0, 0];
  for (let i = 0; i < units.length; i += 1) {
    const u = units[i] ?? 0;
    const b = rebuilds[i] ?? 0;
    const mean = (u + f * b) * a;
    const variance = (u + f * f * b) * (c * a) ** 2;
    draws[i] = variance > 0 && mean > 0 ? (gammaAt((mean * mean) / variance, stream, i) * variance) / mean : mean;
    base += u * a;
    rebuild += f * b * a;
  }
  const n = units.length;
  return { draws, base: base / n, rebuild: rebuild / n, spoilt: 0 };
}

function drawReusable(line: LineUse & { kind: "reusable" }, units: Int32Array, seed: string): LineDraws {
  const stream = seedOf(seed, "loss", line.id);
  const losses = new PoissonDraws(line.loss);
  const draws = new Float64Array(units.length);
  let [base, lost] = [0, 0];
  for (let i = 0; i < units.length; i += 1) {
    const peak = ceiling((units[i] ?? 0) * line.share);
    const items = ceiling(peak / line.unitsPerItem);
    const gone = losses.at(uniformAt(stream, i));
    draws[i] = items + gone;
    base += items;
    lost += gone;
  }
  const n = units.length;
  return { draws, base: base / n, rebuild: 0, spoilt: lost / n };
}

/** Spoil rate of a line cut here, mis-cuts included once: 1 − p = (1 − p_build)(1 − p_cut). */
export function spoilWithMiscuts(buildRate: number, cutRate: number): number {
  return 1 - (1 - buildRate) * (1 - cutRate);
}
