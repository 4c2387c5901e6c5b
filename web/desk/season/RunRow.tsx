import type { RunSummary, SeasonDoc } from "@lampcrate/contract";
import { addDays, placeLabels, shortDate } from "@lampcrate/core";
import { Link } from "react-router";
import type { SeasonStart } from "../seasonData/useSeasonStarts.ts";
import type { Axis } from "./axis.ts";
import { EntriesBand, entriesWords } from "./EntriesBand.tsx";
import { Lamp, type LampState } from "./Lamp.tsx";
import { textWidth } from "./textWidth.ts";
import { type Beyond, type WireMark, wireOf } from "./wire.ts";

interface RunRowProps {
  readonly run: RunSummary;
  /** Steps of its crates that aren't done. */
  readonly starts: readonly SeasonStart[];
  readonly axis: Axis;
  readonly closures: SeasonDoc["closures"];
}

/** Height of a lane of words above the wire, px. */
const lane = 17;

/** One run: its name, and a wire that hangs from its first day to the reveal with lamps on it, a glow while entries are open. */
export function RunRow({ run, starts, axis, closures }: RunRowProps) {
  const draft = run.status === "draft";
  return (
    <div className="season-row">
      <Link
        className="season-name"
        to={`/run/${run.id}/${draft ? "brief" : run.waiting > 0 ? "sift" : "crate"}`}
        aria-label={`${run.title}, ${run.kind}, ${run.status}`}
      >
        <strong title={run.title}>{run.title}</strong>
        <span className="faint">
          {run.kind}
          {draft ? ", draft" : run.status === "cancelled" ? ", cancelled" : ""}
        </span>
      </Link>
      <Wire run={run} starts={starts} axis={axis} closures={closures} />
    </div>
  );
}

function Wire({ run, starts, axis, closures }: RunRowProps) {
  const { width, today, x } = axis;
  const wire = wireOf(run, axis, starts);
  const words = wire.marks.map((mark) => ({ key: mark.words, x: x(mark.on), width: textWidth(mark.words), align: "middle" as const }));
  const placed = placeLabels(
    words.filter((word) => word.x >= 0 && word.x <= width),
    2,
    width - 2,
  );
  const lanes = Math.max(1, ...placed.map((of) => of.lane + 1));
  const y = lanes * lane + 12;
  const tall = y + 58;
  const lamps = run.sessions.filter((s) => !s.cancelled && s.date >= axis.from && s.date < axis.to);
  return (
    <svg
      width={width}
      height={tall}
      role="group"
      aria-label={`${run.title}: ${[...words.map((w) => w.key), entriesWords(run, today)].filter(Boolean).join("; ")}`}
    >
      {axis.weeks.map((week) => (
        <path key={week} d={`M${x(week)} 0V${tall}`} stroke="var(--rule)" strokeOpacity="0.7" />
      ))}
      {closures.map((c) => (
        <rect key={c.from} x={x(c.from)} width={Math.max(0, x(addDays(c.to, 1)) - x(c.from))} height={tall} className="closed">
          <title>closed: {c.why}</title>
        </rect>
      ))}
      <path d={`M${x(today)} 0V${tall}`} stroke="var(--ink)" strokeWidth="1.4" strokeDasharray="2 4" />
      <path d={wire.path(wire.begins, wire.first, y)} className="wire preparing" />
      <path d={wire.path(wire.first, wire.ends, y)} className="wire" />
      <EntriesBand run={run} axis={axis} y={y + 28} />
      {wire.marks.map((mark) => (
        <Mark key={mark.words} kind={mark.kind} x={x(mark.on)} y={wire.sag(mark.on, y)} words={mark.words} />
      ))}
      {placed.map(({ key, left, lane: at }) => (
        <text
          key={key}
          x={left}
          y={y - 15 - at * lane}
          className={`halo ${wire.marks.find((m) => m.words === key)?.kind ?? ""}`}
          aria-hidden="true"
        >
          {key}
        </text>
      ))}
      {lamps.map((s) => {
        const state: LampState = s.date < today ? "done" : s.id === wire.next ? "next" : "to come";
        const say = `${shortDate(s.date, today)}, ${s.title ? `${s.title}, ` : ""}${s.roomName}, ${state === "done" ? "held" : state}`;
        return (
          <Link key={s.id} to={`/run/${run.id}/calendar`} aria-label={say}>
            <Lamp x={x(s.date)} y={wire.sag(s.date, y)} state={state} words={say} />
          </Link>
        );
      })}
      {wire.before ? <BeyondWords of={wire.before} runId={run.id} x={4} y={y + 22} today={today} earlier /> : null}
      {wire.after ? <BeyondWords of={wire.after} runId={run.id} x={width - 4} y={y + 22} today={today} /> : null}
      {run.sessions.length === 0 && run.kind !== "at-home" && run.opensOn === null ? (
        <text x={Math.max(6, x(wire.begins) + 6)} y={y - 15} className="faint halo">
          no session has a day yet
        </text>
      ) : null}
    </svg>
  );
}

interface BeyondWordsProps {
  readonly of: Beyond;
  readonly runId: string;
  readonly x: number;
  readonly y: number;
  readonly today: string;
  readonly earlier?: boolean;
}

/** At the line's end: what lies farther on, in words, so that nothing is drawn where it isn't. */
function BeyondWords({ of: { count, nearest }, runId, x, y, today, earlier = false }: BeyondWordsProps) {
  const day = shortDate(nearest, today);
  const words = earlier ? `${count} earlier, last ${day}` : `${count} more from ${day}`;
  return (
    <Link
      to={`/run/${runId}/calendar`}
      aria-label={`${count} ${count === 1 ? "session" : "sessions"} ${earlier ? "before" : "after"} this line: ${day}`}
    >
      <text x={x} y={y} textAnchor={earlier ? "start" : "end"} className="faint halo">
        {words}
      </text>
    </Link>
  );
}

interface MarkProps {
  readonly kind: WireMark["kind"];
  readonly x: number;
  readonly y: number;
  readonly words: string;
}

/** A luggage tag for what must be done by then, a post for the reveal, a broken one for the day entries go. */
function Mark({ kind, x, y, words }: MarkProps) {
  if (kind === "erase")
    return <path d={`M${x} ${y - 7}v14`} stroke="var(--soft)" strokeWidth="2" strokeDasharray="3 2" role="img" aria-label={words} />;
  return kind === "tag" ? (
    <path
      d={`M${x - 9} ${y - 6}h12l6 6-6 6h-12z`}
      fill="var(--sheet)"
      stroke="var(--ink)"
      strokeWidth="1.2"
      role="img"
      aria-label={words}
    />
  ) : (
    <path d={`M${x} ${y - 9}v18M${x - 6} ${y - 9}h12`} stroke="var(--settled)" strokeWidth="2.4" role="img" aria-label={words} />
  );
}
