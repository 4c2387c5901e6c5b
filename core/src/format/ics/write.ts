import ICAL from "ical.js";
import { comesTwice, wallOf } from "../../calendar/wallClock.ts";
import { zoneChanges } from "./zoneRules.ts";

// A line has 75 bytes at most (RFC 5545, 3.1); the package doesn't count the space that a folded one begins with.
ICAL.foldLength = 74;

/** A session as a calendar elsewhere sees it. Instants in ms since 1970, UTC. */
export interface IcsEvent {
  /** The same for as long as the session lives. */
  readonly uid: string;
  readonly start: number;
  readonly end: number;
  readonly title: string;
  readonly place: string;
  readonly notes: string;
  readonly status: "CONFIRMED" | "TENTATIVE" | "CANCELLED";
  /** One more at every change of time, place or status. */
  readonly sequence: number;
}

export interface IcsCalendar {
  readonly name: string;
  readonly zone: string;
  /** When it was written. */
  readonly at: number;
  readonly events: readonly IcsEvent[];
}

/**
 * An iCalendar file (RFC 5545): one VEVENT a session, never a rule; starts and ends on the zone's wall clock with its
 * TZID, the zone's changes written out. Lines are folded and texts escaped by ical.js.
 */
export function writeIcs({ name, zone, at, events }: IcsCalendar): string {
  const calendar = new ICAL.Component("vcalendar");
  calendar.updatePropertyWithValue("version", "2.0");
  calendar.updatePropertyWithValue("prodid", "-//Lamp Crate//Calendar//EN");
  calendar.updatePropertyWithValue("calscale", "GREGORIAN");
  calendar.updatePropertyWithValue("method", "PUBLISH");
  calendar.updatePropertyWithValue("x-wr-calname", name);
  const instants = events.flatMap(({ start, end }) => [start, end]);
  if (events.length > 0) calendar.addSubcomponent(zoneOf(zone, Math.min(...instants), Math.max(...instants)));
  for (const event of events) calendar.addSubcomponent(eventOf(event, zone, at));
  return `${calendar.toString()}\r\n`;
}

function zoneOf(zone: string, from: number, to: number): ICAL.Component {
  const component = new ICAL.Component("vtimezone");
  component.updatePropertyWithValue("tzid", zone);
  for (const { kind, wall, offsetFrom, offsetTo } of zoneChanges(zone, from, to)) {
    const change = new ICAL.Component(kind.toLowerCase());
    change.updatePropertyWithValue("dtstart", ICAL.Time.fromDateTimeString(wall));
    change.updatePropertyWithValue("tzoffsetfrom", ICAL.UtcOffset.fromString(signed(offsetFrom)));
    change.updatePropertyWithValue("tzoffsetto", ICAL.UtcOffset.fromString(signed(offsetTo)));
    component.addSubcomponent(change);
  }
  return component;
}

/** "+0100" as "+01:00". */
const signed = (offset: string): string => `${offset.slice(0, 3)}:${offset.slice(3)}`;

function eventOf({ uid, start, end, title, place, notes, status, sequence }: IcsEvent, zone: string, at: number): ICAL.Component {
  const event = new ICAL.Component("vevent");
  event.updatePropertyWithValue("uid", uid);
  event.updatePropertyWithValue("dtstamp", ICAL.Time.fromJSDate(new Date(at), true));
  for (const [key, instant] of [
    ["dtstart", start],
    ["dtend", end],
  ] as const) {
    const wall = wallOf(instant, zone);
    if (!comesTwice(wall, zone)) event.updatePropertyWithValue(key, ICAL.Time.fromDateTimeString(`${wall}:00`)).setParameter("tzid", zone);
    // A time that comes twice is read as the first of the two by some and as the second by others: told in UTC it is plain.
    else event.updatePropertyWithValue(key, ICAL.Time.fromJSDate(new Date(instant), true));
  }
  event.updatePropertyWithValue("summary", title);
  if (place !== "") event.updatePropertyWithValue("location", place);
  if (notes !== "") event.updatePropertyWithValue("description", notes);
  event.updatePropertyWithValue("status", status);
  event.updatePropertyWithValue("sequence", sequence);
  return event;
}
