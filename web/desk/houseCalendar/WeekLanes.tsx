import type { CalendarRun, CalendarSession, HouseDoc } from "@lampcrate/contract";
import { type KeyboardEvent, memo, type Ref, useMemo } from "react";
import { homeDay, homeWords } from "./atHome.ts";
import { barsOf, type LaneBar, type Row } from "./lanes.ts";
import type { Lane } from "./moves.ts";
import { placeOf, SessionBar } from "./SessionBar.tsx";

/** What every lane shows its bars by. */
export interface BarsShown {
  readonly runs: ReadonlyMap<string, CalendarRun>;
  readonly hours: readonly [number, number];
  readonly clashesOf: ReadonlyMap<string, number>;
  readonly heldId: string | null;
  readonly labelOf: (session: CalendarSession) => string;
  readonly onTake: (session: CalendarSession) => void;
  readonly onKey: (event: KeyboardEvent, session: CalendarSession, row: string) => void;
}

interface WeekLanesProps {
  readonly days: readonly string[];
  readonly rows: readonly Row[];
  readonly sessionsIn: (lane: Lane) => readonly CalendarSession[];
  /** What is held, where it would lie. */
  readonly ghost: { readonly session: CalendarSession; readonly rows: readonly string[] } | null;
  readonly shown: BarsShown;
  readonly closures: HouseDoc["closures"];
  readonly runs: readonly CalendarRun[];
  readonly awayIn: (lane: Lane) => readonly (readonly [from: number, to: number])[];
  readonly today: string;
  readonly say: (date: string) => string;
  /** The ruler whose width the minutes are measured by. */
  readonly ruler: Ref<HTMLDivElement>;
}

/** A week: a shelf a day, a lane a room or a person, the hours along them as on a ruler. */
export function WeekLanes({ days, rows, sessionsIn, ghost, shown, closures, runs, awayIn, today, say, ruler }: WeekLanesProps) {
  const [from, to] = shown.hours;
  return (
    <div className="week-lanes" style={{ "--hours": to - from } as React.CSSProperties}>
      <div className="lane-hours" aria-hidden="true">
        <span />
        <span />
        <div ref={ruler} className="hour-marks">
          {Array.from({ length: to - from }, (_, i) => (
            <span key={from + i}>{from + i}</span>
          ))}
        </div>
      </div>
      {days.map((date) => {
        const home = homeDay(runs, date);
        const shut = closures.find((closure) => closure.from <= date && date <= closure.to);
        return (
          <section key={date} className={shut ? "shelf shut" : "shelf"} aria-label={say(date)}>
            <h2 className={date === today ? "today" : ""}>
              {say(date)}
              {shut ? <span className="soft small">closed: {shut.why || "closed day"}</span> : null}
              {home.open.length === 0 ? null : (
                <span className="at-home" title={`open at home: ${home.open.join(", ")}`}>
                  {homeWords(home)}
                </span>
              )}
            </h2>
            <div className="shelf-lanes">
              {rows.map((row) => {
                const lies = ghost?.session.start.startsWith(date) && ghost.rows.includes(row.id);
                return (
                  <LaneRow
                    key={row.id}
                    date={date}
                    row={row}
                    sessions={sessionsIn({ date, row: row.id })}
                    ghost={lies && ghost ? ghost.session : null}
                    away={awayIn({ date, row: row.id })}
                    shown={shown}
                  />
                );
              })}
            </div>
          </section>
        );
      })}
    </div>
  );
}

interface LaneRowProps {
  readonly date: string;
  readonly row: Row;
  readonly sessions: readonly CalendarSession[];
  readonly ghost: CalendarSession | null;
  readonly away: readonly (readonly [from: number, to: number])[];
  readonly shown: BarsShown;
}

const LaneRow = memo(function LaneRow({ date, row, sessions, ghost, away, shown }: LaneRowProps) {
  const { runs, hours, clashesOf, heldId, labelOf, onTake, onKey } = shown;
  const bars = useMemo(() => barsOf(sessions), [sessions]);
  const levels = Math.max(1, ...bars.map(({ level }) => level + 1));
  const [first] = ghost ? barsOf([ghost]) : [];
  const span = (hours[1] - hours[0]) * 60;
  return (
    <div className={bars.length === 0 ? "lane-row bare" : "lane-row"}>
      <span className="lane-name small soft">{row.name}</span>
      <div
        className="lane-ruler"
        style={{ height: `calc(${levels} * var(--lane))` }}
        data-lane={`${date} ${row.name}`}
        data-date={date}
        data-row={row.id}
      >
        {away.map(([from, to]) => (
          <span
            key={from}
            className="away"
            title="away"
            style={{ left: `${((from - hours[0] * 60) / span) * 100}%`, width: `${((to - from) / span) * 100}%` }}
          />
        ))}
        {bars.map((bar) => (
          <SessionBar
            key={bar.session.id}
            bar={bar}
            row={row.id}
            run={runs.get(bar.session.runId)}
            hours={hours}
            clashes={clashesOf.get(bar.session.id) ?? 0}
            isHeld={heldId === bar.session.id}
            label={labelOf(bar.session)}
            onTake={onTake}
            onKey={onKey}
          />
        ))}
        {first ? <Ghost bar={first} hours={hours} /> : null}
      </div>
    </div>
  );
});

/** Where what is held would lie. */
function Ghost({ bar, hours }: { readonly bar: LaneBar; readonly hours: readonly [number, number] }) {
  const place = placeOf(bar, hours);
  return (
    <div className="session-bar ghost" style={place.bar} aria-hidden="true">
      <i className="around" style={place.before} />
      <span className="bar-words" style={{ left: place.before.width }}>
        {bar.session.start.slice(11)}
      </span>
      <i className="around last" style={place.after} />
    </div>
  );
}
