import type { RunSummary, ToDo } from "@lampcrate/contract";
import { describe, expect, it } from "vitest";
import { axisOf, monthsOf, usualStart, weeksOf } from "../desk/season/axis.ts";
import { entriesWords } from "../desk/season/EntriesBand.tsx";
import { seasonOrder } from "../desk/season/seasonOrder.ts";
import { wireOf } from "../desk/season/wire.ts";

const today = "2026-11-25";
const run = (id: string, patch: Partial<RunSummary> = {}): RunSummary =>
  ({
    id,
    title: id,
    kind: "drop-in",
    status: "published",
    createdOn: "2026-11-02",
    opensOn: null,
    closesOn: null,
    revealOn: null,
    sessions: [],
    steps: { publish: null, remind: [], sift: null, reveal: patch.revealOn ?? null, revealFrom: null, erase: null },
    waiting: 0,
    accepted: 0,
    ...patch,
  }) as RunSummary;
const held = (date: string, cancelled = false) => ({ id: date, date, cancelled }) as RunSummary["sessions"][number];
const todo = (runId: string, late: boolean) => ({ runId, late }) as ToDo;
const ids = (runs: readonly RunSummary[], toDo: readonly ToDo[], part: "all" | "to do" | "open" | "drafts" | "over" = "all", find = "") =>
  seasonOrder(runs, toDo, today, { part, find }).map(({ id }) => id);

describe("the order of a season", () => {
  const runs = [
    run("over", { revealOn: "2026-11-20" }),
    run("later", { sessions: [held("2026-12-05")] }),
    run("no day"),
    run("sooner", { sessions: [held("2026-11-14"), held("2026-11-26", true), held("2026-11-28")] }),
    run("late", { sessions: [held("2026-12-24")] }),
  ];

  it("is what is late, then what comes next, then what is over; days gone by and cancelled ones don't count", () => {
    expect(ids(runs, [todo("late", true), todo("later", false)])).toEqual(["late", "sooner", "later", "no day", "over"]);
  });

  it("shows the part that is asked for, and titles that have the words", () => {
    const open = run("open", { opensOn: "2026-11-25", closesOn: "2026-11-25" });
    const all = [...runs, open, run("closed", { opensOn: "2026-11-01", closesOn: "2026-11-24" }), run("Draft", { status: "draft" })];
    expect(ids(all, [todo("later", false)], "to do")).toEqual(["later"]);
    expect(ids(all, [], "open")).toEqual(["open"]);
    expect(ids(all, [], "drafts")).toEqual(["Draft"]);
    expect(ids(all, [], "over")).toEqual(["over"]);
    expect(ids(all, [], "all", " dRAf")).toEqual(["Draft"]);
    expect(
      ids([run("gone", { status: "cancelled" }), run("called off", { status: "cancelled", sessions: [held("2026-12-01")] })], []),
    ).toEqual(["called off"]);
  });
});

describe("the season's line", () => {
  it("begins three weeks back on a Monday, and lies days evenly over its width", () => {
    expect(usualStart(today)).toBe("2026-11-02");
    const axis = axisOf("2026-11-02", today, 980, 14);
    expect([axis.x("2026-11-02"), axis.x("2026-11-09"), axis.to, axis.weeks.length]).toEqual([0, 70, "2027-02-08", 14]);
  });

  it("shows as many weeks as the season is long, nine at least and sixteen at most", () => {
    const weeks = (revealOn: string | null) => weeksOf([run("a", { revealOn })], today);
    expect([weeks(null), weeks("2026-12-27"), weeks("2027-01-03"), weeks("2027-01-04"), weeks("2027-08-01")]).toEqual([9, 9, 10, 11, 16]);
  });

  it("knows the months in which something happens, and today's", () => {
    expect(monthsOf([run("a", { createdOn: "2026-09-30", revealOn: "2027-01-07" })], today)).toEqual(["2026-09", "2026-11", "2027-01"]);
  });

  it("hangs a tag where a step of its crates must begin, one for those that would lie on each other", () => {
    const steps = { publish: "2026-12-04", remind: [], sift: null, reveal: null, revealFrom: null, erase: null };
    const draft = run("a", { status: "draft", opensOn: "2026-12-07", sessions: [held("2026-12-07")], steps });
    const starts = [
      { kind: "order", due: "2026-11-27" },
      { kind: "order", due: "2026-11-25" },
      { kind: "prepare", due: "2026-12-03" },
    ] as const;
    const words = (width: number, of = draft, begin: Parameters<typeof wireOf>[2] = starts) =>
      wireOf(of, axisOf("2026-11-02", today, width, 14), begin).marks.map((mark) => [mark.on, mark.words]);
    expect(words(980)).toEqual([
      ["2026-11-25", "order"],
      ["2026-12-03", "prepare, publish"],
    ]);
    expect(words(2000).slice(1)).toEqual([
      ["2026-12-03", "prepare"],
      ["2026-12-04", "publish"],
    ]);
    expect(words(980, { ...draft, status: "published" }, [])).toEqual([]);
  });

  it("says when the reveal is, from when it can be while it has no day, and when entries go", () => {
    const words = (revealOn: string | null, revealFrom: string) => {
      const steps = { publish: null, remind: [], sift: null, reveal: revealOn ?? revealFrom, revealFrom, erase: "2027-02-01" };
      return wireOf(run("a", { revealOn, steps }), axisOf("2026-11-02", today, 980, 14)).marks.map((mark) => mark.words);
    };
    expect(words("2027-01-07", "2027-01-05")).toEqual(["reveal Thu 7 Jan", "entries go Mon 1 Feb"]);
    expect(words("2027-01-07", "2027-01-08")[0]).toBe("reveal Thu 7 Jan, before all is sifted");
    expect(words(null, "2027-01-05")[0]).toBe("reveal from Tue 5 Jan");
  });

  it("tells of sessions that it doesn't reach, and begins where the run's first day is", () => {
    const axis = axisOf("2026-11-02", today, 980, 14);
    const of = (...days: readonly string[]) => wireOf(run("a", { sessions: days.map((day) => held(day)) }), axis);
    expect([of("2026-11-02", "2027-02-07").before, of("2026-11-02", "2027-02-07").after]).toEqual([null, null]);
    const far = of("2025-12-05", "2026-11-01", "2026-12-05", "2027-02-08", "2027-04-03");
    expect([far.before, far.after]).toEqual([
      { count: 2, nearest: "2026-11-01" },
      { count: 2, nearest: "2027-02-08" },
    ]);
    expect([far.begins, far.ends, of("2026-12-05").begins]).toEqual(["2025-12-05", "2027-04-03", "2026-11-02"]);
  });

  it("tells of entries by the house's day", () => {
    const of = (patch: Partial<RunSummary>) =>
      entriesWords(run("a", { opensOn: "2026-11-21", closesOn: "2026-12-11", accepted: 3, waiting: 2, ...patch }), today);
    expect(of({})).toBe("open until Fri 11 Dec: 3 accepted, 2 waiting");
    expect(of({ status: "draft" })).toBe("entries open Sat 21 Nov");
    expect(of({ closesOn: "2026-11-24" })).toBe("closed, 2 still to sift");
    expect(of({ closesOn: "2026-11-24", waiting: 0 })).toBe("closed, 3 accepted");
    expect(of({ closesOn: null })).toBe("");
  });
});
