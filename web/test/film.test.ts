import { expect, it } from "vitest";
import { frameAt, gapAround } from "../home/film/nearest.ts";

/** A film whose frames don't lie evenly, and that doesn't begin at nought. */
const times = [0.02, 0.053, 0.087, 0.187, 0.22];

it("finds the frame that is shown at a time", () => {
  expect([-1, 0.02, 0.0529, 0.053, 0.1, 0.187, 9].map((at) => frameAt(times, at))).toEqual([0, 0, 0, 1, 2, 3, 4]);
  expect(frameAt([], 1)).toBe(0);
});

it("says how far frames lie apart around one by the longer gap", () => {
  expect([0, 1, 2, 3, 4].map((frame) => gapAround(times, frame).toFixed(3))).toEqual(["0.033", "0.034", "0.100", "0.100", "0.033"]);
  expect(gapAround([1], 0)).toBe(0);
});
