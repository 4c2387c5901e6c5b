import { expect, it } from "vitest";
import { placeable, startOf, type wantedOf } from "../desk/placing/asking.ts";

const runs = [
  { id: "closed", closesOn: "2026-11-30" },
  { id: "last-day", closesOn: "2026-12-07" },
  { id: "open", closesOn: null },
  { id: "wanted", closesOn: null },
];

it("offers runs whose entries are still open on the first day asked for, and that are not wanted yet", () => {
  const typed = startOf("2026-12-02");
  expect(typed.from).toBe("2026-12-07");
  const wanted = [{ runId: "wanted" } as ReturnType<typeof wantedOf>];
  expect(placeable(runs, { ...typed, wanted }).map(({ id }) => id)).toEqual(["last-day", "open"]);
  expect(placeable(runs, { ...typed, from: "2026-12-08" }).map(({ id }) => id)).toEqual(["open", "wanted"]);
});
