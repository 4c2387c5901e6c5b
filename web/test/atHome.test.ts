import { describe, expect, it } from "vitest";
import { homeDay, homeWords } from "../desk/houseCalendar/atHome.ts";

const runs = [
  { title: "Seeds", opensOn: "2026-12-01", closesOn: "2026-12-10" },
  { title: "Spans", opensOn: "2026-12-10", closesOn: "2026-12-20" },
  { title: "No day", opensOn: null, closesOn: null },
  { title: "No end", opensOn: "2026-12-01", closesOn: null },
];
const words = (date: string): string => homeWords(homeDay(runs, date));

describe("a day for those who build at home", () => {
  it("says what opens and closes on it, else how many are open; both ends of a window are in it", () => {
    expect(homeDay(runs, "2026-12-10")).toEqual({ opens: ["Spans"], closes: ["Seeds"], open: ["Seeds", "Spans"] });
    expect(words("2026-12-10")).toBe("opens at home: Spans; closes: Seeds");
    expect(words("2026-12-05")).toBe("1 open at home");
    expect([words("2026-11-30"), words("2026-12-21")]).toEqual(["", ""]);
  });
});
