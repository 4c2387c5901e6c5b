import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  addDays,
  aliasOf,
  type Booking,
  codeInAddress,
  dateWords,
  dayAndMonth,
  endOfDay,
  freeRooms,
  instantOf,
  isZone,
  nextFreeStart,
  nextSameDay,
  plainCode,
  roomLacks,
  roomTwice,
  shortDate,
  spokenCode,
  startOfDay,
  wallOf,
} from "../src/index.ts";

const hour = 3600_000;
const room = { id: "a", name: "Marsh Room", lengthM: 10, widthM: 8, heightM: 3, seats: 40, water: false, floor: "carpet" as const };
const booking = (id: string, start: number, rest: Partial<Booking> = {}): Booking => ({
  id,
  words: id,
  roomId: "a",
  start,
  minutes: 60,
  setUpMin: 30,
  tearDownMin: 30,
  ...rest,
});

describe("wall clock", () => {
  it("reads a time that comes twice as the first, and one that never comes with the offset before the gap", () => {
    expect(instantOf("2026-10-25T02:30", "CET")).toBe(Date.UTC(2026, 9, 25, 0, 30));
    expect(wallOf(instantOf("2026-03-29T02:30", "CET") ?? 0, "CET")).toBe("2026-03-29T03:30");
  });

  it("has days of 23 and 25 hours, and refuses days that are none", () => {
    expect((endOfDay("2026-03-29", "CET") ?? 0) - (startOfDay("2026-03-29", "CET") ?? 0)).toBe(23 * hour);
    expect((endOfDay("2026-10-25", "CET") ?? 0) - (startOfDay("2026-10-25", "CET") ?? 0)).toBe(25 * hour);
    expect([instantOf("2026-02-30T10:00", "CET"), isZone("Marsh/Bog"), isZone("CET")]).toEqual([null, false, true]);
  });

  it("says dates in words", () => {
    expect(dateWords("2027-01-03")).toBe("Sunday 3 January 2027");
    expect([shortDate("2026-09-05", "2026-11-25"), dayAndMonth("2026-09-05")]).toEqual(["Sat 5 Sep", "5 Sep"]);
    for (const none of ["2026-02-30", "2026-13-01", "soon", "2026-12-05T10:00"])
      expect(() => dateWords(none)).toThrow(`${none} is no date`);
  });

  it("names every day of some years as Intl does, long and short", () => {
    const named = (length: "long" | "short"): Intl.DateTimeFormat =>
      new Intl.DateTimeFormat("en-GB", { weekday: length, day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
    const [long, short] = [named("long"), named("short")];
    for (let day = Date.UTC(2024, 0, 1); day < Date.UTC(2029, 0, 1); day += 24 * hour) {
      const date = new Date(day).toISOString().slice(0, 10);
      expect(dateWords(date)).toBe(long.format(day).replace(/^(\w+),? /, "$1 "));
      const [weekday, , month] = short
        .format(day)
        .replace(",", "")
        .split(" ")
        .map((word, i) => (i === 2 ? word.slice(0, 3) : word));
      expect(shortDate(date, null)).toBe(`${weekday} ${new Date(day).getUTCDate()} ${month} ${date.slice(0, 4)}`);
    }
  });

  it("finds the day that was meant when the year was a slip", () => {
    const today = "2026-11-25";
    expect(["2025-12-05", "2026-03-01", "2026-11-25", "2024-02-29"].map((date) => nextSameDay(date, today))).toEqual([
      "2026-12-05",
      "2027-03-01",
      "2026-11-25",
      "2028-02-29",
    ]);
  });

  it("says the year of a date that is half a year away or more, and of one that is kept", () => {
    const today = "2026-11-25";
    expect(["2027-05-24", "2027-05-25", "2026-05-29", "2026-05-28", "2025-11-25"].map((date) => shortDate(date, today))).toEqual([
      "Mon 24 May",
      "Tue 25 May 2027",
      "Fri 29 May",
      "Thu 28 May 2026",
      "Tue 25 Nov 2025",
    ]);
    expect(shortDate("2026-11-26", null)).toBe("Thu 26 Nov 2026");
    expect(addDays("2026-12-31", 1)).toBe("2027-01-01");
  });
});

describe("a room taken twice", () => {
  it("counts set-up and tear-down, and lets bookings touch", () => {
    const first = booking("first", 10 * hour);
    expect(roomTwice(booking("next", 12 * hour - 1), [first]).map((b) => b.id)).toEqual(["first"]);
    expect(roomTwice(booking("next", 12 * hour), [first])).toEqual([]);
    expect(roomTwice(booking("other", 10 * hour, { roomId: "b" }), [first])).toEqual([]);
    expect(roomTwice(booking("gone", 10 * hour, { cancelled: true }), [first])).toEqual([]);
  });

  it("is solved by the start it offers, and by any room it offers", () => {
    const starts = fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 8 });
    fc.assert(
      fc.property(starts, fc.integer({ min: 0, max: 40 }), (taken, wish) => {
        const others = taken.map((h, i) => booking(`b${i}`, h * hour));
        const wished = booking("wish", wish * hour);
        const start = nextFreeStart(wished, others);
        expect(start).toBeGreaterThanOrEqual(wished.start);
        expect(roomTwice({ ...wished, start }, others)).toEqual([]);
        for (const free of freeRooms(wished, [room, { ...room, id: "b" }], others))
          expect(roomTwice({ ...wished, roomId: free.id }, others)).toEqual([]);
      }),
    );
  });
});

describe("what a room lacks", () => {
  it("is one clash a need, each with what would solve it", () => {
    const clashes = roomLacks(room, { lengthM: 12, widthM: 8, heightM: 3.4, seats: 44, water: true, floor: "washable" });
    expect(clashes.map((c) => c.words)).toEqual([
      "Marsh Room is 10\u00a0m long; this brief needs 12\u00a0m.",
      "Marsh Room is 3\u00a0m high; this brief needs 3.4\u00a0m.",
      "Marsh Room seats 40; 44 are likely to be there at once.",
      "Marsh Room has a floor of carpet; this brief needs one that can be wiped.",
      "Marsh Room has no water.",
    ]);
    expect(clashes.every((c) => c.solve.length > 0)).toBe(true);
    expect(
      roomLacks({ ...room, heightM: null }, { lengthM: null, widthM: null, heightM: 9, seats: null, water: false, floor: "level" }),
    ).toEqual([]);
    const tall = { lengthM: null, widthM: null, heightM: 9.144, seats: null, water: false, floor: "any" } as const;
    expect(roomLacks(room, tall, "imperial")[0]?.words).toBe("Marsh Room is 9.84\u00a0ft high; this brief needs 30\u00a0ft.");
    const lawn = { ...room, floor: "grass" as const };
    expect(roomLacks(lawn, { lengthM: null, widthM: null, heightM: null, seats: null, water: false, floor: "level" })).toHaveLength(1);
  });
});

describe("words for codes and aliases", () => {
  it("reads a code however it is typed", () => {
    for (const typed of ["reed lantern 4", "REED-LANTERN-4", " Reed  Lantern4 "]) expect(plainCode(typed)).toBe("REED LANTERN 4");
  });

  it("gives another at another attempt, and one that reads back", () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 6 }),
        (id) =>
          plainCode(codeInAddress(spokenCode(id))) === spokenCode(id) &&
          plainCode(spokenCode(id)) === spokenCode(id) &&
          /^[A-Z][a-z]+ [A-Z][a-z]+$/.test(aliasOf(id)),
      ),
    );
    expect(new Set(Array.from({ length: 12 }, (_, attempt) => aliasOf("same", attempt))).size).toBeGreaterThan(10);
  });
});
