import type { CutDoc } from "./brief.ts";

/** A cut with the usual for what isn't said: a rectangle by scissors that may be turned, nothing squared off. Parts that are not known are left out. */
export function cutDoc({
  shape = "rectangle",
  widthM,
  heightM,
  rotate = true,
  kerfM = 0,
  trimM = 0,
  missRate = 0,
}: Partial<CutDoc> & Pick<CutDoc, "widthM" | "heightM">): CutDoc {
  return { shape, widthM, heightM, rotate, kerfM, trimM, missRate };
}
