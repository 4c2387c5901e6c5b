import type { CalendarRun, CalendarSession, HouseDoc } from "@lampcrate/contract";
import { minutesOfDay, weekdayOf } from "@lampcrate/core";
import { memo } from "react";
import { type HomeDay, homeDay, homeWords } from "./atHome.ts";
import type { Row } from "./lanes.ts";
import type { Lane } from "./moves.ts";
import type { BarsShown } from "./WeekLanes.tsx";

interface MonthStripsProps {
  readonly days: readonly string[];
  readonly rows: readonly Row[];
  readonly sessionsIn: (lane: Lane) => readonly CalendarSession[];
  readonly ghost: { readonly session: CalendarSession; readonly rows: readonly string[] } | null;
  readonly shown: BarsShown;
  readonly closures: HouseDoc["closures"];
  readonly runs: readonly CalendarRun[];
  readonly today: string;
  readonly say: (date: string) => string;
}

const letters = ["Mo", "Tu", "We", "Th", "Fr", "Sa", "Su"];

/** A month: a strip a room or a person, a column a day; a session lies as deep in its column as it is late in the day. */
export function MonthStrips({ days, rows, sessionsIn, ghost, shown, closures, runs, today, say }: MonthStripsProps) {
  return (
    <table className="month-strips">
      <thead>
        <tr>
          <th scope="col">
            <span className="unseen">Lane</span>
          </th>
          {days.map((date) => (
            <th key={date} scope="col" className={date === today ? "today" : ""} aria-label={say(date)}>
              <span className="small soft">{letters[weekdayOf(date) - 1]}</span>
              <br />
              {Number(date.slice(8))}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <HomeStrip days={days} runs={runs} />
        {rows.map((row) => (
          <tr key={row.id}>
            <th scope="row">{row.name}</th>
            {days.map((date) => (
              <Cell
                key={date}
                date={date}
                row={row.id}
                sessions={sessionsIn({ date, row: row.id })}
                isShut={closures.some(({ from, to }) => from <= date && date <= to)}
                ghost={ghost?.session.start.startsWith(date) && ghost.rows.includes(row.id) ? ghost.session : null}
                shown={shown}
              />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What is open at home, day by day; the same whatever is dragged. */
const HomeStrip = memo(function HomeStrip({ days, runs }: Pick<MonthStripsProps, "days" | "runs">) {
  return (
    <tr className="home-strip">
      <th scope="row">At home</th>
      {days.map((date) => (
        <HomeCell key={date} home={homeDay(runs, date)} />
      ))}
    </tr>
  );
});

/** How many runs can be sent to on a day; edged where one opens or closes. */
function HomeCell({ home }: { readonly home: HomeDay }) {
  const { opens, closes, open } = home;
  if (open.length === 0) return <td />;
  const edges = `${opens.length > 0 ? "opens" : ""} ${closes.length > 0 ? "closes" : ""}`;
  const words = opens.length + closes.length > 0 ? `${homeWords(home)} (${open.length} open)` : `open at home: ${open.join(", ")}`;
  return (
    <td className={`home-open ${edges}`} title={words}>
      {open.length}
      <span className="unseen"> {words}</span>
    </td>
  );
}

interface CellProps {
  readonly date: string;
  readonly row: string;
  readonly sessions: readonly CalendarSession[];
  readonly isShut: boolean;
  readonly ghost: CalendarSession | null;
  readonly shown: BarsShown;
}

const Cell = memo(function Cell({ date, row, sessions, isShut, ghost, shown }: CellProps) {
  return (
    <td className={isShut ? "shut" : ""} title={isShut ? "closed" : undefined} data-date={date} data-row={row}>
      {sessions.map((session) => (
        <Block key={session.id} session={session} row={row} shown={shown} />
      ))}
      {ghost ? <span className="month-block ghost" style={depth(ghost, shown.hours)} aria-hidden="true" /> : null}
    </td>
  );
});

/** Where in its column a session lies. */
function depth(session: Pick<CalendarSession, "start" | "minutes">, [from, to]: readonly [number, number]) {
  const span = (to - from) * 60;
  return {
    top: `${((minutesOfDay(session.start) - from * 60) / span) * 100}%`,
    height: `max(10px, ${(session.minutes / span) * 100}%)`,
  };
}

const Block = memo(function Block({
  session,
  row,
  shown,
}: {
  readonly session: CalendarSession;
  readonly row: string;
  readonly shown: BarsShown;
}) {
  const clashes = shown.clashesOf.get(session.id) ?? 0;
  const state = [
    shown.heldId === session.id ? "held" : "",
    session.cancelled ? "off" : "",
    shown.runs.get(session.runId)?.status === "draft" ? "draft" : "",
    clashes > 0 ? "clashes" : "",
  ];
  return (
    <button
      type="button"
      data-session={session.id}
      data-bar={session.id}
      data-row={row}
      className={`month-block ${state.filter(Boolean).join(" ")}`}
      style={depth(session, shown.hours)}
      aria-label={shown.labelOf(session)}
      title={shown.labelOf(session)}
      onClick={() => shown.onTake(session)}
      onKeyDown={(event) => shown.onKey(event, session, row)}
    >
      {clashes > 0 ? "!" : Number(session.start.slice(11, 13))}
    </button>
  );
});
