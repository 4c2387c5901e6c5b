import type { Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { mostParts, rollDesign } from "./fields.ts";
import type { Segment } from "./segment.ts";

/** A part of the track as it was set. */
export interface Part {
  /** Its place among the parts that may be set, from 1. */
  readonly place: number;
  readonly kind: string;
  readonly segment: Segment;
}

/** Half-angle of a folded V is 45°: the ball touches it on two sides. */
const veeGrip = Math.SQRT1_2;

/** The parts of the plain build, in order. */
export function partsOf(design: Values): readonly Part[] {
  const grip = choiceOf(design, rollDesign, "channel") === "vee" ? veeGrip : 1;
  const parts: Part[] = [];
  for (let n = 1; n <= mostParts; n += 1) {
    const kind = choiceOf(design, rollDesign, `kind${n}`);
    const number = (id: string): number => numberOf(design, rollDesign, `${id}${n}`);
    const segment = segmentOf(kind, number, grip);
    if (segment) parts.push({ place: n, kind, segment });
  }
  return parts;
}

function segmentOf(kind: string, number: (id: string) => number, grip: number): Segment | null {
  switch (kind) {
    case "slope":
    case "covered":
      return { kind: "slope", lengthM: number("length"), slope: number("slope"), grip };
    case "flat":
      return { kind: "slope", lengthM: number("length"), slope: 0, grip };
    case "rise":
      return { kind: "slope", lengthM: number("length"), slope: -number("up"), grip };
    case "curve":
    case "spiral":
      return {
        kind: "curve",
        radiusM: number("radius"),
        turn: number("turn"),
        slope: number("slope"),
        bank: 0,
        wallM: number("wall"),
        grip,
      };
    case "drop":
      return { kind: "drop", dropM: number("drop") };
    case "bump":
      return { kind: "obstacle" };
    default:
      return null;
  }
}
