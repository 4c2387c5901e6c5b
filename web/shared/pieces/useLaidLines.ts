import type { PictureEnds } from "@lampcrate/core";
import { useState } from "react";
import type { LaidLine } from "./PhotoRuler.tsx";

/** The two lines over a picture, as they are moved. */
export interface LaidLines {
  readonly lines: Readonly<Record<LaidLine, PictureEnds>>;
  readonly move: (line: LaidLine, ends: PictureEnds) => void;
}

/** Two lines that begin across a picture of this size, points: the known one low, the other at the middle. */
export function useLaidLines({ width, height }: { readonly width: number; readonly height: number }): LaidLines {
  const across = (y: number): PictureEnds => [
    { x: 0.25 * width, y: y * height },
    { x: 0.75 * width, y: y * height },
  ];
  const [lines, setLines] = useState<LaidLines["lines"]>(() => ({ known: across(0.82), claimed: across(0.45) }));
  return { lines, move: (line, ends) => setLines((now) => ({ ...now, [line]: ends })) };
}
