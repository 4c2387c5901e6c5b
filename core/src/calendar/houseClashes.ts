import { bookedSpan } from "./clashes.ts";
import { dateOf, daysBetween, endOfDay, mondayOf, startOfDay } from "./wallClock.ts";

/** A session as it is held against all others. Instants in ms since 1970, UTC. */
export interface PlannedSession {
  readonly id: string;
  readonly start: number;
  readonly minutes: number;
  readonly setUpMin: number;
  readonly tearDownMin: number;
  readonly roomId: string | null;
  readonly people: readonly string[];
  readonly cancelled: boolean;
  /** What it asks of its room: each need by name with how much, or true. */
  readonly needs: Needs | null;
  /** Children expected, the 90th percentile, by age band; null: nobody is counted. */
  readonly children: Readonly<Record<string, number>> | null;
  /** Adults that the brief's family asks for by itself. */
  readonly adults: number;
  /** Things of the house that it needs some of. */
  readonly uses: Readonly<Record<string, number>>;
  /** Slack of the most pressing step of its crate that isn't done, working days; null: nothing is waiting. */
  readonly crateSlack: number | null;
}

export interface Needs {
  readonly length?: number;
  readonly width?: number;
  readonly height?: number;
  readonly seats?: number;
  readonly water?: boolean;
  readonly hardFloor?: boolean;
}
export type Need = keyof Needs;

/** What a house has, and what it holds to. */
export interface HousePlan {
  readonly zone: string;
  readonly rooms: Readonly<Record<string, Needs>>;
  readonly people: Readonly<Record<string, PersonPlan>>;
  /** How many it owns of each shared thing. */
  readonly shared: Readonly<Record<string, number>>;
  readonly closures: readonly { readonly from: string; readonly to: string }[];
  readonly leastAdults: number;
  readonly childrenPerAdult: Readonly<Record<string, number>>;
  readonly breakMinutes: number;
  readonly breakAfterMinutes: number;
  readonly series: readonly SeriesPlan[];
  readonly runs: readonly { readonly closes: string | null; readonly sessions: readonly string[] }[];
}

export interface PersonPlan {
  readonly away: readonly (readonly [from: number, to: number])[];
  /** null: no limit. */
  readonly weekMinutes: number | null;
}

export interface SeriesPlan {
  readonly order: readonly string[];
  readonly leastDays: number | null;
  readonly mostDays: number | null;
}

/** A clash, by the sessions it is between, in the order given. */
export type HouseClash =
  | { readonly kind: "room twice"; readonly sessions: readonly string[]; readonly room: string }
  | { readonly kind: "room lacks"; readonly sessions: readonly string[]; readonly room: string; readonly need: Need }
  | { readonly kind: "closed" | "closes too soon" | "crate cannot be ready" | "series order"; readonly sessions: readonly string[] }
  | {
      readonly kind: "person twice" | "person away" | "over hours" | "no break";
      readonly sessions: readonly string[];
      readonly person: string;
    }
  | { readonly kind: "adults too few"; readonly sessions: readonly string[]; readonly missing: number }
  | { readonly kind: "shared too few"; readonly sessions: readonly string[]; readonly thing: string; readonly short: number }
  | { readonly kind: "series days"; readonly sessions: readonly string[]; readonly days: number };

export const usualHouse = { leastAdults: 2, breakMinutes: 30, breakAfterMinutes: 270 } as const;

const minute = 60_000;

/**
 * Everything that clashes among a house's sessions. Cancelled ones never do; touching is no clash.
 * @param only Only clashes that these are in are looked for: what a session in hand would clash with is found many times a second.
 */
export function houseClashes(all: readonly PlannedSession[], house: HousePlan, only?: ReadonlySet<string>): readonly HouseClash[] {
  const sessions = all
    .filter(({ cancelled }) => !cancelled)
    // Somebody listed twice on a session is one person.
    .map((session) => ({ session: { ...session, people: [...new Set(session.people)] }, span: spanOf(session) }));
  const asked = only ? sessions.filter(({ session }) => only.has(session.id)) : sessions;
  const isAsked = (ids: readonly string[]): boolean => only === undefined || ids.some((id) => only.has(id));
  // What doesn't overlap any of those asked for is in no clash of an instant with them.
  const near = only ? sessions.filter(({ span }) => asked.some((one) => overlap(one.span, span))) : sessions;
  const things = Object.entries(house.shared).filter(([thing]) => asked.some(({ session }) => (session.uses[thing] ?? 0) > 0));
  return [
    ...inPairs(near, isAsked, ({ roomId }) => (roomId === null ? [] : [roomId])).map(
      ([room, pair]): HouseClash => ({ kind: "room twice", sessions: pair, room }),
    ),
    ...inPairs(near, isAsked, ({ people }) => people).map(
      ([person, pair]): HouseClash => ({ kind: "person twice", sessions: pair, person }),
    ),
    ...asked.flatMap((one) => byItself(one, house)),
    ...people(asked).flatMap((person) => ofPerson(person, sessions, house)),
    ...things.flatMap(([thing, owned]) => sharedTooFew(thing, owned, near)),
    ...house.series.filter(({ order }) => isAsked(order)).flatMap((series) => inSeries(series, sessions, house.zone)),
    ...closesTooSoon(asked, house),
  ].filter((clash) => isAsked(clash.sessions));
}

interface Spanned {
  readonly session: PlannedSession;
  /** First and last instant, exclusive, with set-up and tear-down. */
  readonly span: readonly [from: number, to: number];
}

const spanOf = (session: PlannedSession): Spanned["span"] => bookedSpan(session);
const overlap = ([a, b]: Spanned["span"], [c, d]: Spanned["span"]): boolean => a < d && c < b;
const endOf = ({ start, minutes }: PlannedSession): number => start + minutes * minute;

/** Pairs of sessions that overlap and share a room, or a person; in the order given. */
function inPairs(
  sessions: readonly Spanned[],
  isAsked: (pair: readonly string[]) => boolean,
  of: (session: PlannedSession) => readonly string[],
): readonly (readonly [shared: string, pair: readonly string[]])[] {
  const found: (readonly [string, readonly string[]])[] = [];
  for (const [i, one] of sessions.entries()) {
    const mine = of(one.session);
    for (let j = i + 1; j < sessions.length; j += 1) {
      const other = sessions[j];
      if (!other || !overlap(one.span, other.span)) continue;
      const pair = [one.session.id, other.session.id];
      if (!isAsked(pair)) continue;
      const theirs = of(other.session);
      for (const name of mine) if (theirs.includes(name)) found.push([name, pair]);
    }
  }
  return found;
}

function byItself({ session, span }: Spanned, house: HousePlan): readonly HouseClash[] {
  const { id } = session;
  const clashes: HouseClash[] = [];
  const room = session.roomId === null ? undefined : house.rooms[session.roomId];
  if (room && session.roomId !== null)
    for (const need of lacking(session.needs ?? {}, room)) clashes.push({ kind: "room lacks", sessions: [id], room: session.roomId, need });
  const isClosed = house.closures.some(({ from, to }) => {
    const [opens, ends] = [startOfDay(from, house.zone), endOfDay(to, house.zone)];
    return opens !== null && ends !== null && overlap(span, [opens, ends]);
  });
  if (isClosed) clashes.push({ kind: "closed", sessions: [id] });
  if (session.crateSlack !== null && session.crateSlack < 0) clashes.push({ kind: "crate cannot be ready", sessions: [id] });
  const needed = adultsNeeded(session, house);
  if (needed > session.people.length) clashes.push({ kind: "adults too few", sessions: [id], missing: needed - session.people.length });
  return clashes;
}

/** Needs that a room falls short of. */
function lacking(needs: Needs, room: Needs): readonly Need[] {
  return (Object.keys(needs) as Need[]).filter((need) => {
    const [asked, has] = [needs[need], room[need]];
    if (typeof asked === "number") return typeof has === "number" && asked > has;
    return asked === true && has === false;
  });
}

/** max(least adults, ⌈Σ children ÷ children per adult⌉, what the family asks for); 0 where nobody is counted. */
export function adultsNeeded(
  { children, adults }: Pick<PlannedSession, "children" | "adults">,
  house: Pick<HousePlan, "leastAdults" | "childrenPerAdult">,
): number {
  if (children === null) return adults;
  const shares = Object.entries(children).map(([age, n]) => n / (house.childrenPerAdult[age] ?? Number.POSITIVE_INFINITY));
  // A sum of shares such as 12/8 + 6/6 is a rounding off a whole number.
  const sum = Math.ceil(shares.reduce((all, share) => all + share, 0) - 1e-9);
  return Math.max(house.leastAdults, sum, adults);
}

const people = (sessions: readonly Spanned[]): readonly string[] => [...new Set(sessions.flatMap(({ session }) => session.people))];

function ofPerson(person: string, all: readonly Spanned[], house: HousePlan): readonly HouseClash[] {
  const theirs = all.filter(({ session }) => session.people.includes(person));
  const { away = [], weekMinutes = null } = house.people[person] ?? {};
  const ids = (some: readonly Spanned[]): readonly string[] => some.map(({ session }) => session.id);
  const isAway = theirs.filter(({ span }) => away.some((time) => overlap(span, time)));
  const mondays = theirs.map(({ span }) => mondayOf(dateOf(span[0], house.zone)));
  const weeks = [...new Set(mondays)].map((monday) => theirs.filter((_, i) => mondays[i] === monday));
  const over = weeks.filter(
    (week) => weekMinutes !== null && week.reduce((sum, { span }) => sum + (span[1] - span[0]), 0) > weekMinutes * minute,
  );
  return [
    ...isAway.map(({ session }): HouseClash => ({ kind: "person away", sessions: [session.id], person })),
    ...over.map((week): HouseClash => ({ kind: "over hours", sessions: ids(week), person })),
    ...stretches(theirs, house.breakMinutes)
      .filter((stretch) => lengthOf(stretch) > house.breakAfterMinutes * minute)
      .map((stretch): HouseClash => ({ kind: "no break", sessions: ids(stretch), person })),
  ];
}

/** Bookings with less than a break between them, together; earliest first. */
function stretches(theirs: readonly Spanned[], breakMinutes: number): readonly (readonly Spanned[])[] {
  const found: Spanned[][] = [];
  for (const one of [...theirs].sort((a, b) => a.span[0] - b.span[0])) {
    const last = found.at(-1);
    const until = last ? Math.max(...last.map(({ span }) => span[1])) : Number.NEGATIVE_INFINITY;
    if (last && one.span[0] - until < breakMinutes * minute) last.push(one);
    else found.push([one]);
  }
  return found;
}

const lengthOf = (stretch: readonly Spanned[]): number =>
  Math.max(...stretch.map(({ span }) => span[1])) - Math.min(...stretch.map(({ span }) => span[0]));

/** Sets of sessions that need more of a thing at once than there is, each in no larger such set. */
function sharedTooFew(thing: string, owned: number, all: readonly Spanned[]): readonly HouseClash[] {
  const users = all.filter(({ session }) => (session.uses[thing] ?? 0) > 0);
  const atOnce = users.map(({ span }) => users.filter((other) => other.span[0] <= span[0] && span[0] < other.span[1]));
  const need = (some: readonly Spanned[]): number => some.reduce((sum, { session }) => sum + (session.uses[thing] ?? 0), 0);
  const over = atOnce.filter((some) => need(some) > owned);
  const isWithin = (a: readonly Spanned[], b: readonly Spanned[]): boolean => a.every((one) => b.includes(one));
  const largest = over.filter(
    (some, i) => !over.some((other, j) => i !== j && isWithin(some, other) && (other.length > some.length || j < i)),
  );
  return largest.map((some) => ({
    kind: "shared too few",
    sessions: some.map(({ session }) => session.id),
    thing,
    short: need(some) - owned,
  }));
}

/** Each against the one before it: it begins before that has ended; else the days between are too few or too many. */
function inSeries({ order, leastDays, mostDays }: SeriesPlan, all: readonly Spanned[], zone: string): readonly HouseClash[] {
  const held = order.flatMap((id) => all.find(({ session }) => session.id === id)?.session ?? []);
  return held.slice(1).flatMap((next, i): readonly HouseClash[] => {
    const before = held[i];
    if (!before) return [];
    const sessions = [before.id, next.id];
    if (next.start < endOf(before)) return [{ kind: "series order", sessions }];
    const days = daysBetween(dateOf(before.start, zone), dateOf(next.start, zone));
    const isWrong = (leastDays !== null && days < leastDays) || (mostDays !== null && days > mostDays);
    return isWrong ? [{ kind: "series days", sessions, days }] : [];
  });
}

function closesTooSoon(all: readonly Spanned[], { runs, zone }: HousePlan): readonly HouseClash[] {
  return runs.flatMap(({ closes, sessions }) => {
    const end = closes === null ? null : endOfDay(closes, zone);
    if (end === null) return [];
    const ids = new Set(sessions);
    return all
      .filter(({ session }) => ids.has(session.id) && endOf(session) > end)
      .map(({ session }): HouseClash => ({ kind: "closes too soon", sessions: [session.id] }));
  });
}
