import type { FloorDoc } from "@lampcrate/contract";
import { expect, it } from "vitest";
import { whyReadOnly } from "../desk/floor/readOnly.ts";

const startAt = Date.UTC(2026, 11, 5, 9, 0);
const hour = 3_600_000;
const doc = (patch: object = {}) => ({ session: { startAt, minutes: 120, zone: "CET", cancelled: false, ...patch } }) as FloorDoc;

it("takes taps from 36 h before a session to 36 h after it, from whoever counts", () => {
  for (const at of [startAt - 36 * hour, startAt, startAt + 38 * hour]) expect(whyReadOnly(doc(), at, true)).toBeNull();
});

it("says why nothing is counted, and from when it is", () => {
  expect(whyReadOnly(doc(), startAt - 36 * hour - 1, true)).toBe(
    "This session is on Sat 5 Dec 10:00. You can count on its floor from Thu 3 Dec 22:00.",
  );
  expect(whyReadOnly(doc(), startAt + 38 * hour + 1, true)).toBe("This session was on Sat 5 Dec 10:00. Counting ended Mon 7 Dec 00:00.");
  expect(whyReadOnly(doc({ cancelled: true }), startAt, true)).toBe("This session was cancelled: nothing is counted on it.");
  expect(whyReadOnly(doc(), startAt, false)).toBe("You can look at this floor; a planner or a floor lead counts on it.");
});
