import ICAL from "ical.js";
import { addDays, dateOf, instantOf, isZone, wallOf } from "../../calendar/wallClock.ts";

/** Something a file has: a busy time on the house's wall clock, or whole days. */
export interface IcsFound {
  readonly id: string;
  readonly title: string;
  /** Whole days: both ends closed, local dates. Else wall clocks, the end exclusive. */
  readonly wholeDays: boolean;
  readonly from: string;
  readonly to: string;
}

export type IcsRead =
  | { readonly ok: true; readonly found: readonly IcsFound[]; readonly skipped: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Files larger than this are no house's closed days, bytes. */
export const mostIcsBytes = 2 * 1024 * 1024;
/** Times of one file, repeats expanded. */
export const mostIcsTimes = 1000;
/** Repeats are followed so far from today, days. */
const daysBack = 60;
const daysAhead = 800;

interface Reading {
  readonly zone: string;
  /** The house's date. */
  readonly today: string;
}

/**
 * Closed days and busy times of an iCalendar file (RFC 5545). An all-day end is exclusive there; a time without a zone
 * is in the house's; what is transparent or cancelled is skipped; repeats are expanded, from two months back to two
 * years ahead.
 */
export function readIcs(text: string, reading: Reading): IcsRead {
  if (!/BEGIN:VCALENDAR/i.test(text))
    return { ok: false, message: "This is no calendar file: it has no BEGIN:VCALENDAR. Export one that ends in .ics." };
  try {
    const found: IcsFound[] = [];
    const skipped = new Map<string, number>();
    for (const root of components(text)) readCalendar(root, reading, found, (why) => skipped.set(why, (skipped.get(why) ?? 0) + 1));
    if (found.length > mostIcsTimes)
      return {
        ok: false,
        message: `This file has over ${mostIcsTimes} times from two months back to two years ahead. Export fewer of them.`,
      };
    return {
      ok: true,
      found: found.sort((a, b) => a.from.localeCompare(b.from)),
      skipped: [...skipped].map(([why, n]) => `${n} ${why}`),
    };
  } catch (error) {
    return {
      ok: false,
      message: `This file can't be read as a calendar: ${error instanceof Error ? error.message : "it breaks off"}. Export it anew.`,
    };
  }
}

function components(text: string): readonly ICAL.Component[] {
  const parsed = ICAL.parse(text) as unknown[];
  const roots = Array.isArray(parsed[0]) ? parsed : [parsed];
  return roots.map((root) => new ICAL.Component(root as ConstructorParameters<typeof ICAL.Component>[0]));
}

function readCalendar(root: ICAL.Component, reading: Reading, found: IcsFound[], skip: (why: string) => void): void {
  const zones = new Map(
    root.getAllSubcomponents("vtimezone").map((zone) => [String(zone.getFirstPropertyValue("tzid")), new ICAL.Timezone(zone)]),
  );
  const events = root.getAllSubcomponents("vevent").map((component) => new ICAL.Event(component));
  const heads = new Map(events.filter((event) => !event.isRecurrenceException()).map((event) => [event.uid, event]));
  for (const event of events) if (event.isRecurrenceException()) heads.get(event.uid)?.relateException(event);
  const lone = events.filter((event) => event.isRecurrenceException() && !heads.has(event.uid));
  for (const event of [...heads.values(), ...lone]) {
    const why = notTaken(event) ?? unknownZone(event, zones);
    if (why) skip(why);
    else readEvent(event, reading, zones, found, skip);
    if (found.length > mostIcsTimes) return;
  }
}

/** Why an event takes no time; null when it does. */
function notTaken(event: ICAL.Event): string | null {
  const of = (name: string): string => String(event.component.getFirstPropertyValue(name) ?? "").toUpperCase();
  if (of("status") === "CANCELLED") return "cancelled";
  if (of("transp") === "TRANSPARENT") return "shown as free";
  return event.component.getFirstPropertyValue("dtstart") === null ? "without a start" : null;
}

/** Why the hours of an event can't be known: it names a zone that neither the file nor anybody else knows; null when they can. */
function unknownZone(event: ICAL.Event, zones: ReadonlyMap<string, ICAL.Timezone>): string | null {
  const unknown = (["dtstart", "dtend"] as const)
    .map((name) => tzidOf(event, name))
    .find((id) => id !== "" && !isZone(id) && !zones.has(id));
  return unknown === undefined ? null : `not read, because their time zone “${unknown}” is not known`;
}

/**
 * Puts the end of a repeat on the wall clock that its starts are worked out on. UNTIL is an instant in UTC: held against
 * a wall clock as it is, a zone ahead of UTC loses its last day and one behind gains one.
 */
function untilOnWall(event: ICAL.Event, zone: string, zones: ReadonlyMap<string, ICAL.Timezone>): void {
  const tzid = tzidOf(event, "dtstart");
  if (event.startDate.isDate || event.startDate.zone !== ICAL.Timezone.localTimezone || zones.has(tzid)) return;
  for (const property of event.component.getAllProperties("rrule")) {
    const rule = property.getFirstValue() as ICAL.Recur;
    if (!rule.until || rule.until.isDate || rule.until.zone !== ICAL.Timezone.utcTimezone) continue;
    const wall = wallOf(rule.until.toUnixTime() * 1000, tzid === "" ? zone : tzid);
    rule.until = ICAL.Time.fromDateTimeString(`${wall}:00`);
  }
}

function readEvent(
  event: ICAL.Event,
  { zone, today }: Reading,
  zones: ReadonlyMap<string, ICAL.Timezone>,
  found: IcsFound[],
  skip: (why: string) => void,
): void {
  const add = (item: ICAL.Event, start: ICAL.Time, end: ICAL.Time): void => {
    const one = foundOf(item, start, end, zone, zones);
    if (one) found.push({ ...one, id: `${found.length}` });
    else skip("that end before they begin");
  };
  const [first, last] = [addDays(today, -daysBack), addDays(today, daysAhead)];
  if (!event.isRecurring()) {
    if (event.endDate.toString().slice(0, 10) < first) skip("long past");
    else if (event.startDate.toString().slice(0, 10) > last) skip("over two years ahead");
    else add(event, event.startDate, event.endDate);
    return;
  }
  untilOnWall(event, zone, zones);
  const dates = event.iterator();
  for (let at = dates.next(); at && found.length <= mostIcsTimes; at = dates.next()) {
    const date = at.toString().slice(0, 10);
    if (date > last) break;
    if (date < first) continue;
    const { item, startDate, endDate } = event.getOccurrenceDetails(at);
    const why = notTaken(item);
    if (why) skip(why);
    else add(item, startDate, endDate);
  }
}

function foundOf(
  item: ICAL.Event,
  start: ICAL.Time,
  end: ICAL.Time,
  zone: string,
  zones: ReadonlyMap<string, ICAL.Timezone>,
): Omit<IcsFound, "id"> | null {
  const title = (item.summary ?? "").slice(0, 120);
  if (start.isDate) {
    const from = start.toString().slice(0, 10);
    const until = end.toString().slice(0, 10);
    const to = until > from ? addDays(until, -1) : from;
    return { title, wholeDays: true, from, to };
  }
  const from = wallOf(instantAt(start, tzidOf(item, "dtstart"), zone, zones), zone);
  const to = wallOf(instantAt(end, tzidOf(item, "dtend"), zone, zones), zone);
  return to > from ? { title, wholeDays: false, from, to } : null;
}

/** The zone that a start or an end names; an end that is only a length has its start's. "" where none is named. */
function tzidOf(item: ICAL.Event, name: "dtstart" | "dtend"): string {
  const property = item.component.getFirstProperty(name) ?? item.component.getFirstProperty("dtstart");
  return String(property?.getParameter("tzid") ?? "");
}

/** The instant of a time: by UTC, by the zone of the file or of that name, else by the house's clock. */
function instantAt(time: ICAL.Time, tzid: string, house: string, zones: ReadonlyMap<string, ICAL.Timezone>): number {
  const wall = time.toString().replace("Z", "").slice(0, 16);
  if (time.zone === ICAL.Timezone.utcTimezone) return Date.parse(`${wall}Z`);
  const own = zones.get(tzid);
  if (tzid !== "" && isZone(tzid)) return instantOf(wall, tzid) ?? 0;
  if (own) {
    const local = time.clone();
    local.zone = own;
    return local.toUnixTime() * 1000;
  }
  return instantOf(wall, house) ?? 0;
}

/** Local dates that a busy time touches, both ends closed: a time that ends at midnight doesn't touch the next day. */
export function datesOf({ wholeDays, from, to }: Pick<IcsFound, "wholeDays" | "from" | "to">): readonly [first: string, last: string] {
  if (wholeDays) return [from, to];
  const last = instantOf(to, "UTC");
  return [from.slice(0, 10), last === null ? to.slice(0, 10) : dateOf(last - 1, "UTC")];
}
