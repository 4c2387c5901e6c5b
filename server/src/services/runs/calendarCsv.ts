import { dateOf, wallOf } from "@lampcrate/core";
import Papa from "papaparse";
import type { Store } from "../../db/open.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { calendarDoc } from "./calendar.ts";

const columns = [
  "run",
  "kind",
  "status",
  "part",
  "held",
  "called",
  "day",
  "starts",
  "ends",
  "zone",
  "minutes",
  "set-up min",
  "tear-down min",
  "room",
  "people",
  "takes place",
];

/** Every session of the house as CSV, on the house's wall clock. */
export function calendarCsv(db: Store, person: Person): string {
  const { runs, sessions } = calendarDoc(db, person);
  const { rooms, people } = houseDoc(db);
  const name = (of: readonly { readonly id: string; readonly name: string }[], id: string | null): string =>
    of.find((one) => one.id === id)?.name ?? "";
  const rows = sessions.map((session) => {
    const run = runs.find(({ id }) => id === session.runId);
    const { startAt, endAt, zone } = session;
    const ends = wallOf(endAt, zone);
    return [
      run?.title ?? "",
      run?.kind ?? "",
      run?.status ?? "",
      session.part ?? "",
      session.kind,
      session.title,
      dateOf(startAt, zone),
      session.start.slice(11),
      // A session over midnight ends on another day.
      ends.slice(0, 10) === session.start.slice(0, 10) ? ends.slice(11) : ends.replace("T", " "),
      zone,
      session.minutes,
      session.setUpMin,
      session.tearDownMin,
      name(rooms, session.roomId),
      session.people.map((id) => name(people, id)).join("; "),
      session.cancelled ? "no" : "yes",
    ];
  });
  return Papa.unparse([columns, ...rows], { escapeFormulae: true, newline: "\r\n" });
}
