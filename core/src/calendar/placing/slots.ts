import type { RoomNeeds } from "../clashes.ts";
import type { HeldHouse } from "../plannedHouse.ts";
import { addDays, daysBetween, instantOf, wallOf, weekdayOf } from "../wallClock.ts";

/** When sessions can be on the days of a week: ISO weekdays (1 = Monday) and wall times such as "10:00". */
export interface SlotRule {
  readonly weekdays: readonly number[];
  readonly start: string;
  readonly end: string;
}

/** Sessions of one run that are wanted. */
export interface Wanted {
  readonly runId: string;
  readonly title: string;
  readonly count: number;
  readonly minutes: number;
  readonly setUpMin: number;
  readonly tearDownMin: number;
  readonly needs: RoomNeeds;
  /** How many people each has. */
  readonly people: number;
  /** The last part that stands already: those wanted come after its end (ms since 1970); null: none does. */
  readonly after: { readonly part: number; readonly endAt: number } | null;
  /** In the order of their numbers, one after the other. */
  readonly inOrder: boolean;
  /** Local dates from each to the next; null: any. */
  readonly leastDays: number | null;
  readonly mostDays: number | null;
  readonly oneRoom: boolean;
  /** A room and a person that would be liked, null: any. */
  readonly likesRoom: string | null;
  readonly likesPerson: string | null;
}

/** A session that stays where it was put. */
export interface Pin {
  readonly session: string;
  /** Wall clock. */
  readonly start: string;
  readonly room: string;
  readonly people: readonly string[];
}

/** What is to be placed, and where it may go. Dates are local, both ends included. */
export interface PlaceAsked {
  readonly from: string;
  readonly to: string;
  readonly slots: readonly SlotRule[];
  readonly wanted: readonly Wanted[];
  /** Sessions of these that a person has at most; null: any number. */
  readonly mostEach: number | null;
  readonly pins: readonly Pin[];
  /** Demands, by id, that were given up. */
  readonly given: readonly string[];
}

/** A time at which sessions can be. */
export interface Slot {
  /** Wall clock, "2026-12-05T10:00". */
  readonly start: string;
  /** ms since 1970, UTC. */
  readonly at: number;
  readonly minutes: number;
}

/** Minutes from midnight of a time such as "10:00"; null for none. */
export function minutesOf(time: string): number | null {
  const found = /^(\d{2}):(\d{2})$/.exec(time);
  const minutes = found ? Number(found[1]) * 60 + Number(found[2]) : -1;
  return minutes >= 0 && minutes < 24 * 60 && Number(found?.[2]) < 60 ? minutes : null;
}

/** Every slot of the days asked, in order of time; none on a closed day, none at a time that the clock leaps over. */
export function slotsOf(
  { from, to, slots }: Pick<PlaceAsked, "from" | "to" | "slots">,
  { zone, closures }: Pick<HeldHouse, "zone" | "closures">,
): readonly Slot[] {
  const days = Array.from({ length: daysBetween(from, to) + 1 }, (_, i) => addDays(from, i));
  const open = days.filter((day) => !closures.some((closed) => day >= closed.from && day <= closed.to));
  return open
    .flatMap((day) =>
      slots
        .filter(({ weekdays }) => weekdays.includes(weekdayOf(day)))
        .flatMap((rule): readonly Slot[] => {
          const start = `${day}T${rule.start}`;
          const at = instantOf(start, zone);
          if (at === null || wallOf(at, zone) !== start) return [];
          return [{ start, at, minutes: (minutesOf(rule.end) ?? 0) - (minutesOf(rule.start) ?? 0) }];
        }),
    )
    .sort((a, b) => a.at - b.at);
}
