import { type KeyboardEvent, type PointerEvent, useId, useRef } from "react";
import { useLocked } from "./locked.ts";
import { RulerBox } from "./RulerBox.tsx";
import { Face, Numbers, type RulerMarks, xOf } from "./RulerFace.tsx";
import { keyedTo, onStep } from "./steps.ts";

interface RulerProps extends RulerMarks {
  readonly value: number;
  readonly step: number;
  /** `settled` is false while a drag goes on. */
  readonly onChange: (value: number, settled: boolean) => void;
  readonly disabled?: boolean;
  /** Greatest value that may be typed, where the ruler shows only part of the range. */
  readonly limit?: number | undefined;
}

/** A number set on a ruler: drag, arrow keys, or type in its box with any unit. */
export function Ruler({
  label,
  scale,
  min,
  max,
  step,
  value,
  onChange,
  band,
  marks,
  impossible,
  limit = max,
  disabled: off = false,
}: RulerProps) {
  const disabled = useLocked() || off;
  const id = useId();
  const steps = { min, max, step };
  // Read once a drag: asking at every move would lay the page out anew each time.
  const held = useRef<DOMRect | null>(null);
  const fromPointer = (event: PointerEvent): number => {
    const box = held.current;
    return box ? onStep(min + Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * (max - min), steps) : value;
  };
  const onKey = (event: KeyboardEvent): void => {
    const to = keyedTo(event.key, value, steps);
    if (to === null || disabled) return;
    event.preventDefault();
    onChange(to, true);
  };
  return (
    <div className="ruler">
      <div className="ruler-head">
        <label htmlFor={id}>{label}</label>
        <RulerBox id={id} scale={scale} min={min} max={limit} value={value} disabled={disabled} onChange={(v) => onChange(v, true)} />
      </div>
      <svg
        viewBox="0 0 400 26"
        preserveAspectRatio="none"
        role="slider"
        tabIndex={disabled ? -1 : 0}
        aria-label={label}
        aria-disabled={disabled}
        aria-valuemin={min / scale.factor}
        aria-valuemax={max / scale.factor}
        aria-valuenow={Number((value / scale.factor).toPrecision(6))}
        aria-valuetext={scale.show(value)}
        onKeyDown={onKey}
        onPointerDown={(event) => {
          if (disabled) return;
          held.current = event.currentTarget.getBoundingClientRect();
          event.currentTarget.setPointerCapture(event.pointerId);
          event.currentTarget.focus();
          onChange(fromPointer(event), false);
        }}
        onPointerMove={(event) => {
          if (event.currentTarget.hasPointerCapture(event.pointerId)) onChange(fromPointer(event), false);
        }}
        onPointerUp={(event) => {
          if (event.currentTarget.hasPointerCapture(event.pointerId)) onChange(fromPointer(event), true);
        }}
      >
        <Face label={label} scale={scale} min={min} max={max} band={band} marks={marks} impossible={impossible} />
        <rect
          x={xOf(value, min, max) - 3.5}
          y="0"
          width="7"
          height="25"
          fill="var(--lamp)"
          stroke="var(--ink)"
          strokeWidth="1.2"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <Numbers min={min} max={max} scale={scale} />
    </div>
  );
}

interface StillRulerProps extends RulerMarks {
  /** The goal or the difference 0, as an amber mark. */
  readonly goal?: number | undefined;
  readonly reading?: string | undefined;
}

/** The same ruler to read: intervals in Findings, plausibility in the Logbook. */
export function StillRuler({ label, scale, min, max, band, marks, impossible, goal, reading }: StillRulerProps) {
  return (
    <div className="ruler">
      <div className="ruler-head">
        <span className="ruler-name">{label}</span>
        {reading === undefined ? null : <span className="ruler-read">{reading}</span>}
      </div>
      <svg className="still" viewBox="0 0 400 26" preserveAspectRatio="none" role="img" aria-label={`${label}: ${reading ?? ""}`}>
        <Face label={label} scale={scale} min={min} max={max} band={band} marks={marks} impossible={impossible} />
        {goal === undefined ? null : (
          <rect
            x={xOf(goal, min, max) - 3}
            y="0"
            width="6"
            height="25"
            fill="var(--lamp)"
            stroke="var(--ink)"
            strokeWidth="1.2"
            vectorEffect="non-scaling-stroke"
          />
        )}
      </svg>
      <Numbers min={min} max={max} scale={scale} />
    </div>
  );
}
