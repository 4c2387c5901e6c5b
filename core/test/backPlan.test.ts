import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  addDays,
  type BackStep,
  backPlan,
  forwardPlan,
  isWorkingDay,
  workingDaysAfter,
  workingDaysBefore,
  workingDaysBetween,
} from "../src/index.ts";

const anyDays = fc.record({
  weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }).map((list) => [...list].sort((a, b) => a - b)),
  closures: fc.constantFrom([], [{ from: "2026-12-01", to: "2026-12-04" }], [{ from: "2026-11-20", to: "2026-12-10" }]),
});

/** Steps of every kind, each waiting only for some that stand before it: no circle. */
const anySteps = fc
  .array(
    fc.record({
      kind: fc.constantFrom("days", "minutes", "collect", "order", "calendar order", "days before"),
      size: fc.integer({ min: 1, max: 6 }),
      after: fc.array(fc.nat({ max: 5 }), { maxLength: 2 }),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((list): readonly BackStep[] =>
    list.map(({ kind, size, after }, i) => ({
      id: `step-${i}`,
      after: [...new Set(after.filter((a) => a < i).map((a) => `step-${a}`))],
      ...(kind === "days"
        ? { days: size }
        : kind === "minutes"
          ? { minutes: 50 * size, minutesPerDay: 90 }
          : kind === "collect"
            ? { pieces: 40 * size, ratePerWeek: 60 }
            : kind === "order"
              ? { leadWorkingDays: size }
              : kind === "calendar order"
                ? { leadCalendarDays: size }
                : { daysBefore: size }),
    })),
  );

const session = "2026-12-12";
const today = "2026-11-25";

describe("planning back from a session", () => {
  it("ends every step on a working day before the session and before what waits for it, and starts none later than it ends", () => {
    fc.assert(
      fc.property(anySteps, anyDays, (steps, days) => {
        const planned = new Map(backPlan(session, today, steps, days).steps.map((step) => [step.id, step]));
        for (const step of steps) {
          const { latestStart, mustFinish } = planned.get(step.id) ?? { latestStart: "", mustFinish: "" };
          expect(mustFinish < session).toBe(true);
          expect([isWorkingDay(mustFinish, days), isWorkingDay(latestStart, days)]).toEqual([true, true]);
          expect(latestStart <= mustFinish).toBe(true);
          for (const before of step.after) expect((planned.get(before)?.mustFinish ?? "") < latestStart).toBe(true);
        }
      }),
    );
  });

  it("walks over working days as going through them day by day does, from any day, open or not", () => {
    const byDay = (date: string, step: number, count: number, days: Parameters<typeof isWorkingDay>[1]): string => {
      let [day, left] = [date, count];
      for (;;) {
        if (isWorkingDay(day, days)) left -= 1;
        if (left < 0) return day;
        day = addDays(day, step);
      }
    };
    fc.assert(
      fc.property(fc.integer({ min: -40, max: 40 }), fc.nat({ max: 30 }), anyDays, (from, count, days) => {
        const date = addDays("2026-12-01", from);
        expect(workingDaysAfter(date, count, days)).toBe(byDay(date, 1, count, days));
        expect(workingDaysBefore(date, count, days)).toBe(byDay(date, -1, count, days));
      }),
    );
  });

  it("looks at twenty thousand entries over as many working days as they take", () => {
    const days = { weekdays: [1, 2, 3, 4, 5], closures: [] };
    const gathered = {
      closes: "2026-11-27",
      remindDaysBefore: [],
      expectedEntries: 20_000,
      minutesPerEntry: 2,
      minutesPerDay: 30,
      keepDays: 90,
    };
    const { siftFrom, siftTo, reveal } = forwardPlan(gathered, days);
    expect(siftFrom).toBe("2026-11-30");
    // 40,000 min at 30 a day are 1,334 days: 266 weeks of five and three days more.
    expect(siftTo).toBe(addDays(siftFrom, 266 * 7 + 3));
    expect(reveal).toBe(addDays(siftFrom, 266 * 7 + 4));
  });

  it("gives the day itself when a house never works", () => {
    expect(workingDaysAfter("2026-12-01", 2, { weekdays: [], closures: [] })).toBe("2026-12-01");
  });

  it("counts the working days between two as going through them day by day does", () => {
    fc.assert(
      fc.property(fc.nat({ max: 60 }), fc.nat({ max: 60 }), anyDays, (a, b, days) => {
        const [first, last] = a <= b ? [a, b] : [b, a];
        const between = Array.from({ length: last - first }, (_, i) => addDays("2026-11-01", first + i)).filter((day) =>
          isWorkingDay(day, days),
        );
        const [from, to] = [addDays("2026-11-01", a), addDays("2026-11-01", b)];
        expect(workingDaysBetween(from, to, days)).toBe(between.length === 0 ? 0 : a <= b ? between.length : -between.length);
      }),
    );
  });

  it("gives whole working days enough to what takes days, and not one more", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), anyDays, (count, days) => {
        const [step] = backPlan(session, today, [{ id: "cut", after: [], days: count }], days).steps;
        if (!step) throw new Error("a step was planned");
        expect(workingDaysBetween(step.latestStart, step.mustFinish, days)).toBe(count - 1);
      }),
    );
  });

  it("never starts anything earlier because the session is later, nor later because there is more to do", () => {
    fc.assert(
      fc.property(anySteps, anyDays, (steps, days) => {
        const sooner = backPlan("2026-12-12", today, steps, days).steps;
        const later = backPlan("2026-12-19", today, steps, days).steps;
        for (const [i, step] of sooner.entries()) expect((later[i]?.latestStart ?? "") >= step.latestStart).toBe(true);
        const more = steps.map((step) => (step.days === undefined ? step : { ...step, days: step.days + 2 }));
        for (const [i, step] of backPlan(session, today, more, days).steps.entries())
          expect(step.latestStart <= (sooner[i]?.latestStart ?? "")).toBe(true);
      }),
    );
  });

  it("says what must start this week: all whose latest start is not after Sunday, but what is done", () => {
    fc.assert(
      fc.property(anySteps, anyDays, fc.nat({ max: 5 }), (steps, days, done) => {
        const marked = steps.map((step, i) => ({ ...step, done: i === done }));
        const plan = backPlan(session, today, marked, days);
        const due = plan.steps.filter((step, i) => i !== done && step.latestStart <= "2026-11-29").map((step) => step.id);
        expect(plan.thisWeek).toEqual(due);
        // Late is what had to start before the first working day from now.
        for (const step of plan.steps) if (step.slack < 0) expect(step.latestStart < "2026-12-12").toBe(true);
      }),
    );
  });

  it("begins a collecting drive early enough for its weekly rate", () => {
    const days = { weekdays: [1, 2, 3, 4, 5], closures: [] };
    const [drive] = backPlan(session, today, [{ id: "tubes", after: [], pieces: 130, ratePerWeek: 60 }], days).steps;
    // 130 at 12 a working day takes 11 of them: from Friday 27 November to Friday 11 December.
    expect(drive).toMatchObject({ latestStart: "2026-11-27", mustFinish: "2026-12-11" });
  });
});
