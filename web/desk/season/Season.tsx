import type { SeasonDoc, ToDo } from "@lampcrate/contract";
import { addDays, weekdayOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { useKeys } from "../pieces/keys.ts";
import { Opening } from "../pieces/Opening.tsx";
import { seasonQuery } from "../queries.ts";
import { type SeasonStart, useSeasonStarts } from "../seasonData/useSeasonStarts.ts";
import { monthsOf, usualStart } from "./axis.ts";
import { ErasingNotices } from "./ErasingNotices.tsx";
import { SeasonFilter } from "./SeasonFilter.tsx";
import { type SeasonPart, seasonOrder } from "./seasonOrder.ts";
import { ThisWeek } from "./ThisWeek.tsx";
import { TimeLine } from "./TimeLine.tsx";
import "./season.css";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Lock, useMay } from "../pieces/Lock.tsx";

/** Home of the desk: every run as a string of lamps, and what this week asks for. */
export function Season() {
  const season = useQuery(seasonQuery);
  const starts = useSeasonStarts();
  const navigate = useNavigate();
  const may = useMay();
  useKeys(may("plan") ? [{ key: "n", words: "new run", act: () => void navigate("/start") }] : []);
  const doc = season.data;
  const toDo = useMemo(() => (doc ? weekOf(doc, starts) : []), [doc, starts]);
  const waiting = useMemo(() => starts.filter(({ id }) => !doc?.marks.some((mark) => mark.done && mark.id === id)), [doc, starts]);
  if (season.isPending) return <Opening what="the season" />;
  if (season.isLoadingError)
    return (
      <main className="page">
        <p role="alert" className="trouble">
          {season.error.message}
        </p>
      </main>
    );
  const { runs, missing, marks } = season.data;
  const undone = toDo.filter((item) => !marks.some(({ id, done }) => done && id === item.id));
  const sessions = runs.reduce((sum, run) => sum + run.sessions.length, 0);
  const entries = runs.reduce((sum, run) => sum + run.accepted + run.waiting, 0);
  return (
    <main className="page">
      <div className="season">
        <div className="stack">
          <div className="row spread">
            <div className="row baseline">
              <h1>Season</h1>
              <span className="soft">
                {runs.length} {runs.length === 1 ? "run" : "runs"}, {sessions} sessions, {entries} entries so far
              </span>
            </div>
            {may("plan") ? (
              <LinkButton type="primary" to="/start">
                New run
              </LinkButton>
            ) : null}
          </div>
          <Lock to="house">
            <ErasingNotices season={season.data} />
          </Lock>
          {missing.map((item) => (
            <p key={item.to} className="plain-words">
              {item.words} <Link to={item.to}>Do it now</Link>
            </p>
          ))}
          <div className="sheet">
            {runs.length === 0 ? (
              <p className="pad">
                No run yet. Start one: choose a challenge, and the crate, the calendar and the sheet for families follow from its numbers.
              </p>
            ) : (
              <Runs season={season.data} toDo={undone} starts={waiting} />
            )}
          </div>
        </div>
        <ThisWeek toDo={toDo} season={season.data} />
      </div>
    </main>
  );
}

/** What must begin by the coming Sunday, of runs and of crates. */
function weekOf({ today, toDo }: SeasonDoc, starts: readonly SeasonStart[]): readonly ToDo[] {
  const sunday = addDays(today, 7 - weekdayOf(today));
  return [...toDo, ...starts.filter(({ due }) => due <= sunday)].sort(
    (a, b) => a.due.localeCompare(b.due) || a.runTitle.localeCompare(b.runTitle),
  );
}

interface RunsProps {
  readonly season: SeasonDoc;
  readonly toDo: readonly ToDo[];
  readonly starts: readonly SeasonStart[];
}

/** The season's runs as chosen, on their line. */
function Runs({ season, toDo, starts }: RunsProps) {
  const { runs, today } = season;
  const [part, setPart] = useState<SeasonPart>("all");
  const [find, setFind] = useState("");
  const [from, setFrom] = useState(usualStart(today));
  const shown = useMemo(() => seasonOrder(runs, toDo, today, { part, find }), [runs, toDo, today, part, find]);
  const months = useMemo(() => monthsOf(runs, today), [runs, today]);
  return (
    <>
      <SeasonFilter {...{ part, find, from, today, months }} onPart={setPart} onFind={setFind} onFrom={setFrom} />
      {shown.length === 0 ? (
        <p className="pad soft">
          No run is like that.{" "}
          <Button
            type="text"
            size="small"
            onClick={() => {
              setPart("all");
              setFind("");
            }}
          >
            show all
          </Button>
        </p>
      ) : (
        <TimeLine season={season} runs={shown} starts={starts} from={from} />
      )}
    </>
  );
}
