import type { Band, Range } from "@lampcrate/core";
import { type Scale, ticksOf } from "./scale.ts";
import "./valueStrip.css";

interface ValueStripProps {
  readonly label: string;
  readonly scale: Scale;
  /** From and to, SI. */
  readonly span: Range;
  /** Rare outside this; a missing end is open. */
  readonly soft?: readonly [number | null, number | null];
  /** Impossible outside this. */
  readonly hard?: readonly [number | null, number | null];
  readonly predicted?: Band | null;
  readonly goal?: number;
  /** All others, as faint strokes. */
  readonly others?: readonly number[];
  /** The values that are looked at. */
  readonly own?: readonly number[];
}

const wide = 340;
const tall = 74;
const base = 44;

/**
 * Values on a strip of squared paper: the prediction as a band, all others as strokes below the line, the ones looked at as
 * diamonds on it; what is rare is hatched, what is impossible is brick.
 */
export function ValueStrip({ label, scale, span: [from, to], soft, hard, predicted, goal, others = [], own = [] }: ValueStripProps) {
  const x = (si: number): number => 8 + (Math.min(Math.max(si, from), to) - from) * ((wide - 16) / (to - from || 1));
  const at = (end: number | null | undefined, open: number): number => x(end ?? open);
  const zone = (a: number, b: number, look: string) =>
    b - a < 0.5 ? null : <rect key={`${look}${a}`} x={a} y={8} width={b - a} height={base - 8} className={look} />;
  return (
    <svg className="value-strip" viewBox={`0 0 ${wide} ${tall}`} role="img" aria-label={label}>
      {zone(x(from), at(soft?.[0], from), "rare")}
      {zone(at(soft?.[1], to), x(to), "rare")}
      {zone(x(from), at(hard?.[0], from), "never")}
      {zone(at(hard?.[1], to), x(to), "never")}
      {predicted ? (
        <>
          <rect x={x(predicted.low)} y={12} width={Math.max(2, x(predicted.high) - x(predicted.low))} height={base - 16} className="band" />
          <line x1={x(predicted.mid)} x2={x(predicted.mid)} y1={12} y2={base - 4} className="mid" />
        </>
      ) : null}
      {goal === undefined ? null : <path d={`M${x(goal)} 4V${base}M${x(goal)} 4l10 4-10 4`} className="goal" />}
      <line x1={8} x2={wide - 8} y1={base} y2={base} className="line" />
      <path d={others.map((si) => `M${x(si).toFixed(1)} ${base + 2}v8`).join("")} className="others" />
      {ticksOf(from, to, scale.factor, 5, scale.least).map((tick) => (
        <text key={tick} x={x(tick)} y={tall - 5} textAnchor="middle">
          {scale.show(tick)}
        </text>
      ))}
      {own.map((si, i) => (
        <path key={i} d={`M${x(si)} ${base - 7}l6 7-6 7-6-7z`} className="own" />
      ))}
    </svg>
  );
}

/** A span that shows all of it, a little room at the ends. Never below 0: no measure here is. */
export function spanOf(values: readonly number[]): Range {
  const finite = values.filter(Number.isFinite);
  if (finite.length === 0) return [0, 1];
  const [low, high] = [Math.min(...finite), Math.max(...finite)];
  const room = (high - low || Math.abs(high) || 1) * 0.12;
  return [Math.max(0, low - room), high + room];
}
