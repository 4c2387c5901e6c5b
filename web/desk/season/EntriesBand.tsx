import type { RunSummary } from "@lampcrate/contract";
import { addDays, placeLabels, shortDate } from "@lampcrate/core";
import type { Axis } from "./axis.ts";
import { isOpen } from "./seasonOrder.ts";
import { textWidth } from "./textWidth.ts";

interface EntriesBandProps {
  readonly run: RunSummary;
  readonly axis: Axis;
  readonly y: number;
}

/** From the day entries open to the day they close, with what has come in, the days on which families are reminded, and those of sifting. */
export function EntriesBand({ run, axis, y }: EntriesBandProps) {
  const { today, width, x } = axis;
  if (run.opensOn === null || run.closesOn === null) return null;
  const [from, to] = [Math.max(0, x(run.opensOn)), Math.min(width, x(addDays(run.closesOn, 1)))];
  if (to <= 0 || from >= width) return null;
  const look = isOpen(run, today) ? "open" : today > run.closesOn ? "over" : "to-come";
  const words = entriesWords(run, today);
  const [at] = placeLabels([{ key: "words", x: from, width: textWidth(words), align: "start" }], 2, width - 2);
  return (
    <g>
      <rect x={from} y={y} width={Math.max(3, to - from)} height="7" className={`entries ${look}`} />
      {run.steps.remind.map((day) => (
        <path key={day} d={`M${x(day)} ${y - 3}v13`} className="remind">
          <title>remind families {shortDate(day, today)}</title>
        </path>
      ))}
      <Sifting run={run} axis={axis} y={y} />
      <text x={at?.left ?? from} y={y + 22} className={`halo entries-words ${look}`} aria-hidden="true">
        {words}
      </text>
    </g>
  );
}

/** The working days on which entries are looked at, after they close. */
function Sifting({ run: { steps }, axis: { x, today }, y }: EntriesBandProps) {
  if (steps.sift === null) return null;
  const { from, to, entries } = steps.sift;
  const words = `sifting ${entries} ${entries === 1 ? "entry" : "entries"}, ${shortDate(from, today)} to ${shortDate(to, today)}`;
  return (
    <rect x={x(from)} y={y} width={Math.max(3, x(addDays(to, 1)) - x(from))} height="7" className="sifting" role="img" aria-label={words}>
      <title>{words}</title>
    </rect>
  );
}

/** What has come of a run's entries, in words; empty while they have no days. */
export function entriesWords(run: RunSummary, today: string): string {
  if (run.opensOn === null || run.closesOn === null) return "";
  if (today > run.closesOn) return `closed, ${run.waiting > 0 ? `${run.waiting} still to sift` : `${run.accepted} accepted`}`;
  return isOpen(run, today)
    ? `open until ${shortDate(run.closesOn, today)}: ${run.accepted} accepted, ${run.waiting} waiting`
    : `entries open ${shortDate(run.opensOn, today)}`;
}
