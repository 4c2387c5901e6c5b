import { type CSSProperties, type KeyboardEvent, type PointerEvent, useId, useRef } from "react";
import { useLocked } from "./locked.ts";
import { type Scale, ticksOf } from "./scale.ts";
import { useTyped } from "./useTyped.ts";

interface Common {
  readonly label: string;
  readonly scale: Scale;
  readonly min: number;
  readonly max: number;
  /** The predicted band, as a wash. */
  readonly band?: readonly [number, number] | undefined;
  /** Earlier results, as diamonds. */
  readonly marks?: readonly number[] | undefined;
  /** What can't be: hatched. */
  readonly impossible?: readonly (readonly [number, number])[] | undefined;
}

interface RulerProps extends Common {
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
  const snap = (raw: number): number => {
    const stepped = Math.round((raw - min) / step) * step + min;
    return Number(Math.min(max, Math.max(min, stepped)).toPrecision(10));
  };
  // Read once a drag: asking at every move would lay the page out anew each time.
  const held = useRef<DOMRect | null>(null);
  const fromPointer = (event: PointerEvent): number => {
    const box = held.current;
    return box ? snap(min + Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * (max - min)) : value;
  };
  const keys: Readonly<Record<string, number>> = {
    ArrowRight: step,
    ArrowUp: step,
    ArrowLeft: -step,
    ArrowDown: -step,
    PageUp: 10 * step,
    PageDown: -10 * step,
  };
  const onKey = (event: KeyboardEvent): void => {
    const by = keys[event.key];
    const to = event.key === "Home" ? min : event.key === "End" ? max : by === undefined ? null : snap(value + by);
    if (to === null || disabled) return;
    event.preventDefault();
    onChange(to, true);
  };
  return (
    <div className="ruler">
      <div className="ruler-head">
        <label htmlFor={id}>{label}</label>
        <TypedBox id={id} scale={scale} min={min} max={limit} value={value} disabled={disabled} onChange={(v) => onChange(v, true)} />
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

interface StillRulerProps extends Common {
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

const xOf = (value: number, min: number, max: number): number => 4 + 392 * Math.min(1, Math.max(0, (value - min) / (max - min)));

function Face({ scale, min, max, band, marks = [], impossible = [] }: Common) {
  const hatch = useId();
  const x = (value: number): number => xOf(value, min, max);
  return (
    <>
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--brick-wash)" />
          <path d="M0 0V6" stroke="var(--brick)" strokeWidth="1.4" />
        </pattern>
      </defs>
      <rect x="4" y="7" width="392" height="17" fill="var(--sheet)" stroke="var(--soft)" vectorEffect="non-scaling-stroke" />
      {band ? (
        <rect
          x={x(band[0])}
          y="7.5"
          width={Math.max(2, x(band[1]) - x(band[0]))}
          height="16"
          fill="var(--settled-wash)"
          stroke="var(--settled)"
          strokeWidth="0.8"
          vectorEffect="non-scaling-stroke"
        />
      ) : null}
      {impossible.map(([from, to]) =>
        to > min && from < max ? (
          <rect key={from} x={x(from)} y="7.5" width={Math.max(0, x(to) - x(from))} height="16" fill={`url(#${hatch})`} />
        ) : null,
      )}
      {ticksOf(min, max, scale.factor, 12, scale.least).map((tick) => (
        <path key={tick} d={`M${x(tick)} 24v-6`} stroke="var(--soft)" strokeWidth="1" vectorEffect="non-scaling-stroke" />
      ))}
      {marks.map((mark, i) => (
        <path key={`${mark} ${i}`} d={`M${x(mark)} 10l4.5 5.5-4.5 5.5-4.5-5.5z`} fill="var(--ink)" />
      ))}
    </>
  );
}

/** Numbers under the ticks, in text that doesn't stretch with the ruler. */
function Numbers({ min, max, scale }: { readonly min: number; readonly max: number; readonly scale: Scale }) {
  const ticks = ticksOf(min, max, scale.factor, 6, scale.least);
  return (
    <div className="ruler-numbers" aria-hidden="true">
      {ticks.map((tick, i) => (
        <span key={tick} style={placeOf(xOf(tick, min, max) / 400)}>
          {Number((tick / scale.factor).toPrecision(6))}
          {i === ticks.length - 1 ? ` ${scale.unit}` : ""}
        </span>
      ))}
    </div>
  );
}

/** Centred under its tick, but inside the ruler at both ends. */
function placeOf(share: number): CSSProperties {
  if (share > 0.94) return { right: 0, transform: "none" };
  return share < 0.04 ? { left: 0, transform: "none" } : { left: `${share * 100}%` };
}

/** The box: any unit may be typed; what can't be read stays as typed, with a word on how to mend it. */
function TypedBox({
  id,
  scale,
  min,
  max,
  value,
  disabled,
  onChange,
}: {
  readonly id: string;
  readonly scale: Scale;
  readonly min: number;
  readonly max: number;
  readonly value: number;
  readonly disabled: boolean;
  readonly onChange: (value: number) => void;
}) {
  const { text, trouble, type, commit, onKeyDown } = useTyped(scale.show(value), (typed) => {
    const read = scale.read(typed);
    if (!read.ok) return read.words;
    if (read.value < min - 1e-12 || read.value > max + 1e-12) return `Between ${scale.show(min)} and ${scale.show(max)}, please.`;
    onChange(read.value);
    return null;
  });
  return (
    <span className="ruler-typed">
      <input
        id={id}
        className="ruler-box"
        value={text}
        disabled={disabled}
        inputMode="text"
        autoComplete="off"
        aria-invalid={trouble !== null}
        aria-describedby={trouble === null ? undefined : `${id}-trouble`}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => type(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
      />
      {trouble === null ? null : (
        <span id={`${id}-trouble`} role="alert" className="ruler-trouble">
          {trouble}
        </span>
      )}
    </span>
  );
}
