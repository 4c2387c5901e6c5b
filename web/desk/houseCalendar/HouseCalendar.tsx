import type { CalendarDoc, HouseDoc } from "@lampcrate/contract";
import { addDays, isDate, mondayOf, type WayOut } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link, useSearchParams } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { Lock } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { calendarQuery, houseQuery } from "../queries.ts";
import { CalendarBar } from "./CalendarBar.tsx";
import { CalendarBoard } from "./CalendarBoard.tsx";
import { ClashList } from "./ClashList.tsx";
import type { By } from "./lanes.ts";
import { SessionCard } from "./SessionCard.tsx";
import { useHeld } from "./useHeld.ts";
import { usePreparing } from "./usePreparing.ts";
import { useSaveSessions } from "./useSaveSessions.ts";
import "./houseCalendar.css";

/** The calendar of the house: every run's sessions, by room or by person, moved where they fit. */
export function HouseCalendar() {
  const calendar = useQuery(calendarQuery);
  const house = useQuery(houseQuery);
  if (calendar.data && house.data)
    return (
      <Lock to="plan" told>
        <Board doc={calendar.data} house={house.data} />
      </Lock>
    );
  const broken = calendar.error ?? house.error;
  return broken ? (
    <main className="page">
      <p role="alert" className="trouble">
        {broken.message}
      </p>
    </main>
  ) : (
    <Opening what="the calendar" />
  );
}

/** What is shown, as the address has it: so that a reload and the back button find it again. */
function useShown() {
  const [params, setParams] = useSearchParams();
  const { today } = useHouseDay();
  const by: By = params.get("by") === "person" ? "person" : "room";
  const isMonth = params.get("show") === "month";
  const asked = params.get("day") ?? "";
  const day = isDate(asked) ? asked : today;
  const put = (patch: Readonly<Record<string, string>>): void =>
    setParams((now) => new URLSearchParams({ ...Object.fromEntries(now), ...patch }), { replace: patch["day"] === undefined });
  return { by, isMonth, day, put };
}

function Board({ doc, house }: { readonly doc: CalendarDoc; readonly house: HouseDoc }) {
  const shown = useShown();
  const { by, isMonth, day, put } = shown;
  const preparing = usePreparing(house);
  const holding = useHeld(doc, house, preparing.slack);
  const { saving, undo, redo, undoTrouble } = useSaveSessions(doc, holding.leave);
  const { held, standing } = holding;
  const run = doc.runs.find(({ id }) => id === held?.session.runId);
  const days = useMemo(() => (isMonth ? monthOf(day) : weekOf(day)), [isMonth, day]);
  const inSight = useMemo(() => {
    const seen = new Set(doc.sessions.flatMap(({ id, start }) => (days.includes(start.slice(0, 10)) ? [id] : [])));
    return standing.filter(({ sessions }) => sessions.some((id) => seen.has(id)));
  }, [doc, days, standing]);
  const save = async (): Promise<void> => {
    const changes = holding.changes();
    const [first] = changes;
    if (!held || !first) return;
    const many = changes.length === 1 ? "" : ` (${changes.length} sessions)`;
    await saving.save({
      words: `changed ${run?.title ?? "a session"} on ${held.session.start.replace("T", " ")}${many}`,
      changes,
      adds: [],
    });
  };
  const onWay = (way: WayOut): void => {
    if (held === null) return;
    if ("roomId" in way) holding.set({ roomId: way.roomId });
    else if ("start" in way) holding.set({ start: way.start });
    else holding.set({ people: [...held.candidate.people.filter((id) => id !== way.instead), way.person] });
  };
  const show = (id: string): void => {
    const found = doc.sessions.find((one) => one.id === id);
    if (!found) return;
    put({ day: found.start.slice(0, 10) });
    holding.take(found);
  };
  return (
    <main className="page stack house-calendar">
      <CalendarBar {...shown} days={days} undo={doc.undo} onUndo={undo} redo={doc.redo} onRedo={redo} />
      <Refused trouble={undoTrouble} />
      <div className="calendar-and-card">
        <div className="sheet pad calendar-board">
          {house.rooms.length === 0 ? (
            <p>
              The house has no rooms yet. <Link to="/house">Add them with their sizes</Link>, then sessions can be placed.
            </p>
          ) : null}
          {doc.sessions.length === 0 ? (
            <p>
              No session has a day yet. Open a run from <Link to="/">the season</Link> and put it on its calendar: it shows here.
            </p>
          ) : null}
          <CalendarBoard doc={doc} house={house} by={by} isMonth={isMonth} days={days} holding={holding} onDrop={() => void save()} />
        </div>
        <aside className="sheet pad stack calendar-card" aria-label="Beside the calendar">
          {held && run ? (
            <SessionCard
              holding={{ ...holding, held }}
              run={run}
              house={house}
              preparing={preparing.words(held.session.id, held.candidate.start.slice(0, 10))}
              pending={saving.pending}
              trouble={saving.trouble}
              onSave={() => void save()}
              onWay={onWay}
            />
          ) : (
            <>
              <h2>{inSight.length === 0 ? "No clash here" : inSight.length === 1 ? "1 clash here" : `${inSight.length} clashes here`}</h2>
              <ClashList clashes={inSight} onShow={show} />
              {standing.length > inSight.length ? (
                <ElsewhereClashes
                  count={standing.length - inSight.length}
                  onShow={() => show(standing.find((one) => !inSight.includes(one))?.sessions[0] ?? "")}
                />
              ) : null}
              <p className="soft small">
                Drag a session to another time or lane, its end to another length; or press Enter on it. With the keys: arrows move it,
                Shift and arrows change its length, Page Up and Down the day, Enter puts it down, Escape puts it back.
              </p>
              {house.people.length === 0 ? (
                <p className="soft small">
                  Nobody can be put on sessions yet: <Link to="/house">name the house's people</Link>, with their hours and away times.
                </p>
              ) : null}
            </>
          )}
        </aside>
      </div>
    </main>
  );
}

function ElsewhereClashes({ count, onShow }: { readonly count: number; readonly onShow: () => void }) {
  return (
    <p className="row">
      <span className="soft">{count === 1 ? "1 clash on other days" : `${count} clashes on other days`}</span>
      <Button type="text" size="small" onClick={onShow}>
        go to the first
      </Button>
    </p>
  );
}

const weekOf = (day: string): readonly string[] => Array.from({ length: 7 }, (_, i) => addDays(mondayOf(day), i));

function monthOf(day: string): readonly string[] {
  const first = `${day.slice(0, 7)}-01`;
  return Array.from({ length: 31 }, (_, i) => addDays(first, i)).filter((date) => date.startsWith(day.slice(0, 7)));
}
