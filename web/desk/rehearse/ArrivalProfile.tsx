import { quarterMin } from "@lampcrate/core";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";
import { type StrokePoint, strokeBins } from "./stroke.ts";
import "./rehearse.css";

interface ArrivalProfileProps {
  readonly weights: readonly number[];
  /** Minutes from opening after which nobody is let in. */
  readonly lastEntryMin: number;
  /** Says a time from opening, min. */
  readonly clock: (minutes: number) => string;
  readonly onChange: (weights: readonly number[]) => void;
}

const high = 150;
const most = 10;

/** When parties come, by quarter hour: drawn with the pointer, or bar by bar with the keys. */
export function ArrivalProfile({ weights, lastEntryMin, clock, onChange }: ArrivalProfileProps) {
  const locked = useLocked();
  const box = useRef<DOMRect | null>(null);
  const drawn = useRef(weights);
  /** Where the pointer was before, within a stroke. */
  const last = useRef<StrokePoint | null>(null);
  drawn.current = weights;
  const bins = Math.max(1, Math.ceil(lastEntryMin / quarterMin));
  const shown = Array.from({ length: bins }, (_, i) => weights[i] ?? 0);
  const top = Math.max(most, ...shown);
  const set = (bars: readonly StrokePoint[]): void => {
    const next = Array.from({ length: bins }, (_, i) => drawn.current[i] ?? 0);
    for (const { bin, weight } of bars) next[bin] = Math.round(10 * Math.min(top, Math.max(0, weight))) / 10;
    drawn.current = next;
    onChange(next);
  };
  const draw = (event: PointerEvent): void => {
    const at = box.current;
    if (!at) return;
    const bin = Math.min(bins - 1, Math.max(0, Math.floor(((event.clientX - at.left) / at.width) * bins)));
    const now = { bin, weight: (1 - (event.clientY - at.top) / at.height) * top };
    set(strokeBins(last.current, now));
    last.current = now;
  };
  const onKey = (event: KeyboardEvent, bin: number): void => {
    const by = { ArrowUp: 0.5, ArrowDown: -0.5, PageUp: 2, PageDown: -2 }[event.key];
    const to = by === undefined ? { Home: 0, End: top }[event.key] : (shown[bin] ?? 0) + by;
    if (to !== undefined && !locked) {
      event.preventDefault();
      set([{ bin, weight: to }]);
      return;
    }
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const bars = event.currentTarget.parentElement?.children;
    (bars?.[bin + step] as HTMLElement | undefined)?.focus();
  };
  return (
    <div className="profile">
      <div
        className="arrivals"
        style={{ height: high }}
        onPointerDown={(event) => {
          if (locked) return;
          last.current = null;
          box.current = event.currentTarget.getBoundingClientRect();
          event.currentTarget.setPointerCapture(event.pointerId);
          draw(event);
        }}
        onPointerMove={(event) => event.currentTarget.hasPointerCapture(event.pointerId) && draw(event)}
      >
        {shown.map((weight, bin) => {
          const [from, to] = [clock(bin * quarterMin), clock(Math.min(lastEntryMin, (bin + 1) * quarterMin))];
          return (
            <div
              key={from}
              className="arrival"
              role="slider"
              tabIndex={locked ? -1 : 0}
              aria-label={`Arrivals ${from} to ${to}`}
              aria-orientation="vertical"
              aria-disabled={locked}
              aria-valuemin={0}
              aria-valuemax={top}
              aria-valuenow={weight}
              onKeyDown={(event) => onKey(event, bin)}
            >
              <span style={{ height: `${(100 * weight) / top}%` }} />
            </div>
          );
        })}
      </div>
      <div className="hours small soft" aria-hidden="true">
        {shown.map((_, bin) => (
          <span key={clock(bin * quarterMin)}>{bin % 4 === 0 ? clock(bin * quarterMin) : ""}</span>
        ))}
      </div>
    </div>
  );
}
