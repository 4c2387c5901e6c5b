import type { Measure } from "./shape.ts";

/* What several families may be asked for beside their main outcome. */

const tape = (id: string, words: string, better: Measure["better"], unit = "m"): Measure => ({
  id,
  words,
  dimension: "length",
  quality: "distance",
  better,
  unit,
  instruments: ["tape"],
});

export const distanceBeside = tape("distance", "Distance to first touch", "more");
export const sideBeside = tape("side", "How far off to the side", "less", "cm");
export const missBeside = tape("miss", "Distance from the target", "less", "cm");

/** A time beside another outcome. */
export const timeBeside = (words: string, better: Measure["better"] = "more"): Measure => ({
  id: "time",
  words,
  dimension: "time",
  quality: "time",
  better,
  unit: "s",
  instruments: ["hand stopwatch", "frame count"],
});
