import { roomLacks } from "../clashes.ts";
import type { HeldHouse } from "../plannedHouse.ts";
import { instantOf, shortDate } from "../wallClock.ts";
import type { Demand } from "./placing.ts";
import type { Pin, PlaceAsked, Slot, Wanted } from "./slots.ts";

/** A demand in words. */
export interface ToldDemand {
  readonly demand: Demand;
  readonly words: string;
  /** What it is about: a run's title, or "People". */
  readonly about: string;
}

/** A demand without its id. */
type Body = Demand extends infer D ? (D extends Demand ? Omit<D, "id"> : never) : never;

const told = (about: string, id: string, words: string, body: Body): ToldDemand => ({ about, words, demand: { ...body, id } as Demand });

interface At {
  readonly slots: readonly Slot[];
  readonly house: HeldHouse;
}

const minute = 60_000;
const count = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** What one session asks. A demand that rules nothing out isn't one. */
export function aboutSession(session: string, words: string, wanted: Wanted, { slots, house }: At): readonly ToldDemand[] {
  const { title, minutes, needs, people, after } = wanted;
  const say = (what: string, said: string, body: Body): ToldDemand => told(title, `${what} ${session}`, `${words} ${said}`, body);
  const some = (fits: (slot: Slot) => boolean): readonly number[] => slots.flatMap((slot, t) => (fits(slot) ? [t] : []));
  const long = some((slot) => slot.minutes >= minutes);
  const late = some(({ at }) => after === null || at >= after.endAt);
  const fit = house.rooms.filter((room) => roomLacks(room, needs).length === 0);
  const named = fit.length === 0 ? "no room of the house has all of that" : fit.map(({ name }) => name).join(" or ");
  return [
    say("held", "is held", { kind: "held", session }),
    ...(long.length < slots.length ? [say("long", `has a slot of ${minutes} min or more`, { kind: "slots", session, slots: long })] : []),
    ...(late.length < slots.length ? [say("late", `comes after part ${after?.part}`, { kind: "slots", session, slots: late })] : []),
    ...(fit.length < house.rooms.length
      ? [say("room", `has a room with what it needs: ${named}`, { kind: "room", session, rooms: fit.map(({ id }) => id) })]
      : []),
    ...(people > 0
      ? [
          say("people", `has ${count(people, "person", "people")} of the house`, {
            kind: "people",
            session,
            n: people,
            of: house.people.map(({ id }) => id),
          }),
        ]
      : []),
  ];
}

/** What a run's sessions ask of one another, each of the next. */
export function aboutSeries({ runId, title, count: n, inOrder, leastDays, mostDays, oneRoom }: Wanted): readonly ToldDemand[] {
  return Array.from({ length: Math.max(0, n - 1) }, (_, i): readonly ToldDemand[] => {
    const [a, b] = [`${runId} ${i + 1}`, `${runId} ${i + 2}`];
    const say = (what: string, said: string, body: Body): ToldDemand =>
      told(title, `${what} ${a}`, `${title} ${i + 1} and ${i + 2} ${said}`, body);
    const least = leastDays ?? 0;
    const most = mostDays === null ? {} : { most: mostDays };
    return [
      ...(inOrder ? [say("before", "come in that order", { kind: "before", a, b })] : []),
      ...(leastDays === null && mostDays === null
        ? []
        : [say("gap", `are ${gapWords(leastDays, mostDays)} apart`, { kind: "gap", a, b, least, ...most })]),
      ...(oneRoom ? [say("same", "are in one room", { kind: "sameRoom", a, b })] : []),
    ];
  }).flat();
}

function gapWords(least: number | null, most: number | null): string {
  if (least === null) return `${count(most ?? 0, "day", "days")} at most`;
  if (most === null) return `${count(least, "day", "days")} at least`;
  return least === most ? count(least, "day", "days") : `${least} to ${count(most, "day", "days")}`;
}

/** When the house's people can't come, and how many of them each has at most. */
export function aboutPeople({ from, wanted, mostEach }: PlaceAsked, { slots, house }: At): readonly ToldDemand[] {
  const meets = meeting(wanted);
  const when = (wall: string): number => instantOf(wall, house.zone) ?? 0;
  return house.people.flatMap(({ id, name, away }) => [
    ...away.flatMap((time): readonly ToldDemand[] => {
      const met = slots.flatMap((slot, t) => (meets(slot, when(time.from), when(time.to)) ? [t] : []));
      if (met.length === 0) return [];
      const [first, last] = [time.from.slice(0, 10), time.to.slice(0, 10)];
      const until = first === last ? "" : ` to ${shortDate(last, from)}`;
      const words = `${name} is away on ${shortDate(first, from)}${until}${time.why === "" ? "" : `: ${time.why}`}`;
      return [told("People", `away ${id} ${time.from}`, words, { kind: "away", person: id, slots: met })];
    }),
    ...(mostEach === null
      ? []
      : [told("People", `most ${id}`, `${name} has ${mostEach} of them at most`, { kind: "most", person: id, n: mostEach })]),
  ]);
}

/** A session stays when and where it was put, with whom. */
export function aboutPin({ session, start, room, people }: Pin, words: string, title: string, { slots, house }: At): readonly ToldDemand[] {
  const at = slots.findIndex((slot) => slot.start === start);
  const found = house.rooms.find(({ id }) => id === room);
  const date = start.slice(0, 10);
  const names = people.map((id) => house.people.find((one) => one.id === id)?.name ?? "");
  return [
    ...(at < 0
      ? []
      : [
          told(title, `pin ${session}`, `${words} stays on ${shortDate(date, date)} ${start.slice(11)}`, {
            kind: "slots",
            session,
            slots: [at],
          }),
        ]),
    ...(people.length === 0
      ? []
      : [
          told(title, `pin people ${session}`, `${words} stays with ${names.join(" and ")}`, {
            kind: "people",
            session,
            n: people.length,
            of: people,
          }),
        ]),
    ...(found ? [told(title, `pin room ${session}`, `${words} stays in ${found.name}`, { kind: "room", session, rooms: [room] })] : []),
  ];
}

/** Whether the longest of what is wanted, set-up and tear-down and all, would meet a time if it were in a slot. */
export function meeting(wanted: readonly Wanted[]): (slot: Slot, from: number, to: number) => boolean {
  const setUp = Math.max(0, ...wanted.map(({ setUpMin }) => setUpMin)) * minute;
  const rest = Math.max(0, ...wanted.map(({ minutes, tearDownMin }) => minutes + tearDownMin)) * minute;
  return ({ at }, from, to) => at - setUp < to && from < at + rest;
}
