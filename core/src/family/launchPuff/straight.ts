/** A rocket's outline; stations from the nose tip, m. */
export interface Outline {
  readonly bodyM: number;
  readonly noseM: number;
  readonly nose?: "cone" | "rounded";
  readonly fins: number;
  /** How far a fin stands out from the body. */
  readonly finSpanM: number;
  readonly rootM: number;
  readonly tipM: number;
  /** Root front to tip front, along the body. */
  readonly sweepM: number;
  /** Where the root starts. */
  readonly rootAtM: number;
}

/** Good for 3 to 8 fins: fewer leave one plane bare and count as none. */
export function finForce({ bodyM, fins, finSpanM: s, rootM, tipM, sweepM }: Outline): number {
  if (fins < 3 || s <= 0 || rootM + tipM <= 0) return 0;
  const r = bodyM / 2;
  const mid = Math.sqrt(s ** 2 + (sweepM + (tipM - rootM) / 2) ** 2);
  return ((1 + r / (s + r)) * 4 * fins * (s / bodyM) ** 2) / (1 + Math.sqrt(1 + ((2 * mid) / (rootM + tipM)) ** 2));
}

/** Centre of pressure from the nose tip, m, after Barrowman's method for slender finned bodies (1967). */
export function pressureCentre(outline: Outline): number {
  const { noseM, nose = "cone", rootM, tipM, sweepM, rootAtM } = outline;
  const noseAt = (nose === "rounded" ? 0.47 : 2 / 3) * noseM;
  const force = finForce(outline);
  if (force === 0) return noseAt;
  const chords = rootM + tipM;
  const finAt = rootAtM + (sweepM * (rootM + 2 * tipM)) / (3 * chords) + (chords - (rootM * tipM) / chords) / 6;
  return (2 * noseAt + force * finAt) / (2 + force);
}

/** Calibres between the centre of mass and the centre of pressure behind it (±0.5); 1 or more flies straight. */
export function staticMargin(outline: Outline, massAtM: number): number {
  return (pressureCentre(outline) - massAtM) / outline.bodyM;
}
