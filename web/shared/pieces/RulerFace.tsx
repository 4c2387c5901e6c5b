import { type CSSProperties, useId } from "react";
import { type Scale, type TickWords, ticksOf, tickWords } from "./scale.ts";

/** What every ruler shows. */
export interface RulerMarks {
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

/** Where a value stands on a face 400 wide. */
export const xOf = (value: number, min: number, max: number): number => 4 + 392 * Math.min(1, Math.max(0, (value - min) / (max - min)));

/** The face of a ruler: its edge, ticks, and what is known of its values. */
export function Face({ scale, min, max, band, marks = [], impossible = [] }: RulerMarks) {
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
export function Numbers({ min, max, scale }: { readonly min: number; readonly max: number; readonly scale: Scale }) {
  return (
    <div className="ruler-numbers" aria-hidden="true">
      {tickWords(min, max, scale, (value) => xOf(value, min, max) / 400).map(({ value, words, at }) => (
        <span key={value} style={placeOf(at)}>
          {words}
        </span>
      ))}
    </div>
  );
}

/** Centred under its tick, but inside the ruler at both ends. */
function placeOf(at: TickWords["at"]): CSSProperties {
  if (at === "end") return { right: 0, transform: "none" };
  return at === "start" ? { left: 0, transform: "none" } : { left: `${at * 100}%` };
}
