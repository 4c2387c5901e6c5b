/** A strut: round or tube by `diameterM` and `innerM`, or a flat stick by `widthM` × `thicknessM`. SI. */
export type Section =
  | { readonly diameterM: number; readonly innerM?: number | undefined }
  | { readonly widthM: number; readonly thicknessM: number };

/** Area, m². */
export function sectionArea(section: Section): number {
  if ("widthM" in section) return section.widthM * section.thicknessM;
  return (Math.PI * (section.diameterM ** 2 - (section.innerM ?? 0) ** 2)) / 4;
}

/** Least second moment of area, m⁴. */
export function secondMoment(section: Section): number {
  if ("widthM" in section) return (section.widthM * section.thicknessM ** 3) / 12;
  return (Math.PI * (section.diameterM ** 4 - (section.innerM ?? 0) ** 4)) / 64;
}

/** Greatest push on a strut of length `lengthM`, ends pinned, N: Euler's load or squashing, whichever is less (×÷1.6). */
export function strutStrength(section: Section, lengthM: number, stiffnessPa: number, bendingPa: number): number {
  const euler = (Math.PI ** 2 * stiffnessPa * secondMoment(section)) / lengthM ** 2;
  return Math.min(euler, bendingPa * sectionArea(section));
}
