import type { HouseDoc } from "@lampcrate/contract";
import { addDays, apartWords, clockAfter, daysBetween, wallOf } from "@lampcrate/core";
import type { Store } from "../../db/open.ts";
import { houseDoc } from "../house/house.ts";
import { calendarDoc } from "./calendar.ts";

/** A session as it stands on a printed calendar. */
export interface PrintedSession {
  /** On the house's wall clock. */
  readonly from: string;
  readonly to: string;
  readonly what: string;
  readonly where: string;
  readonly who: string;
  /** Set-up and tear-down in words; may be empty. */
  readonly around: string;
}

/** Days of the house's calendar to be printed; a day on which nothing is has no sessions. */
export interface CalendarPapers {
  readonly house: HouseDoc;
  readonly days: readonly { readonly date: string; readonly closed: string | null; readonly sessions: readonly PrintedSession[] }[];
}

/** Every session that takes place in a range of local dates, both in it, by day and time. */
export function calendarPapers(db: Store, { from, to }: { readonly from: string; readonly to: string }): CalendarPapers {
  const house = houseDoc(db);
  const { runs, sessions } = calendarDoc(db, nobody);
  const printed = (session: (typeof sessions)[number]): PrintedSession => {
    const run = runs.find(({ id }) => id === session.runId);
    const starts = session.start.slice(11);
    const { setUpMin, tearDownMin, kind, part, title } = session;
    return {
      from: starts,
      to: wallOf(session.endAt, session.zone).slice(11),
      what: [run?.title ?? "", part === null ? "" : `part ${part}`, title, apartWords(kind), run?.status === "draft" ? "draft" : ""]
        .filter((words) => words !== "")
        .join(", "),
      where: house.rooms.find(({ id }) => id === session.roomId)?.name ?? "no room",
      who: house.people
        .filter(({ id }) => session.people.includes(id))
        .map(({ name }) => name)
        .join(", "),
      around: [
        setUpMin > 0 ? `set-up from ${clockAfter(starts, 24 * 60 - setUpMin)}` : "",
        tearDownMin > 0 ? `cleared by ${wallOf(session.endAt + tearDownMin * 60_000, session.zone).slice(11)}` : "",
      ]
        .filter((words) => words !== "")
        .join(", "),
    };
  };
  return {
    house,
    days: Array.from({ length: daysBetween(from, to) + 1 }, (_, i) => {
      const date = addDays(from, i);
      const closure = house.closures.find((one) => one.from <= date && date <= one.to);
      const held = sessions.filter(({ start, cancelled }) => !cancelled && start.startsWith(date));
      return { date, closed: closure ? closure.why || "closed day" : null, sessions: held.map(printed) };
    }),
  };
}

/** The calendar is the same for all; only what each could take back differs. */
const nobody = { id: "", name: "", role: "planner" } as const;
