import type { RunSummary, SeasonDoc } from "@lampcrate/contract";
import { addDays, dayAndMonth, shortDate } from "@lampcrate/core";
import { memo, useMemo } from "react";
import { useWidth } from "../../shared/useWidth.ts";
import type { SeasonStart } from "../seasonData/useSeasonStarts.ts";
import { type Axis, axisOf, weeksOf } from "./axis.ts";
import { Legend } from "./Legend.tsx";
import { RunRow } from "./RunRow.tsx";

function byRun(starts: readonly SeasonStart[]): ReadonlyMap<string, readonly SeasonStart[]> {
  const found = new Map<string, SeasonStart[]>();
  for (const start of starts) found.set(start.runId, [...(found.get(start.runId) ?? []), start]);
  return found;
}

const none: readonly SeasonStart[] = [];

interface TimeLineProps {
  readonly season: SeasonDoc;
  readonly runs: readonly RunSummary[];
  /** Steps of crates that aren't done. */
  readonly starts: readonly SeasonStart[];
  /** Monday with which the line begins. */
  readonly from: string;
}

/** Runs on a time line drawn to scale, px for px: its letters are as large in a small window as on a wall. */
export const TimeLine = memo(function TimeLine({ season, runs, starts, from }: TimeLineProps) {
  const [line, width] = useWidth<HTMLDivElement>(680);
  const axis = useMemo(
    () => axisOf(from, season.today, width, weeksOf(season.runs, season.today)),
    [from, season.today, season.runs, width],
  );
  const startsOf = useMemo(() => byRun(starts), [starts]);
  return (
    <section className="season-line" aria-label="Time line of the season">
      <div className="season-head">
        <span />
        <div ref={line}>
          <Dates axis={axis} />
        </div>
      </div>
      <ol>
        {runs.map((run) => (
          <li key={run.id}>
            <RunRow run={run} starts={startsOf.get(run.id) ?? none} axis={axis} closures={season.closures} />
          </li>
        ))}
      </ol>
      <Legend />
    </section>
  );
});

/** Room that a date takes, px. */
const dateRoom = 58;

/** Every Monday that has room for its words, and today on its flag. */
function Dates({ axis }: { readonly axis: Axis }) {
  const { width, x, today, weeks } = axis;
  const every = Math.max(1, Math.ceil((dateRoom * weeks.length) / Math.max(1, width)));
  const flag = shortDate(today, today);
  const at = Math.min(Math.max(44, x(today)), width - 44);
  const isSeen = today >= axis.from && today < axis.to;
  return (
    <svg width={width} height="34" role="img" aria-label={`From ${dayAndMonth(axis.from)} to ${dayAndMonth(addDays(axis.to, -1))}`}>
      {weeks.map((week, i) =>
        i % every === 0 && x(week) < width - 40 && !(isSeen && Math.abs(x(week) + 18 - at) < 66) ? (
          <text key={week} x={x(week)} y="22" className="faint">
            {dayAndMonth(week)}
          </text>
        ) : null,
      )}
      {isSeen ? (
        <>
          <rect x={at - 44} y="6" width="88" height="23" rx="3" fill="var(--ink)" />
          <text x={at} y="22" textAnchor="middle" className="on-ink">
            {flag}
          </text>
        </>
      ) : null}
    </svg>
  );
}
