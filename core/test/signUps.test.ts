import { describe, expect, it } from "vitest";
import { type DropIn, dayFromSignUps, readSignUps, usualDay } from "../src/index.ts";

const rows = (text: string): string[][] => text.split("\n").map((line) => line.split(","));
const read = (text: string) => readSignUps(rows(text), "10:00", 120);

const before: DropIn = {
  ...usualDay({
    minutes: 150,
    builders: 40,
    unit: "builder",
    seats: 20,
    kits: null,
    rigs: 2,
    buildMinutes: 20,
    trials: 1,
    minutesPerTrial: 1,
    rebuildChance: 0,
    mostRebuilds: 0,
  }),
  weights: [1, 1, 1, 1, 1, 1, 1, 1],
  partySizeShares: [0.5, 0.5],
};

describe("sign-ups of a drop-in day", () => {
  it("are a time and builders a row, headings and empty rows passed over", () => {
    expect(read("time,builders\n10:00,3\n\n9:05,2\n11:59")).toEqual({
      parties: [
        { min: 0, heads: 3 },
        { min: 119, heads: 1 },
      ],
      troubles: [{ row: 4, words: "9:05 is before the doors open at 10:00." }],
    });
  });

  it("are told by their row where they can't be taken, with how to mend them", () => {
    expect(read("10.30,2\n12:00,1\n10:15,13\n10:15,some").troubles).toEqual([
      { row: 1, words: "“10.30” is no time: type it as 10:15." },
      { row: 2, words: "12:00 is after last entry, 120 min from 10:00 on." },
      { row: 3, words: "“13” are no builders of one party: a whole number from 1 to 12." },
      { row: 4, words: "“some” are no builders of one party: a whole number from 1 to 12." },
    ]);
    expect(
      readSignUps(
        Array.from({ length: 2001 }, () => ["10:00", "1"]),
        "10:00",
        120,
      ),
    ).toMatchObject({ parties: [], troubles: [{ row: 2001 }] });
  });

  it("make the profile, the sizes and the parties that come; walk-ins as they were thought", () => {
    const { parties } = read("10:00,1\n10:05,3\n10:14,3\n11:00,3");
    expect(dayFromSignUps(parties, { showRate: 0.5, walkIns: 0 }, before)).toEqual({
      expectedParties: 2,
      weights: [10, 0, 0, 0, 3.3, 0, 0, 0],
      partySizeShares: [0.25, 0, 0.75],
    });
    expect(dayFromSignUps(parties, { showRate: 1, walkIns: 8 }, before)).toEqual({
      expectedParties: 12,
      weights: [10, 2.5, 2.5, 2.5, 5, 2.5, 2.5, 2.5],
      partySizeShares: [0.417, 0.333, 0.25],
    });
    expect(dayFromSignUps([], { showRate: 1, walkIns: 8 }, before)).toEqual({});
    expect(dayFromSignUps(parties, { showRate: 0, walkIns: 0 }, before)).toEqual({ expectedParties: 0 });
  });
});
