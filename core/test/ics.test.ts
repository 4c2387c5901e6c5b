import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { zoneChanges } from "../src/format/ics/zoneRules.ts";
import { datesOf, type IcsEvent, instantOf, readIcs, wallOf, writeIcs } from "../src/index.ts";

const at = (wall: string, zone = "CET"): number => instantOf(wall, zone) ?? 0;
const event = (uid: string, start: string, patch: Partial<IcsEvent> = {}): IcsEvent => ({
  uid,
  start: at(start),
  end: at(start) + 5_400_000,
  title: "Boardwalk, over; the \\ Bog",
  place: "Marsh Room",
  notes: "",
  status: "CONFIRMED",
  sequence: 0,
  ...patch,
});
/** Before, in and after both clock changes, over them, and the hour that comes twice. */
const around = [
  event("a", "2026-03-28T10:00"),
  event("b", "2026-03-29T01:30"),
  event("c", "2026-03-29T03:00", { status: "TENTATIVE" }),
  event("d", "2026-07-04T10:00", { status: "CANCELLED", sequence: 4 }),
  event("e", "2026-10-25T01:30", { title: "Ünder dem Möor ".repeat(12).trim() }),
  event("f", "2026-10-25T02:30"),
  event("g", "2026-10-26T10:00"),
];
const written = (zone = "CET"): string => writeIcs({ name: "Quillmarsh Hall", zone, at: at("2026-03-01T09:00"), events: around });
const fileOf = (...lines: readonly string[]): string => ["BEGIN:VCALENDAR", "VERSION:2.0", ...lines, "END:VCALENDAR", ""].join("\r\n");
const eventFile = (...lines: readonly string[]): string => fileOf("BEGIN:VEVENT", "UID:x", "SUMMARY:Rest", ...lines, "END:VEVENT");
const read = (text: string, zone = "CET") => readIcs(text, { zone, today: "2026-11-25" });
const spans = (text: string, zone?: string): string[] => {
  const found = read(text, zone);
  if (!found.ok) throw new Error(found.message);
  return found.found.map(({ from, to }) => `${from} ${to}`);
};

describe("a calendar file out", () => {
  it("is the one that two calendar libraries of others have read to the same instants, byte for byte", () => {
    const kept = new URL("../reference/feeds/", import.meta.url);
    expect(written()).toBe(readFileSync(new URL("around.ics", kept), "utf8"));
    const theirs = JSON.parse(readFileSync(new URL("around.json", kept), "utf8")) as Record<
      string,
      Record<string, readonly [number, number]>
    >;
    const ours = Object.fromEntries(around.map(({ uid, start, end }) => [uid, [start / 1000, end / 1000]]));
    expect(Object.keys(theirs)).toHaveLength(2);
    for (const instants of Object.values(theirs)) expect(instants).toEqual(ours);
  });

  it("has no rule, folds its lines at 75 bytes, escapes texts, and says what was cancelled", () => {
    const text = written();
    expect(text).not.toContain("RRULE");
    for (const row of text.split("\r\n")) expect(Buffer.byteLength(row)).toBeLessThanOrEqual(75);
    expect(text).toContain("SUMMARY:Boardwalk\\, over\\; the \\\\ Bog");
    expect(text.match(/STATUS:CANCELLED/g)).toHaveLength(1);
    expect(text).toContain("SEQUENCE:4");
  });

  it("of no session is a calendar all the same", () => {
    expect(writeIcs({ name: "Empty", zone: "CET", at: 0, events: [] })).toMatch(/^BEGIN:VCALENDAR\r\n[\s\S]*END:VCALENDAR\r\n$/);
  });

  it("comes back as it went out, in zones that change their clocks, that don't, and that are south of here", () => {
    for (const zone of ["CET", "UTC", "Etc/GMT-5", "Australia/Lord_Howe", "America/St_Johns"]) {
      const { start, end } = event("a", "2026-12-05T10:00");
      const text = writeIcs({ name: "x", zone, at: 0, events: [event("a", "2026-12-05T10:00")] });
      expect(spans(text, zone)).toEqual([`${wallOf(start, zone)} ${wallOf(end, zone)}`]);
    }
  });

  it("writes the change of clocks that is in force at the first event, and no rule for those to come", () => {
    expect(zoneChanges("CET", at("2026-03-28T10:00"), at("2026-10-26T10:00")).map(({ kind, wall }) => `${kind} ${wall}`)).toEqual([
      "DAYLIGHT 2025-03-30T02:00:00",
      "STANDARD 2025-10-26T03:00:00",
      "DAYLIGHT 2026-03-29T02:00:00",
      "STANDARD 2026-10-25T03:00:00",
    ]);
    expect(zoneChanges("UTC", 0, 1)).toEqual([{ kind: "STANDARD", wall: "1970-01-01T00:00:00", offsetFrom: "+0000", offsetTo: "+0000" }]);
  });
});

describe("a calendar file in", () => {
  it("all-day ends are exclusive; a day without an end is one day", () => {
    expect(spans(eventFile("DTSTART;VALUE=DATE:20261224", "DTEND;VALUE=DATE:20261227"))).toEqual(["2026-12-24 2026-12-26"]);
    expect(spans(eventFile("DTSTART;VALUE=DATE:20261224"))).toEqual(["2026-12-24 2026-12-24"]);
  });

  it("a time without a zone is the house's, one in UTC or of another zone comes on the house's clock, each end by its own zone", () => {
    expect(spans(eventFile("DTSTART:20261205T100000", "DTEND:20261205T120000"))).toEqual(["2026-12-05T10:00 2026-12-05T12:00"]);
    expect(spans(eventFile("DTSTART:20260705T100000Z", "DURATION:PT90M"))).toEqual([]);
    expect(spans(eventFile("DTSTART:20261205T100000Z", "DURATION:PT90M"))).toEqual(["2026-12-05T11:00 2026-12-05T12:30"]);
    expect(spans(eventFile("DTSTART;TZID=UTC:20261205T100000", "DTEND;TZID=Asia/Tokyo:20261205T200000"))).toEqual([
      "2026-12-05T11:00 2026-12-05T12:00",
    ]);
  });

  it("a zone of the file's own is taken from the file", () => {
    const zone = [
      "BEGIN:VTIMEZONE",
      "TZID:Marsh Time",
      "BEGIN:STANDARD",
      "DTSTART:19700101T000000",
      "TZOFFSETFROM:+0300",
      "TZOFFSETTO:+0300",
      "END:STANDARD",
      "END:VTIMEZONE",
    ];
    const busy = [
      "BEGIN:VEVENT",
      "UID:x",
      "DTSTART;TZID=Marsh Time:20261205T120000",
      "DTEND;TZID=Marsh Time:20261205T130000",
      "END:VEVENT",
    ];
    expect(spans(fileOf(...zone, ...busy))).toEqual(["2026-12-05T10:00 2026-12-05T11:00"]);
  });

  it("what is cancelled, shown as free, or ends before it begins is skipped, and told", () => {
    const one = (...lines: string[]) => ["BEGIN:VEVENT", `UID:${lines.join()}`, "DTSTART:20261205T100000", ...lines, "END:VEVENT"];
    const found = read(
      fileOf(...one("STATUS:CANCELLED"), ...one("TRANSP:TRANSPARENT"), ...one("DTEND:20261205T090000"), ...one("DTEND:20261205T110000")),
    );
    expect(found).toMatchObject({
      ok: true,
      found: [{ from: "2026-12-05T10:00" }],
      skipped: ["1 cancelled", "1 shown as free", "1 that end before they begin"],
    });
  });

  it("repeats are expanded, without exceptions, with what was moved, from two months back to two years ahead", () => {
    const weekly = [
      "BEGIN:VEVENT",
      "UID:w",
      "DTSTART:20261001T180000",
      "DTEND:20261001T190000",
      "RRULE:FREQ=WEEKLY;COUNT=10",
      "EXDATE:20261015T180000",
      "END:VEVENT",
    ];
    const moved = [
      "BEGIN:VEVENT",
      "UID:w",
      "RECURRENCE-ID:20261022T180000",
      "DTSTART:20261023T080000",
      "DTEND:20261023T090000",
      "END:VEVENT",
    ];
    const dropped = ["BEGIN:VEVENT", "UID:w", "RECURRENCE-ID:20261029T180000", "DTSTART:20261029T180000", "STATUS:CANCELLED", "END:VEVENT"];
    expect(spans(fileOf(...weekly, ...moved, ...dropped)).map((span) => span.slice(5, 16))).toEqual([
      "10-01T18:00",
      "10-08T18:00",
      "10-23T08:00",
      "11-05T18:00",
      "11-12T18:00",
      "11-19T18:00",
      "11-26T18:00",
      "12-03T18:00",
    ]);
    expect(spans(eventFile("DTSTART;VALUE=DATE:20000101", "RRULE:FREQ=YEARLY"))).toEqual([
      "2027-01-01 2027-01-01",
      "2028-01-01 2028-01-01",
      "2029-01-01 2029-01-01",
    ]);
  });

  it.each([
    ["no calendar", "once upon a time", /no BEGIN:VCALENDAR/],
    ["a file that breaks off", "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:x\r\nDTSTART:2026", /can't be read as a calendar/],
    ["too many times", eventFile("DTSTART:20261125T100000", "DTEND:20261125T100100", "RRULE:FREQ=MINUTELY"), /over 1000 times/],
  ])("is refused in words: %s", (_, text, words) => {
    const found = read(text);
    expect(found.ok ? "taken" : found.message).toMatch(words);
  });

  it("a busy time up to midnight doesn't touch the next day", () => {
    const busy = (from: string, to: string) => datesOf({ wholeDays: false, from, to });
    expect(busy("2026-12-05T20:00", "2026-12-06T00:00")).toEqual(["2026-12-05", "2026-12-05"]);
    expect(busy("2026-12-05T20:00", "2026-12-06T00:30")).toEqual(["2026-12-05", "2026-12-06"]);
    expect(datesOf({ wholeDays: true, from: "2026-12-05", to: "2026-12-06" })).toEqual(["2026-12-05", "2026-12-06"]);
  });
});

describe("a file from elsewhere", () => {
  const daily = (tzid: string, until: string) =>
    eventFile(`DTSTART;TZID=${tzid}:20261201T100000`, `DTEND;TZID=${tzid}:20261201T110000`, `RRULE:FREQ=DAILY;UNTIL=${until}`);

  it.each([
    // 10:00 in Tokyo is 01:00 UTC: the last day is the fourth, inclusive.
    ["Asia/Tokyo", "20261204T010000Z", ["2026-12-01T02:00", "2026-12-02T02:00", "2026-12-03T02:00", "2026-12-04T02:00"]],
    ["Asia/Tokyo", "20261204T005900Z", ["2026-12-01T02:00", "2026-12-02T02:00", "2026-12-03T02:00"]],
    // 10:00 in New York is 15:00 UTC: at 14:00 UTC on the fourth its last day is the third.
    ["America/New_York", "20261204T140000Z", ["2026-12-01T16:00", "2026-12-02T16:00", "2026-12-03T16:00"]],
  ] as const)("repeats to its last day by the zone it names, without a block for it: %s until %s", (tzid, until, starts) => {
    const found = read(daily(tzid, until));
    expect(found.ok && found.found.map(({ from }) => from)).toEqual(starts);
  });

  it("in a zone that nobody knows is listed as not read, never put on the house's own hours", () => {
    expect(read(daily("W. Europe Standard Time", "20261204T090000Z"))).toEqual({
      ok: true,
      found: [],
      skipped: ["1 not read, because their time zone “W. Europe Standard Time” is not known"],
    });
  });
});
