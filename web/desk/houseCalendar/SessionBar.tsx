import type { CalendarRun, CalendarSession } from "@lampcrate/contract";
import { apartWords } from "@lampcrate/core";
import { type KeyboardEvent, memo } from "react";
import type { LaneBar } from "./lanes.ts";

interface SessionBarProps {
  readonly bar: LaneBar;
  readonly row: string;
  readonly run: CalendarRun | undefined;
  readonly hours: readonly [number, number];
  /** How many clashes it is in. */
  readonly clashes: number;
  readonly isHeld: boolean;
  readonly label: string;
  readonly onTake: (session: CalendarSession) => void;
  readonly onKey: (event: KeyboardEvent, session: CalendarSession, row: string) => void;
}

/** A bar of fewer minutes has its words beside it. */
const shortMin = 75;

const percent = (minutes: number, [from, to]: readonly [number, number]): number => ((minutes - from * 60) / ((to - from) * 60)) * 100;

/** Where a bar lies on its ruler, in parts of a hundred. */
export function placeOf({ from, to, start, end, level }: LaneBar, hours: readonly [number, number]) {
  const [left, right] = [percent(from, hours), percent(to, hours)];
  const wide = right - left || 1;
  return {
    bar: { left: `${left}%`, width: `${right - left}%`, top: `calc(${level} * var(--lane))` },
    before: { width: `${((percent(start, hours) - left) / wide) * 100}%` },
    after: { width: `${((right - percent(end, hours)) / wide) * 100}%` },
  };
}

/** A session on its ruler: set-up and tear-down hatched, its own time plain. It is dragged, or moved by keys. */
export const SessionBar = memo(function SessionBar(props: SessionBarProps) {
  const { bar, row, run, hours, clashes, isHeld, label, onTake, onKey } = props;
  const { session } = bar;
  const place = placeOf(bar, hours);
  const isShort = bar.to - bar.start < shortMin;
  const state = [
    isHeld ? "held" : "",
    session.cancelled ? "off" : "",
    run?.status === "draft" ? "draft" : "",
    clashes > 0 ? "clashes" : "",
    isShort ? "short" : "",
  ];
  return (
    <div className={`session-bar ${state.filter(Boolean).join(" ")}`} style={place.bar} data-bar={session.id} data-row={row}>
      <button
        type="button"
        data-session={session.id}
        aria-label={label}
        title={label}
        onClick={() => onTake(session)}
        onKeyDown={(event) => onKey(event, session, row)}
      >
        <i className="around" style={place.before} />
        <span className="bar-words" style={isShort ? undefined : { left: place.before.width }}>
          {clashes > 0 ? <b aria-hidden="true">!</b> : null} {session.start.slice(11)} {run?.title}
          {apartWords(session.kind) ? `: ${apartWords(session.kind)}` : ""}
        </span>
        <i className="around last" style={place.after} />
      </button>
      <span className="bar-end" aria-hidden="true" />
    </div>
  );
});
