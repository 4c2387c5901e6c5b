import { DndContext } from "@dnd-kit/core";
import type { CalendarDoc, CalendarSession, HouseDoc, SessionInput } from "@lampcrate/contract";
import { apartWords, minutesOfDay } from "@lampcrate/core";
import { type KeyboardEvent, useCallback, useEffect, useMemo, useRef } from "react";
import { useWidth } from "../../shared/useWidth.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { Grip } from "./Grip.tsx";
import { type By, hoursOf, none, rowsIn, rowsOf } from "./lanes.ts";
import { MonthStrips } from "./MonthStrips.tsx";
import { inputOnly, keyed, type Lane } from "./moves.ts";
import { useDragging } from "./useDragging.ts";
import type { Holding } from "./useHeld.ts";
import { type BarsShown, WeekLanes } from "./WeekLanes.tsx";

interface CalendarBoardProps {
  readonly doc: CalendarDoc;
  readonly house: HouseDoc;
  readonly by: By;
  readonly isMonth: boolean;
  readonly days: readonly string[];
  readonly holding: Holding;
  readonly onDrop: () => void;
}

const nobody: readonly CalendarSession[] = [];

/** Sessions in their lanes, dragged or moved by keys. */
export function CalendarBoard({ doc, house, by, isMonth, days, holding, onDrop }: CalendarBoardProps) {
  const { today, day } = useHouseDay();
  const { held, standing, refused, changed } = holding;
  const inSight = useMemo(() => doc.sessions.filter(({ start }) => days.includes(start.slice(0, 10))), [doc, days]);
  const rows = useMemo(() => rowsOf(by, house), [by, house]);
  const lanes = useMemo(() => lanesOf(inSight, by), [inSight, by]);
  const ghost = held && changed ? { ...held.session, ...held.candidate } : null;
  const [from, to] = hoursOf(ghost ? [...inSight, ghost] : inSight);
  const hours = useMemo((): [number, number] => [from, to], [from, to]);
  const shown = useShownBars({ doc, by, isMonth, holding, onDrop, hours, rows, day });
  const [ruler, width] = useWidth<HTMLDivElement>(700);
  const drag = useDragging({ doc, by, isMonth, holding, perMinute: width / ((to - from) * 60), onDrop });
  useFocusKept(doc, held?.session.id ?? null);
  const sessionsIn = ({ date, row }: Lane): readonly CalendarSession[] => lanes.get(`${date} ${row}`) ?? nobody;
  const common = {
    days,
    rows,
    sessionsIn,
    ghost: ghost && { session: ghost, rows: rowsIn(by, ghost) },
    shown,
    closures: house.closures,
    runs: doc.runs,
    today,
    say: day,
  };
  return (
    <DndContext {...drag} accessibility={{ announcements: quiet, screenReaderInstructions: { draggable: "" } }}>
      <Grip>
        {isMonth ? <MonthStrips {...common} /> : <WeekLanes {...common} awayIn={(lane) => awayIn(lane, by, house, hours)} ruler={ruler} />}
      </Grip>
      {held && refused ? (
        <p className="unseen" role="status">
          {refused}
        </p>
      ) : null}
      {standing.length === 0 ? null : <p className="soft small">! and a red edge: it clashes, as it stands.</p>}
    </DndContext>
  );
}

/** The card beside says all there is to say. */
const quiet = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

function lanesOf(sessions: readonly CalendarSession[], by: By): ReadonlyMap<string, readonly CalendarSession[]> {
  const lanes = new Map<string, CalendarSession[]>();
  for (const session of sessions)
    for (const row of rowsIn(by, session)) {
      const key = `${session.start.slice(0, 10)} ${row}`;
      const lane = lanes.get(key);
      if (lane) lane.push(session);
      else lanes.set(key, [session]);
    }
  return lanes;
}

const noTimes: readonly (readonly [number, number])[] = [];

/** When the person of a lane is away on its day, minutes from midnight, within the hours shown. */
function awayIn(
  { date, row }: Lane,
  by: By,
  house: HouseDoc,
  [first, last]: readonly [number, number],
): readonly (readonly [number, number])[] {
  const away = by === "person" && row !== none ? house.people.find(({ id }) => id === row)?.away : undefined;
  const found = (away ?? []).filter(({ from, to }) => from.slice(0, 10) <= date && date <= to.slice(0, 10));
  if (found.length === 0) return noTimes;
  return found.map(({ from, to }) => [
    Math.max(first * 60, from.startsWith(date) ? minutesOfDay(from) : 0),
    Math.min(last * 60, to.startsWith(date) ? minutesOfDay(to) : 24 * 60),
  ]);
}

interface ShownBy {
  readonly doc: CalendarDoc;
  readonly by: By;
  readonly isMonth: boolean;
  readonly holding: Holding;
  readonly onDrop: () => void;
  readonly hours: readonly [number, number];
  readonly rows: ReturnType<typeof rowsOf>;
  readonly day: (date: string) => string;
}

/** What every bar shows, the same object while nothing in it changes: bars that don't move are not painted anew. */
function useShownBars(now: ShownBy): BarsShown {
  const { doc, holding, hours } = now;
  const latest = useRef(now);
  latest.current = now;
  const onTake = useCallback((session: CalendarSession) => latest.current.holding.take(session), []);
  const onKey = useCallback(
    (event: KeyboardEvent, session: CalendarSession, row: string) => byKey(event, session, row, latest.current),
    [],
  );
  const runs = useMemo(() => new Map(doc.runs.map((run) => [run.id, run])), [doc]);
  const clashesOf = useMemo(() => {
    const found = new Map<string, number>();
    for (const { sessions } of holding.standing) for (const id of sessions) found.set(id, (found.get(id) ?? 0) + 1);
    return found;
  }, [holding.standing]);
  const heldId = holding.held?.session.id ?? null;
  const labelOf = useCallback(
    (session: CalendarSession) => {
      const ends = clashesOf.get(session.id) ?? 0;
      const words = ends === 0 ? "" : `, ${ends === 1 ? "1 clash" : `${ends} clashes`}`;
      return `${runs.get(session.runId)?.title ?? ""}, ${latest.current.day(session.start.slice(0, 10))} ${session.start.slice(11)}, ${session.minutes} min${apartWords(session.kind) ? `, ${apartWords(session.kind)}` : ""}${session.cancelled ? ", doesn't take place" : ""}${words}`;
    },
    [runs, clashesOf],
  );
  return useMemo(
    () => ({ runs, hours, clashesOf, heldId, labelOf, onTake, onKey }),
    [runs, hours, clashesOf, heldId, labelOf, onTake, onKey],
  );
}

function byKey(event: KeyboardEvent, session: CalendarSession, row: string, { holding, by, rows, isMonth, onDrop }: ShownBy): void {
  const { held, changed, refused } = holding;
  const mine = held?.session.id === session.id ? held : null;
  if (event.key === "Escape" && mine) holding.leave();
  else if (event.key === "Enter" && mine && changed) {
    if (refused === null) onDrop();
  } else {
    const base: SessionInput = mine?.candidate ?? session;
    const next = keyed(base, event, { by, rows, row, month: isMonth });
    if (next === null) return;
    if (!mine) holding.take(session);
    holding.set(inputOnly(next));
  }
  event.preventDefault();
}

/** A bar that was put into another lane is another element: the focus follows it there. */
function useFocusKept(doc: CalendarDoc, heldId: string | null): void {
  const was = useRef<string | null>(null);
  useEffect(() => {
    if (heldId !== null) was.current = heldId;
  }, [heldId]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: after every save
  useEffect(() => {
    if (was.current === null || document.activeElement !== document.body) return;
    document.querySelector<HTMLElement>(`[data-session="${was.current}"]`)?.focus();
  }, [doc]);
}
