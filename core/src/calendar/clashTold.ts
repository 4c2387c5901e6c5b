import { families } from "../family/families.ts";
import type { FamilyId } from "../family/familyIds.ts";
import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import { roomLacks } from "./clashes.ts";
import { adultsNeeded, type HouseClash, houseClashes, type PlannedSession } from "./houseClashes.ts";
import type { HouseRules } from "./houseRules.ts";
import { type HeldHouse, type HeldRun, type HeldSession, plannedHouse } from "./plannedHouse.ts";
import type { SessionAsks } from "./sessionAsks.ts";
import { dateOf, mondayOf, shortDate, wallOf } from "./wallClock.ts";
import { freePeople, freeRoomWords, nextRoomStart, roomsThatFit, type WayOut, waysOut } from "./wayOut.ts";

/** A clash in words, with what would solve it. */
export interface ToldClash {
  readonly kind: HouseClash["kind"];
  readonly sessions: readonly string[];
  readonly words: string;
  readonly solve: string;
  /** What would solve it at one press, for the session at hand. */
  readonly ways: readonly WayOut[];
}

/** What a house's clashes are told from. */
export interface Telling {
  readonly sessions: readonly HeldSession[];
  readonly runs: readonly HeldRun[];
  readonly house: HeldHouse;
  readonly units: UnitChoice;
  /** Sessions that are over by then clash no more; ms since 1970. */
  readonly now: number;
  readonly slackOf?: ((session: string) => number | null) | undefined;
  /** Only clashes that these are in; all where left out. */
  readonly only?: readonly string[] | undefined;
}

const minute = 60_000;
const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
const count = (n: number, one: string): string => `${n} ${one}${n === 1 ? "" : "s"}`;

/** Every clash of a house's sessions in words; those of a time that is over are left out. */
export function clashesTold(telling: Telling): readonly ToldClash[] {
  const { sessions, runs, house, units, now, slackOf, only } = telling;
  const asked = only && new Set(only);
  const { sessions: planned, plan } = plannedHouse(sessions, runs, house, (id) =>
    asked && !asked.has(id) ? null : (slackOf?.(id) ?? null),
  );
  const over = new Set(sessions.filter(({ startAt, minutes }) => startAt + minutes * minute <= now).map(({ id }) => id));
  const matters = (ids: readonly string[]): boolean =>
    ids.some((id) => !over.has(id)) && (asked === undefined || ids.some((id) => asked.has(id)));
  const found = houseClashes(planned, plan, asked).filter((clash) => matters(clash.sessions));
  const teller = new Teller(telling, planned);
  const lacking = sessions.flatMap((session): readonly ToldClash[] => {
    const room = house.rooms.find(({ id }) => id === session.roomId);
    if (!room || session.cancelled || !matters([session.id])) return [];
    const lacks = roomLacks(room, session.asks.room, units);
    const ways = lacks.length === 0 ? [] : roomsThatFit(session.id, telling);
    return lacks.map(({ words, solve }) => ({
      kind: "room lacks",
      sessions: [session.id],
      words: `${teller.said(session.id)}: ${words}`,
      solve,
      ways,
    }));
  });
  return [
    ...found.map((clash) => ({ kind: clash.kind, sessions: clash.sessions, ...teller.tell(clash), ways: waysOut(clash, telling) })),
    ...lacking,
  ];
}

type Words = Pick<ToldClash, "words" | "solve">;

class Teller {
  private readonly held: ReadonlyMap<string, HeldSession>;
  private readonly plannedOf: ReadonlyMap<string, PlannedSession>;

  constructor(
    private readonly by: Telling,
    planned: readonly PlannedSession[],
  ) {
    this.held = new Map(by.sessions.map((session) => [session.id, session]));
    this.plannedOf = new Map(planned.map((session) => [session.id, session]));
  }

  tell(clash: HouseClash): Words {
    const { house } = this.by;
    const [first = "", second = ""] = clash.sessions;
    switch (clash.kind) {
      case "room twice": {
        const room = house.rooms.find(({ id }) => id === clash.room)?.name ?? "The room";
        const moved = this.by.only?.find((id) => clash.sessions.includes(id)) ?? second;
        const free = freeRoomWords(moved, this.by);
        const next = nextRoomStart(moved, this.by);
        return {
          words: `${room} would hold ${this.said(first)} and ${this.said(second)} at once, set-up and tear-down included.`,
          solve: `${free === "" ? "No other room is free then" : `${free} free then`}; ${room} is free from ${this.when(next)}.`,
        };
      }
      case "room lacks":
        return { words: "", solve: "" };
      case "closed":
        return { words: `The house is closed: ${this.closedWhy(first)}.`, solve: "Take another day, or change the closure in House." };
      case "closes too soon":
        return {
          words: `Entries close ${this.day(this.runOf(first)?.closesOn ?? "")}, before ${this.said(first)} is over.`,
          solve: "Let entries close later, or hold it sooner.",
        };
      case "crate cannot be ready":
        return {
          words: `The crate for ${this.said(first)} can't be ready in time: ${count(-(this.by.slackOf?.(first) ?? 0), "working day")} late.`,
          solve: "Take a later day, or more people and hours for preparing in House.",
        };
      case "person twice":
        return {
          words: `${this.person(clash.person)} would be on ${this.said(first)} and ${this.said(second)} at once.`,
          solve: this.instead(second),
        };
      case "person away":
        return { words: `${this.person(clash.person)} is away then${this.awayWhy(clash.person, first)}.`, solve: this.instead(first) };
      case "over hours":
        return this.overHours(clash.person, clash.sessions);
      case "no break":
        return this.noBreak(clash.person, clash.sessions);
      case "adults too few":
        return this.adultsTooFew(first, clash.missing);
      case "shared too few": {
        const owned = house.rigs.find(({ family }) => family === clash.thing)?.owned ?? 0;
        return {
          words: `${listed(clash.sessions.map((id) => this.said(id)))} need ${count(owned + clash.short, "rig")} of one kind at once; the house has ${owned}.`,
          solve: `Move one of them, or set up ${clash.short === 1 ? "one rig" : count(clash.short, "rig")} fewer.`,
        };
      }
      case "series order":
        return {
          words: `${this.said(second)} would begin before ${this.said(first)} has ended, and is the later part.`,
          solve: "Take a later time, or number the parts anew.",
        };
      case "series days": {
        const { leastDays, mostDays } = this.runOf(second)?.series ?? { leastDays: null, mostDays: null };
        const asked = [leastDays === null ? "" : `at least ${leastDays}`, mostDays === null ? "" : `at most ${mostDays}`].filter(Boolean);
        return {
          words: `${count(clash.days, "day")} between ${this.said(first)} and ${this.said(second)}; the series asks for ${listed(asked)}.`,
          solve: "Move one of the two, or change the days between in the run's calendar.",
        };
      }
    }
  }

  private session(id: string): HeldSession | undefined {
    return this.held.get(id);
  }

  private runOf(session: string): HeldRun | undefined {
    const id = this.session(session)?.runId;
    return this.by.runs.find((run) => run.id === id);
  }

  /** "Boardwalk over the Bog, Sat 5 Dec 10:00". */
  said(id: string): string {
    const session = this.session(id);
    if (!session) return "a session";
    const part = session.part === null ? "" : ` part ${session.part}`;
    return `${this.runOf(id)?.title ?? session.title}${part}, ${this.when(session.startAt)}`;
  }

  private day(date: string): string {
    return shortDate(date, dateOf(this.by.now, this.by.house.zone));
  }

  private when(instant: number): string {
    const wall = wallOf(instant, this.by.house.zone);
    return `${this.day(wall.slice(0, 10))} ${wall.slice(11)}`;
  }

  private person(id: string): string {
    return this.by.house.people.find((person) => person.id === id)?.name ?? "Somebody";
  }

  private closedWhy(id: string): string {
    const session = this.session(id);
    const [from, to] = session
      ? [session.startAt - session.setUpMin * minute, session.startAt + (session.minutes + session.tearDownMin) * minute]
      : [0, 0];
    const [first, last] = [dateOf(from, this.by.house.zone), dateOf(Math.max(from, to - 1), this.by.house.zone)];
    const closure = this.by.house.closures.find((one) => one.from <= last && first <= one.to);
    return closure?.why || "closed day";
  }

  private awayWhy(person: string, session: string): string {
    const date = wallOf(this.session(session)?.startAt ?? 0, this.by.house.zone).slice(0, 10);
    const away = this.by.house.people.find(({ id }) => id === person)?.away.find(({ from, to }) => from.slice(0, 10) <= date && date <= to);
    return away ? `: ${away.why ? `${away.why}, ` : ""}until ${this.day(away.to.slice(0, 10))} ${away.to.slice(11)}` : "";
  }

  /** Who could be on a session in somebody's place. */
  private instead(session: string): string {
    const free = freePeople(session, this.by).map((id) => this.person(id));
    return free.length === 0
      ? "Nobody else is free then: take another time."
      : `${listed(free)} ${free.length === 1 ? "is" : "are"} free then.`;
  }

  private booked(ids: readonly string[]): number {
    return ids.reduce((sum, id) => {
      const session = this.session(id);
      return sum + (session ? session.setUpMin + session.minutes + session.tearDownMin : 0);
    }, 0);
  }

  private overHours(person: string, ids: readonly string[]): Words {
    const hours = this.by.house.people.find(({ id }) => id === person)?.weekHours ?? 0;
    const date = dateOf(this.session(ids[0] ?? "")?.startAt ?? 0, this.by.house.zone);
    return {
      words: `${this.person(person)} would work ${hoursSaid(this.booked(ids))} in the week of ${this.day(mondayOf(date))}; ${hoursSaid(hours * 60)} at most.`,
      solve: this.instead(ids.at(-1) ?? ""),
    };
  }

  private noBreak(person: string, ids: readonly string[]): Words {
    const { breakMinutes, breakAfterMinutes } = this.by.house.rules;
    const spans = ids.flatMap((id) => this.session(id) ?? []);
    const from = Math.min(...spans.map(({ startAt, setUpMin }) => startAt - setUpMin * minute));
    const to = Math.max(...spans.map(({ startAt, minutes, tearDownMin }) => startAt + (minutes + tearDownMin) * minute));
    return {
      words: `${this.person(person)} would work ${hoursSaid((to - from) / minute)} without ${breakMinutes} min of break, from ${this.when(from)}; ${hoursSaid(breakAfterMinutes)} at most.`,
      solve: "Put somebody else on a part of it, or plan a break in between by somebody who takes over.",
    };
  }

  private adultsTooFew(id: string, missing: number): Words {
    const session = this.session(id);
    const planned = this.plannedOf.get(id);
    if (!session || !planned) return { words: "", solve: "" };
    const { plan } = plannedHouse([], this.by.runs, this.by.house);
    const needed = adultsNeeded(planned, plan);
    const { children, band, adults } = session.asks;
    const why =
      planned.children === null || (needed === adults && needed > this.by.house.rules.leastAdults)
        ? session.kind === "as the run"
          ? "for its rigs and hosts"
          : "to hold it"
        : `for up to ${children} children, ${band}`;
    const on = new Set(session.people).size;
    return {
      words: `${this.said(id)} needs ${count(needed, "adult")} ${why}; ${on === 0 ? "nobody is" : on === 1 ? "1 is" : `${on} are`} on it, ${missing} missing. Parents are not counted.`,
      solve: this.instead(id),
    };
  }
}

/** What a session asks of its room, in a sentence. */
export function tellNeeds({ room, rigs }: SessionAsks, family: FamilyId, units: UnitChoice): string {
  const show = (metres: number): string => showQuantity(metres, "length", units);
  const floor = [room.lengthM, room.widthM].flatMap((metres) => (metres === null ? [] : [show(metres)])).join(" × ");
  const asked = [
    floor === "" ? "" : `${floor} of clear floor at each of ${count(rigs, "rig")}`,
    room.heightM === null ? "" : `${show(room.heightM)} of height`,
    room.seats === null ? "" : count(room.seats, "seat"),
    room.water ? "water" : "",
  ].filter(Boolean);
  return asked.length === 0 ? "It asks nothing of its room." : `It needs ${asked.join(", ")} (${families[family].words}).`;
}

/** Adults that a session needs, and why, in a sentence. */
export function adultsAsked({ children, band, adults }: SessionAsks, rules: HouseRules): string {
  const byChildren = Math.ceil(children / rules.childrenPerAdult[band] - 1e-9);
  return `Adults: ${Math.max(rules.leastAdults, byChildren, adults)} (${byChildren} for up to ${children} children ${band}, ${adults} for rigs and hosts, ${rules.leastAdults} at least).`;
}

/** "4 h 30 min" of minutes. */
export function hoursSaid(minutes: number): string {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return [hours > 0 ? `${hours} h` : "", rest > 0 || hours === 0 ? `${rest} min` : ""].filter(Boolean).join(" ");
}
