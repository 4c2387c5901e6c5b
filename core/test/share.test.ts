import { describe, expect, it } from "vitest";
import { parseShare } from "../src/index.ts";

const shareOf = (text: string, asked = {}): number | string => {
  const read = parseShare(text, asked);
  return read.ok ? read.share : read.words;
};

describe("a share as people type it", () => {
  it.each([
    ["5", 0.05],
    ["5 %", 0.05],
    [" 12,5% ", 0.125],
    ["½ %", 0.005],
    ["40 per cent", 0.4],
    ["0.5", 0.005],
    ["0", 0],
    ["100", 1],
  ] as const)("reads %j as %d", (text, share) => {
    expect(shareOf(text)).toBeCloseTo(share, 12);
  });

  it.each(["5 cm", "5 m", "2 ft", "3 kg", "", "%", "many", "5 % or so", "NaN"])("never takes %j for one", (text) => {
    expect(shareOf(text)).toBe(`“${text}” is no share, such as 5 %.`);
    expect(shareOf(text, { bareShares: true })).toBe(`“${text}” is no share, such as 5 %.`);
  });

  it("keeps within its bounds, and says them", () => {
    expect([shareOf("95", { most: 0.95 }), shareOf("96", { most: 0.95 }), shareOf("-1"), shareOf("9".repeat(30))]).toEqual([
      0.95,
      "From 0 to 95 %.",
      "From 0 to 100 %.",
      "From 0 to 100 %.",
    ]);
  });

  it("takes a bare number below 1 from a spreadsheet for the share itself", () => {
    const asked = { bareShares: true };
    expect([shareOf("0,1", asked), shareOf("0.1 %", asked), shareOf("1", asked), shareOf("4", asked)]).toEqual([0.1, 0.001, 0.01, 0.04]);
  });
});
