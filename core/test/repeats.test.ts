import { describe, expect, it } from "vitest";
import { repeatKinds, repeatWords, ruleOf } from "../src/calendar/repeatRules.ts";
import { type Repeat, repeated } from "../src/calendar/repeats.ts";

const saturdays: Repeat = { zone: "Europe/Berlin", start: "2026-12-05T10:00", rule: "FREQ=WEEKLY;BYDAY=SA;COUNT=4", minutes: 120 };
const locals = (patch: Partial<Repeat> = {}): readonly string[] => {
  const found = repeated({ ...saturdays, ...patch });
  if (!found.ok) throw new Error(found.message);
  return found.occurrences.map(({ local }) => local);
};
const refused = (patch: Partial<Repeat>): string | null => {
  const found = repeated({ ...saturdays, ...patch });
  return found.ok ? null : found.field;
};

describe("a session that repeats", () => {
  it("counts before exceptions, takes extra dates once, and leaves out what touches a closed day", () => {
    expect(locals({ exdates: ["2026-12-12T10:00"] })).toHaveLength(3);
    expect(locals({ rdates: ["2026-12-12T10:00", "2026-12-13T09:00"] })).toHaveLength(5);
    expect(locals({ closures: [{ from: "2026-12-19", to: "2026-12-20" }] })).not.toContain("2026-12-19T10:00");
    // Ends in the first moment of a closed day: touching is not within.
    const late = { start: "2026-12-05T22:00", minutes: 120, closures: [{ from: "2026-12-06", to: "2026-12-06" }] };
    expect(locals(late)[0]).toBe("2026-12-05T22:00");
    expect(locals({ ...late, minutes: 121 })[0]).toBe("2026-12-12T22:00");
  });

  it("ends at an instant, inclusive, and gives a thousand where it has no end", () => {
    expect(locals({ rule: "FREQ=WEEKLY;UNTIL=20261219T090000Z" }).at(-1)).toBe("2026-12-19T10:00");
    expect(locals({ rule: "FREQ=WEEKLY;UNTIL=20261219T085959Z" }).at(-1)).toBe("2026-12-12T10:00");
    expect(locals({ rule: "FREQ=DAILY" })).toHaveLength(1000);
  });

  it.each(["UNTIL=20261231T235959Z", "UNTIL=20261225", "COUNT=4"])("takes a daily rule of one weekday: %s", (end) => {
    expect(locals({ start: "2026-12-04T10:00", rule: `FREQ=DAILY;BYDAY=FR;${end}` })).toEqual([
      "2026-12-04T10:00",
      "2026-12-11T10:00",
      "2026-12-18T10:00",
      "2026-12-25T10:00",
    ]);
  });

  it("is refused by its field where its first start doesn't fit, the rule can't be read, or nothing lasts", () => {
    expect(refused({ start: "2026-12-06T10:00" })).toBe("rule");
    expect(refused({ rule: "FREQ=SOMETIMES" })).toBe("rule");
    expect(refused({ rule: "" })).toBe("rule");
    expect(refused({ rule: "FREQ=WEEKLY;UNTIL=20200101T000000Z" })).toBe("rule");
    expect(refused({ start: "2026-02-30T10:00" })).toBe("start");
    expect(refused({ minutes: 0 })).toBe("minutes");
  });
});

describe("a repeat as planners say it", () => {
  it("is a rule that its first day fits, and words that name the day", () => {
    for (const kind of repeatKinds)
      for (const date of ["2026-12-05", "2026-12-31", "2027-02-28", "2027-01-30"])
        expect(repeated({ ...saturdays, start: `${date}T10:00`, rule: ruleOf(kind, date, 3) })).toMatchObject({ ok: true });
    expect(repeatKinds.map((kind) => repeatWords(kind, "2026-12-05"))).toEqual([
      "every day",
      "every Saturday",
      "every second Saturday",
      "the first Saturday of each month",
    ]);
    expect(repeatWords("monthly", "2027-01-30")).toBe("the last Saturday of each month");
    expect(locals({ start: "2027-01-30T10:00", rule: ruleOf("monthly", "2027-01-30", 3) })).toEqual([
      "2027-01-30T10:00",
      "2027-02-27T10:00",
      "2027-03-27T10:00",
    ]);
  });
});
