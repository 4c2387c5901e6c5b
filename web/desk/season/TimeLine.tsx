import type { RunSummary, SeasonDoc } from "@lampcrate/contract";
import { addDays, dayAndMonth, daysBetween, shortDate, weekdayOf } from "@lampcrate/core";
import { Link } from "react-router";
import { Lamp, type LampState } from "./Lamp.tsx";

const width = 900;
const names = 196;
const rowTall = 84;
const top = 46;

interface Days {
  readonly x: (date: string) => number;
  readonly from: string;
  readonly to: string;
  readonly today: string;
}

/** Runs on a time line drawn to scale, from a month back to the last reveal. */
export function TimeLine({ season }: { readonly season: SeasonDoc }) {
  const { runs, today, closures } = season;
  const isOver = (run: RunSummary): boolean => run.revealOn !== null && run.revealOn < today;
  const shown = runs
    .filter((run) => run.status !== "cancelled" || run.sessions.length > 0)
    .sort((a, b) => Number(isOver(a)) - Number(isOver(b)));
  const dates = shown.flatMap((run) =>
    [run.revealOn, run.closesOn, ...run.sessions.map((s) => s.date)].filter((d): d is string => d !== null),
  );
  const monday = addDays(today, 1 - weekdayOf(today) - 21);
  const last = dates.reduce((a, b) => (b > a ? b : a), addDays(today, 42));
  const to = addDays(last > addDays(monday, 112) ? addDays(monday, 112) : last, 5);
  const scale = (width - names - 24) / daysBetween(monday, to);
  const days: Days = {
    from: monday,
    to,
    today,
    x: (date) => names + Math.max(-6, Math.min(daysBetween(monday, to), daysBetween(monday, date))) * scale,
  };
  const tall = top + shown.length * rowTall + 34;
  const weeks = Array.from({ length: Math.floor(daysBetween(monday, to) / 7) + 1 }, (_, i) => addDays(monday, i * 7));
  return (
    <svg className="season-line" viewBox={`0 0 ${width} ${tall}`} width="100%" role="group" aria-label="Time line of the season">
      {closures
        .filter((c) => c.to >= monday && c.from <= to)
        .map((c) => (
          <g key={c.from}>
            <rect
              x={days.x(c.from)}
              y={top - 14}
              width={days.x(addDays(c.to, 1)) - days.x(c.from)}
              height={tall - top - 14}
              fill="var(--ground)"
            />
            <text x={(days.x(c.from) + days.x(addDays(c.to, 1))) / 2} y={tall - 32} textAnchor="middle" className="faint">
              closed
            </text>
          </g>
        ))}
      {weeks.map((week, i) => (
        <g key={week}>
          <path d={`M${days.x(week)} ${top - 12}V${tall - 28}`} stroke="var(--rule)" />
          {i % 2 === 0 && days.x(week) < width - 60 ? (
            <text x={days.x(week)} y={top - 22} className="faint">
              {dayAndMonth(week)}
            </text>
          ) : null}
        </g>
      ))}
      {shown.map((run, i) => (
        <RunWire key={run.id} run={run} days={days} y={top + i * rowTall + 16} />
      ))}
      <path d={`M${days.x(today)} ${top - 14}V${tall - 28}`} stroke="var(--ink)" strokeWidth="1.4" strokeDasharray="2 4" />
      <rect x={days.x(today) - 42} y={top - 40} width="84" height="22" rx="3" fill="var(--ink)" />
      <text x={days.x(today)} y={top - 25} textAnchor="middle" style={{ fill: "var(--sheet)" }}>
        {shortDate(today, today)}
      </text>
      <Legend y={tall - 8} />
    </svg>
  );
}

/** One run: a wire that hangs from its first day to the reveal, lamps on it, a glow while entries are open. */
function RunWire({ run, days, y }: { readonly run: RunSummary; readonly days: Days; readonly y: number }) {
  const held = run.sessions.filter((s) => !s.cancelled);
  const all = [run.opensOn, run.closesOn, run.revealOn, ...held.map((s) => s.date)].filter((d): d is string => d !== null).sort();
  const begins = run.createdOn;
  const ends = all.at(-1) ?? addDays(days.today, 14);
  const [x0, x1] = [Math.max(names - 4, days.x(begins)), days.x(ends)];
  const sag = (x: number): number => y + 9 * (1 - ((2 * (x - x0)) / Math.max(1, x1 - x0) - 1) ** 2);
  const wire = (a: number, b: number): string =>
    Array.from({ length: 25 }, (_, i) => a + ((b - a) * i) / 24)
      .map((x, i) => `${i === 0 ? "M" : "L"}${x.toFixed(1)} ${sag(x).toFixed(1)}`)
      .join("");
  const firstDay = [run.opensOn, held[0]?.date].filter((d): d is string => d != null).sort()[0] ?? ends;
  const xFirst = Math.min(x1, Math.max(x0, days.x(firstDay)));
  const next = held.find((s) => s.date >= days.today)?.id;
  const draft = run.status === "draft";
  const publishX = draft && run.opensOn !== null ? days.x(addDays(run.opensOn, -3)) : null;
  const nextHeld = held.find((s) => s.id === next);
  const packX = nextHeld ? days.x(addDays(nextHeld.date, -3)) : null;
  return (
    <g>
      <Link
        to={`/run/${run.id}/${draft ? "brief" : run.waiting > 0 ? "sift" : "crate"}`}
        aria-label={`${run.title}, ${run.kind}, ${run.status}`}
      >
        <text x="16" y={y + 3} className="run-title">
          {run.title}
        </text>
        <text x="16" y={y + 21} className="faint">
          {run.kind}
          {draft ? ", draft" : run.status === "cancelled" ? ", cancelled" : ""}
        </text>
      </Link>
      <path d={wire(x0, xFirst)} fill="none" stroke="var(--soft)" strokeWidth="1.3" strokeDasharray="5 4" />
      <path d={wire(xFirst, x1)} fill="none" stroke="var(--ink)" strokeWidth="1.3" />
      <EntriesBand run={run} days={days} y={y + 36} />
      {publishX === null || (packX !== null && Math.abs(packX - publishX) < 16) ? null : (
        <Tag x={publishX} y={sag(publishX)} words="publish by" toLeft />
      )}
      {packX === null ? null : (
        <Tag x={packX} y={sag(packX)} words={publishX !== null && Math.abs(packX - publishX) < 16 ? "publish, pack" : "pack"} />
      )}
      {held.map((s) => {
        const state: LampState = s.date < days.today ? "done" : s.id === next ? "next" : "to come";
        return s.date < days.from ? null : (
          <Lamp
            key={s.id}
            x={days.x(s.date)}
            y={sag(days.x(s.date))}
            state={state}
            words={`${shortDate(s.date, days.today)}, ${s.roomName}, ${state}`}
          />
        );
      })}
      {run.revealOn === null ? null : (
        <Reveal
          x={days.x(run.revealOn)}
          y={sag(days.x(run.revealOn))}
          words={`reveal ${shortDate(run.revealOn, days.today)}`}
          nearEnd={days.x(run.revealOn) > width - 90}
        />
      )}
      {held.length === 0 && run.kind !== "at-home" && run.opensOn === null ? (
        <text x={x0 + 6} y={y - 5} className="faint halo">
          no session has a day yet
        </text>
      ) : null}
    </g>
  );
}

function EntriesBand({ run, days, y }: { readonly run: RunSummary; readonly days: Days; readonly y: number }) {
  if (run.opensOn === null || run.closesOn === null) return null;
  const [from, to] = [Math.max(names - 4, days.x(run.opensOn)), days.x(addDays(run.closesOn, 1))];
  const open = run.opensOn <= days.today && days.today <= run.closesOn && run.status === "published";
  const over = days.today > run.closesOn;
  const words = over
    ? `closed, ${run.waiting > 0 ? `${run.waiting} still to sift` : `${run.accepted} accepted`}`
    : open
      ? `open until ${shortDate(run.closesOn, days.today)}: ${run.accepted} accepted, ${run.waiting} waiting`
      : `entries open ${shortDate(run.opensOn, days.today)}`;
  return (
    <g>
      <rect
        x={from}
        y={y}
        width={Math.max(3, to - from)}
        height="7"
        fill={open ? "var(--lamp)" : over ? "var(--settled)" : "var(--glow)"}
        stroke={open ? "var(--ink)" : over ? "none" : "var(--lamp-deep)"}
        strokeWidth="1"
      />
      <text x={from} y={y + 21} className="halo" style={{ fill: over ? "var(--settled)" : "var(--lamp-deep)" }}>
        {words}
      </text>
    </g>
  );
}

function Tag({
  x,
  y,
  words,
  toLeft = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly words: string;
  readonly toLeft?: boolean;
}) {
  return (
    <g role="img" aria-label={words}>
      <path d={`M${x - 9} ${y - 6}h12l6 6-6 6h-12z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.2" />
      <text x={x} y={y - 11} textAnchor={toLeft ? "end" : "middle"} className="halo faint">
        {words}
      </text>
    </g>
  );
}

function Reveal({ x, y, words, nearEnd }: { readonly x: number; readonly y: number; readonly words: string; readonly nearEnd: boolean }) {
  return (
    <g>
      <path d={`M${x} ${y - 9}v18M${x - 6} ${y - 9}h12`} stroke="var(--settled)" strokeWidth="2.4" />
      <text x={nearEnd ? x + 8 : x} y={y - 14} textAnchor={nearEnd ? "end" : "middle"} className="halo" style={{ fill: "var(--settled)" }}>
        {words}
      </text>
    </g>
  );
}

function Legend({ y }: { readonly y: number }) {
  const items: readonly [LampState, string][] = [
    ["done", "session held"],
    ["next", "next session"],
    ["to come", "to come"],
  ];
  return (
    <g aria-hidden="true">
      {items.map(([state, words], i) => (
        <g key={state}>
          <Lamp x={names + 8 + i * 130} y={y - 17} state={state} words={words} />
          <text x={names + 26 + i * 130} y={y - 2} className="faint">
            {words}
          </text>
        </g>
      ))}
      <path d={`M${names + 400} ${y - 6}h30`} stroke="var(--soft)" strokeDasharray="5 4" strokeWidth="1.3" />
      <text x={names + 436} y={y - 2} className="faint">
        preparing
      </text>
      <rect x={names + 512} y={y - 10} width="30" height="7" fill="var(--lamp)" stroke="var(--ink)" />
      <text x={names + 548} y={y - 2} className="faint">
        open for entries
      </text>
    </g>
  );
}
