import type { CalendarSession } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { clockOf } from "../calendar/clockOf.ts";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { calendarQuery, houseQuery } from "../queries.ts";
import "./floor.css";

/** Sessions shown before and after today's. */
const most = 4;

/** Which session's floor: today's first. */
export function FloorDays() {
  const calendar = useQuery(calendarQuery).data;
  const rooms = useQuery(houseQuery).data?.rooms ?? [];
  const { today, day } = useHouseDay();
  if (!calendar) return <Opening what="the floor" />;
  const held = calendar.sessions.filter(({ cancelled }) => !cancelled);
  const dateOf = ({ start }: CalendarSession): string => start.slice(0, 10);
  const groups: readonly (readonly [string, readonly CalendarSession[]])[] = [
    ["Today", held.filter((one) => dateOf(one) === today)],
    ["To come", held.filter((one) => dateOf(one) > today).slice(0, most)],
    [
      "Before",
      held
        .filter((one) => dateOf(one) < today)
        .slice(-most)
        .reverse(),
    ],
  ];
  return (
    <main className="page stack floor-days">
      <h1>Floor</h1>
      {groups.map(([words, sessions]) => (
        <section key={words} className="sheet pad" aria-label={words}>
          <h2>{words}</h2>
          {sessions.length === 0 ? <p className="soft">No session{words === "Today" ? " today" : ""}.</p> : null}
          <ul>
            {sessions.map((session) => (
              <li key={session.id}>
                <LinkButton className="floor-key" to={`/floor/${session.id}`}>
                  {calendar.runs.find(({ id }) => id === session.runId)?.title}
                </LinkButton>
                <span>
                  {day(dateOf(session))} {session.start.slice(11)} to {clockOf(session.endAt, session.zone)}
                  <span className="soft">
                    {" "}
                    {session.title} {rooms.find(({ id }) => id === session.roomId)?.name}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </main>
  );
}
