import { expect, it } from "vitest";
import { strokeBins } from "../desk/rehearse/stroke.ts";

it("passes every bar between two places of a quick stroke, on a straight line", () => {
  expect(strokeBins({ bin: 1, weight: 2 }, { bin: 4, weight: 8 })).toEqual([
    { bin: 2, weight: 4 },
    { bin: 3, weight: 6 },
    { bin: 4, weight: 8 },
  ]);
  expect(strokeBins({ bin: 3, weight: 1 }, { bin: 1, weight: 5 })).toEqual([
    { bin: 2, weight: 3 },
    { bin: 1, weight: 5 },
  ]);
});

it("begins where the pointer is put down, and stays within one bar while it does", () => {
  expect(strokeBins(null, { bin: 5, weight: 3 })).toEqual([{ bin: 5, weight: 3 }]);
  expect(strokeBins({ bin: 5, weight: 3 }, { bin: 5, weight: 4 })).toEqual([{ bin: 5, weight: 4 }]);
});
