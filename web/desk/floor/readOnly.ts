import { type FloorDoc, whoMay } from "@lampcrate/contract";
import { dateOf, shortDate, tapsTaken } from "@lampcrate/core";
import { clockOf } from "../calendar/clockOf.ts";

/** Why nothing can be tapped on this floor, in a sentence; null when it can. `now` is the tablet's clock. */
export function whyReadOnly({ session }: FloorDoc, now: number, mayCount: boolean): string | null {
  if (!mayCount) return `You can look at this floor; ${whoMay("count")} counts on it.`;
  if (session.cancelled) return "This session was cancelled: nothing is counted on it.";
  const { from, until } = tapsTaken(session);
  const said = (at: number): string => `${shortDate(dateOf(at, session.zone), dateOf(now, session.zone))} ${clockOf(at, session.zone)}`;
  if (now < from) return `This session is on ${said(session.startAt)}. You can count on its floor from ${said(from)}.`;
  if (now > until) return `This session was on ${said(session.startAt)}. Counting ended ${said(until)}.`;
  return null;
}
