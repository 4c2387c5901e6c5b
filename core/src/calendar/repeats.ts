import { RRuleTemporal } from "rrule-temporal";
import { Temporal } from "temporal-polyfill";
import { endOfDay, instantOf, startOfDay, wallOf } from "./wallClock.ts";

/** A session that repeats, on the house's wall clock. */
export interface Repeat {
  readonly zone: string;
  /** Wall clock of the first, "2026-12-05T10:00". */
  readonly start: string;
  /** RFC 5545, such as "FREQ=WEEKLY;BYDAY=SA;COUNT=8". */
  readonly rule: string;
  readonly minutes: number;
  /** Wall clocks left out, and added. */
  readonly exdates?: readonly string[] | undefined;
  readonly rdates?: readonly string[] | undefined;
  /** Local dates, both ends closed: whatever touches one is left out. */
  readonly closures?: readonly { readonly from: string; readonly to: string }[] | undefined;
}

/** One of them: instants in ms since 1970, and the wall clock that it begins at. */
export interface Occurrence {
  readonly start: number;
  readonly end: number;
  readonly local: string;
}

/** The sessions of a repeat, or why the rule can't be taken. */
export type Repeated =
  | { readonly ok: true; readonly occurrences: readonly Occurrence[] }
  | { readonly ok: false; readonly field: "start" | "rule" | "minutes"; readonly message: string };

/** Sessions of a rule without end. */
const mostOccurrences = 1000;
/** Starts looked through for those: what is left out counts too. */
const mostLooked = 2 * mostOccurrences;
/** Days and hours tried for those: a daily rule of one weekday tries seven for each. */
const mostTried = 31 * mostLooked;
const minute = 60_000;

/**
 * Works a repeat out on the wall clock, then each start becomes an instant: a time that comes twice is the first of the
 * two, one that never comes is read with the offset before the gap. Length is elapsed time. COUNT counts before
 * exceptions; UNTIL is an instant, inclusive; the first start must itself fit the rule.
 */
export function repeated({ zone, start, rule, minutes, exdates = [], rdates = [], closures = [] }: Repeat): Repeated {
  if (!(minutes > 0)) return { ok: false, field: "minutes", message: "A session takes more than 0 minutes." };
  const first = instantOf(start, zone);
  if (first === null) return { ok: false, field: "start", message: "Type a day and a time that exist, such as 2026-12-05 10:00." };
  const { plain, until } = withoutUntil(rule);
  const walls = wallsOf(start, plain, (wall) => until === null || (instantOf(wall, zone) ?? 0) <= until);
  if (walls === null) return { ok: false, field: "rule", message: "This rule can't be read: such as FREQ=WEEKLY;BYDAY=SA;COUNT=8." };
  if (walls[0] !== start.slice(0, 16))
    return {
      ok: false,
      field: "rule",
      message: "The first start is none of the rule's own: move it to a day that the rule names, or change the rule.",
    };
  const left = new Set(exdates.map((wall) => wall.slice(0, 16)));
  const instants = new Set(
    [...walls, ...rdates].filter((wall) => !left.has(wall.slice(0, 16))).flatMap((wall) => instantOf(wall, zone) ?? []),
  );
  const closed = closures.map(({ from, to }) => [startOfDay(from, zone) ?? 0, endOfDay(to, zone) ?? 0] as const);
  const occurrences = [...instants]
    .sort((a, b) => a - b)
    .map((at): Occurrence => ({ start: at, end: at + minutes * minute, local: wallOf(at, zone) }))
    .filter(({ start: from, end }) => !closed.some(([opens, ends]) => from < ends && opens < end))
    .slice(0, mostOccurrences);
  return { ok: true, occurrences };
}

/** A rule's own part that is worked out on the wall clock, and its UNTIL as an instant. */
function withoutUntil(rule: string): { readonly plain: string; readonly until: number | null } {
  const parts = rule
    .replace(/^RRULE:/i, "")
    .split(";")
    .filter(Boolean);
  const said = parts.find((part) => /^UNTIL=/i.test(part))?.slice("UNTIL=".length);
  const until = said === undefined ? null : untilOf(said);
  return { plain: parts.filter((part) => !/^UNTIL=/i.test(part)).join(";"), until };
}

/** "20270417T235900Z" in ms; a date alone is its last moment, UTC. NaN where it is neither, which ends a rule before it begins. */
function untilOf(text: string): number {
  const [, year, month, day, hour = "23", min = "59", second = "59"] = /^(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)Z?)?$/.exec(text) ?? [];
  return Date.parse(`${year}-${month}-${day}T${hour}:${min}:${second}Z`);
}

/** Starts of a rule as wall clocks, while they go on: worked out as in a zone without clock changes. null where the rule can't be read. */
function wallsOf(start: string, rule: string, goesOn: (wall: string) => boolean): readonly string[] | null {
  try {
    const dtstart = Temporal.PlainDateTime.from(start).toZonedDateTime("UTC");
    const at = dtstart.toPlainDateTime().toString({ smallestUnit: "second" }).replace(/[-:]/g, "");
    const rules = new RRuleTemporal({ rruleString: `DTSTART:${at}Z\nRRULE:${rule}`, maxIterations: mostTried });
    const walls: string[] = [];
    // Ended from within: a daily rule of Fridays alone, worked out without end first, would give up before it was asked.
    rules.all((next, i) => {
      const wall = next.toPlainDateTime().toString({ smallestUnit: "minute" }).slice(0, 16);
      if (i >= mostLooked || !goesOn(wall)) return false;
      walls.push(wall);
      return true;
    });
    return walls;
  } catch {
    return null;
  }
}
