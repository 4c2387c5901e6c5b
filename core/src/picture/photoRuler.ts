/** A place in a picture, points from its upper left corner. */
export interface PicturePlace {
  readonly x: number;
  readonly y: number;
}

/** The two ends of something straight in a picture. */
export type PictureEnds = readonly [PicturePlace, PicturePlace];

/** How the thing of known length lies to the thing that is measured, as seen from the camera. */
export const pictureDepths = ["same", "nearer", "farther"] as const;
export type PictureDepth = (typeof pictureDepths)[number];

export interface PhotoRulerInput {
  readonly known: PictureEnds;
  /** The known length, m, and how far it may be off, m. */
  readonly knownM: number;
  readonly knownOffM: number;
  readonly claimed: PictureEnds;
  /** How far each end may be placed off along its line, points (one standard deviation). */
  readonly endOff: number;
  readonly depth: PictureDepth;
}

/** What makes a length read off a picture doubtful. */
export const rulerDoubts = ["nearer", "farther", "turned", "apart"] as const;
export type RulerDoubt = (typeof rulerDoubts)[number];

export interface PhotoLength {
  /** m */
  readonly si: number;
  /** m: 19 times in 20 the ends' own places and the known length put it no farther off than this. */
  readonly off: number;
  /** The known thing lies nearer or farther: the length is at least, or at most, this. */
  readonly limit: "at least" | "at most" | null;
  readonly doubts: readonly RulerDoubt[];
}

/** Lines at a greater angle than this are shortened differently by a tilted table, degrees. */
const mostTurned = 30;

/** Lines whose middles lie farther apart than this many times the longer line may not lie in one plane. */
const mostApart = 1.5;

/**
 * The length of something in a picture, by something of known length beside it: L = L₀ d/d₀, with d and d₀ the
 * distances of their ends. Two ends placed with standard deviation e each put a distance off by e√2; the three relative
 * variances add (first-order propagation of error): (σ/L)² = 2e²/d² + 2e²/d₀² + (u/L₀)², and ± is 1.96 σ. It holds only
 * where both lie in one plane that faces the camera: what speaks against that is listed. null where a line is shorter
 * than four times its own uncertainty, or no length is known.
 */
export function photoLength({ known, knownM, knownOffM, claimed, endOff, depth }: PhotoRulerInput): PhotoLength | null {
  const [d0, d] = [lengthOf(known), lengthOf(claimed)];
  const least = 4 * Math.SQRT2 * endOff;
  if (!(knownM > 0) || !(d0 > least && d > least)) return null;
  const si = (knownM * d) / d0;
  const relative = Math.sqrt((2 * endOff ** 2) / d ** 2 + (2 * endOff ** 2) / d0 ** 2 + (knownOffM / knownM) ** 2);
  return {
    si,
    off: 1.96 * relative * si,
    // What is nearer looks larger: measured by it, the rest comes out too small.
    limit: depth === "nearer" ? "at least" : depth === "farther" ? "at most" : null,
    doubts: [
      ...(depth === "same" ? [] : [depth]),
      ...(angleBetween(known, claimed) > mostTurned ? (["turned"] as const) : []),
      ...(lengthOf([middleOf(known), middleOf(claimed)]) > mostApart * Math.max(d, d0) ? (["apart"] as const) : []),
    ],
  };
}

const lengthOf = ([a, b]: PictureEnds): number => Math.hypot(b.x - a.x, b.y - a.y);
const middleOf = ([a, b]: PictureEnds): PicturePlace => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

/** Degrees from 0 to 90: a line has no direction. */
function angleBetween([a, b]: PictureEnds, [c, d]: PictureEnds): number {
  const turn = Math.atan2(b.y - a.y, b.x - a.x) - Math.atan2(d.y - c.y, d.x - c.x);
  const degrees = Math.abs((turn * 180) / Math.PI) % 180;
  return Math.min(degrees, 180 - degrees);
}
