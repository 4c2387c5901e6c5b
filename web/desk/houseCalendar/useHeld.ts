import type { CalendarDoc, CalendarSession, HouseDoc, SessionInput } from "@lampcrate/contract";
import {
  addDays,
  clashesTold,
  inScope,
  instantOf,
  type RepeatScope,
  type ToldClash,
  wallBetween,
  wallLater,
  wallOf,
} from "@lampcrate/core";
import { useMemo, useState } from "react";
import { sessionInput } from "../pieces/sessionInput.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import type { PreparingAt } from "./usePreparing.ts";

/** A session in hand: where it would go, and for which of its repeat. */
export interface Held {
  readonly session: CalendarSession;
  readonly candidate: SessionInput;
  readonly scope: RepeatScope;
  /** The pointer has it: what it takes time to paint waits until it is let go. */
  readonly dragged: boolean;
}

/** A session held over the calendar, and what would clash if it were put down. */
export interface Holding {
  readonly held: Held | null;
  readonly changed: boolean;
  /** Clashes of the session in hand, where it would lie. */
  readonly clashes: readonly ToldClash[];
  /** Clashes of all of them as they stand. */
  readonly standing: readonly ToldClash[];
  /** Why it can't be put down as it is; null when it can. */
  readonly refused: string | null;
  readonly take: (session: CalendarSession, dragged?: boolean) => void;
  /** The pointer has let go of it. */
  readonly letGo: () => void;
  readonly set: (patch: Partial<SessionInput>) => void;
  readonly setScope: (scope: RepeatScope) => void;
  /** Puts it back; given ids, only when it is one of these. */
  readonly leave: (only?: readonly string[]) => void;
  /** Every session that it changes, as it would be saved. */
  readonly changes: () => readonly (SessionInput & { readonly id: string; readonly revision: number })[];
}

/** Clashes are looked for this many days around what is held: a week's hours, and what lies beside. */
const nearDays = 8;
/** A clash of these kinds is refused by the server as well. */
const refusing: readonly ToldClash["kind"][] = ["room twice", "series order"];

export function useHeld(doc: CalendarDoc, house: HouseDoc, slack: PreparingAt["slack"]): Holding {
  const { now } = useHouseDay();
  const [taken, setTaken] = useState<(Omit<Held, "session"> & { readonly id: string }) | null>(null);
  const handling = useMemo((): Pick<Holding, "take" | "letGo" | "set" | "setScope" | "leave"> => {
    return {
      take: (one, dragged = false) => setTaken({ id: one.id, candidate: sessionInput(one), scope: "this", dragged }),
      letGo: () => setTaken((was) => was && { ...was, dragged: false }),
      set: (patch) => setTaken((was) => was && { ...was, candidate: { ...was.candidate, ...patch } }),
      setScope: (scope) => setTaken((was) => was && { ...was, scope }),
      leave: (only) => setTaken((was) => (was && only && !only.includes(was.id) ? was : null)),
    };
  }, []);
  const session = taken ? doc.sessions.find(({ id }) => id === taken.id) : undefined;
  const held = useMemo(
    () => (taken && session ? { session, candidate: taken.candidate, scope: taken.scope, dragged: taken.dragged } : null),
    [taken, session],
  );
  const isOver = held !== null && instantOf(held.candidate.start, house.zone) === null;
  const moved = useMemo(() => (held ? movedSessions(doc, house, held) : []), [doc, house, held]);
  const clashes = useMemo(() => {
    const by = { runs: doc.runs, house, units: house.units, now };
    if (moved.length === 0) return [];
    const ids = new Set(moved.map(({ id }) => id));
    const days = moved.flatMap(({ start }) => [addDays(start.slice(0, 10), -nearDays), addDays(start.slice(0, 10), nearDays)]).sort();
    const [first = "", last = ""] = [days[0], days.at(-1)];
    const runs = new Set(moved.map(({ runId }) => runId));
    const others = doc.sessions.filter(
      (one) => !ids.has(one.id) && (runs.has(one.runId) || (one.start.slice(0, 10) >= first && one.start.slice(0, 10) <= last)),
    );
    const sessions = [...others, ...moved];
    return clashesTold({ ...by, sessions, only: [...ids], slackOf: slackIn(sessions, slack) });
  }, [doc, house, now, moved, slack]);
  const standing = useMemo(
    () => clashesTold({ sessions: doc.sessions, runs: doc.runs, house, units: house.units, now, slackOf: slackIn(doc.sessions, slack) }),
    [doc, house, now, slack],
  );
  const changed = held !== null && JSON.stringify(sessionInput(held.session)) !== JSON.stringify(held.candidate);
  const against = held ? clashes.find(({ kind }) => refusing.includes(kind)) : undefined;
  const refused = isOver
    ? "Type a day and a time that exist."
    : held && neverComes(held.candidate.start, house.zone)
      ? `The clocks go forward then: ${held.candidate.start.slice(11)} never comes on that day. Take an hour later.`
      : (against?.words ?? null);
  // The same object while nothing in it changes: what follows it later would else never come to rest.
  return useMemo(
    () => ({
      held,
      changed,
      clashes,
      standing,
      refused,
      ...handling,
      changes: () => moved.map((one) => ({ ...sessionInput(one), id: one.id, revision: one.revision })),
    }),
    [held, changed, clashes, standing, refused, moved, handling],
  );
}

/** Slack of the crates of sessions, by the days on which they lie here. */
function slackIn(sessions: readonly CalendarSession[], slack: PreparingAt["slack"]): (id: string) => number | null {
  const days = new Map(sessions.map(({ id, start, cancelled }) => [id, cancelled ? null : start.slice(0, 10)]));
  return (id) => {
    const day = days.get(id);
    return day ? slack(id, day) : null;
  };
}

function neverComes(start: string, zone: string): boolean {
  const at = instantOf(start, zone);
  return at !== null && wallOf(at, zone) !== start;
}

/** What is held as it would stand, with those of its repeat that move alike: by as much on the wall, everything else the same. */
function movedSessions(doc: CalendarDoc, { zone }: HouseDoc, { session, candidate, scope }: Held): readonly CalendarSession[] {
  const by = wallBetween(session.start, candidate.start);
  return inScope(doc.sessions, session, scope).map((one) => {
    const { start: _, part: __, heads: ___, title, ...rest } = candidate;
    const start = one.id === session.id ? candidate.start : wallLater(one.start, { minutes: by });
    const own = one.id === session.id ? { title, part: candidate.part } : {};
    const startAt = instantOf(start, zone) ?? one.startAt;
    return { ...one, ...rest, ...own, start, startAt, endAt: startAt + candidate.minutes * 60_000 };
  });
}
