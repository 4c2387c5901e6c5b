import { timeOfDay } from "../moving.ts";
import { addDays, daysBetween, instantOf, weekdayNames } from "../wallClock.ts";
import { minutesOf, type PlaceAsked, type SlotRule, slotsOf } from "./slots.ts";

/** How many there may be of each. */
export const mostPlaced = { slots: 200, sessions: 60, days: 370 };

type Trouble = { readonly field: string; readonly message: string };

/** What is wrong with what was asked, by field, in words that say how to mend it; nothing where it can be placed. */
export function placeErrors(asked: PlaceAsked, house: Parameters<typeof slotsOf>[1]): readonly Trouble[] {
  const { from, to, slots, wanted, mostEach } = asked;
  const errors: Trouble[] = [];
  const ask = (ok: boolean, field: string, message: string): void => {
    if (!ok) errors.push({ field, message });
  };
  const isDay = (date: string): boolean => instantOf(`${date}T12:00`, house.zone) !== null;
  if (!isDay(from)) return [{ field: "from", message: "Type the first day, such as 5.12.2026." }];
  if (!isDay(to)) return [{ field: "to", message: "Type the last day, such as 30.1.2027." }];
  if (to < from) return [{ field: "to", message: "The last day lies before the first." }];
  if (daysBetween(from, to) > mostPlaced.days)
    return [{ field: "to", message: `A year at a time: take a day up to ${addDays(from, mostPlaced.days)}.` }];
  ask(slots.length > 0, "slots", "Say on which weekdays and when sessions can begin.");
  for (const [i, rule] of slots.entries()) {
    const [start, end] = [minutesOf(rule.start), minutesOf(rule.end)];
    ask(start !== null, `slots.${i}.start`, "Type when it begins, such as 10:00.");
    ask(end !== null, `slots.${i}.end`, "Type when it ends, such as 12:00.");
    ask(start === null || end === null || end > start, `slots.${i}.end`, "It ends before it begins.");
  }
  ask(wanted.length > 0, "wanted", "Say of which run sessions are wanted.");
  const count = wanted.reduce((sum, one) => sum + one.count, 0);
  ask(count <= mostPlaced.sessions, "wanted", `${count} sessions: ${mostPlaced.sessions} at most at a time.`);
  for (const [i, { count: n, people, leastDays, mostDays }] of wanted.entries()) {
    ask(Number.isInteger(n) && n > 0, `wanted.${i}.count`, "One session or more.");
    ask(Number.isInteger(people) && people >= 0, `wanted.${i}.people`, "A whole number of people, 0 or more.");
    ask(
      leastDays === null || mostDays === null || leastDays <= mostDays,
      `wanted.${i}.mostDays`,
      "The most days are fewer than the least.",
    );
  }
  ask(mostEach === null || (Number.isInteger(mostEach) && mostEach >= 0), "mostEach", "A whole number of sessions, 0 or more, or nothing.");
  if (errors.length > 0) return errors;
  errors.push(...tooNear(slots, wanted));
  const found = slotsOf(asked, house).length;
  ask(found > 0, "slots", "No such weekday lies between the two days, or the house is closed on all of them.");
  ask(found <= mostPlaced.slots, "to", `${found} slots: ${mostPlaced.slots} at most at a time. Take fewer days, or fewer times of a day.`);
  return errors;
}

/** Slots of one day too near for tearing down after the one and setting up for the other. */
function tooNear(slots: readonly SlotRule[], wanted: PlaceAsked["wanted"]): readonly Trouble[] {
  const between = Math.max(0, ...wanted.map(({ setUpMin }) => setUpMin)) + Math.max(0, ...wanted.map(({ tearDownMin }) => tearDownMin));
  return slots.flatMap((later, i) =>
    slots.flatMap((sooner, j): readonly Trouble[] => {
      const both = later.weekdays.find((day) => sooner.weekdays.includes(day));
      const [begins, ends] = [minutesOf(later.start) ?? 0, minutesOf(sooner.end) ?? 0];
      const comesAfter = begins > (minutesOf(sooner.start) ?? 0) || (begins === (minutesOf(sooner.start) ?? 0) && i > j);
      if (i === j || both === undefined || !comesAfter || begins - ends >= between) return [];
      const words = `${weekdayNames[both - 1]} ${sooner.start} to ${sooner.end} and ${later.start} to ${later.end}`;
      return [
        {
          field: `slots.${i}.start`,
          message: `${words}: tearing down and setting up take ${between} min in between. Let the later one begin at ${timeOfDay(ends + between)} or after.`,
        },
      ];
    }),
  );
}
