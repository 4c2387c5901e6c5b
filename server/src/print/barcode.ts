import bwip from "bwip-js/node";
import { ink, type Paper } from "./paper.ts";

/** Narrowest bar that a hand scanner reads from paper, and quiet zones of ten bars on either side. */
const quietBars = 10;

/** Code 128 of a few letters and digits, drawn in a box: bars as wide as fit, whole multiples alike. Gives the width used, points. */
export function drawBarcode({ pdf }: Paper, text: string, x: number, y: number, width: number, height: number): number {
  const [{ sbs }] = bwip.raw({ bcid: "code128", text }) as unknown as [{ readonly sbs: readonly number[] }];
  const bars = sbs.reduce((sum, bar) => sum + bar, 0);
  const one = width / (bars + 2 * quietBars);
  let at = x + quietBars * one;
  pdf.fillColor(ink);
  for (const [i, bar] of sbs.entries()) {
    if (i % 2 === 0) pdf.rect(at, y, bar * one, height).fill();
    at += bar * one;
  }
  return width;
}
