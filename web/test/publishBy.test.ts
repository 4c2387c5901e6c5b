import { expect, it } from "vitest";
import { publishBy } from "../desk/calendar/publishBy.ts";

it("never asks for something by a day that is past", () => {
  const day = (date: string): string => date.slice(5);
  expect(publishBy("2026-12-02", "2026-12-02", day)).toBe("Publish the sheet by 12-02.");
  expect(publishBy("2026-12-01", "2026-12-02", day)).toBe("Publish the sheet now: it was due 12-01.");
});
