import { drawHeads, type HeadsModel } from "@lampcrate/core";
import { memo, useMemo } from "react";

interface HeadsPictureProps {
  readonly heads: HeadsModel;
  /** Builders of counted sessions. */
  readonly past: readonly number[];
  readonly seed: string;
}

const draws = 2000;
const bins = 44;
const [width, tall, foot] = [800, 62, 20];

/** How many may come, drawn: the model in hand as bars, and beside it what past sessions teach, or the guess they moved. */
export const HeadsPicture = memo(function HeadsPicture({ heads, past, seed }: HeadsPictureProps) {
  const other = useMemo(() => otherModel(heads, past), [heads, past]);
  const found = useMemo(() => {
    const own = drawHeads(heads, seed, draws).sort();
    const beside = other ? drawHeads(other.model, seed, draws).sort() : null;
    const most = Math.max(1, quantile(own, 0.995), beside ? quantile(beside, 0.995) : 0, ...past);
    const step = Math.max(1, Math.ceil(most / bins));
    return { own, beside, step, most: step * Math.ceil((most + 1) / step) };
  }, [heads, other, past, seed]);
  const { own, beside, step, most } = found;
  const [bars, line] = [binsOf(own, step, most), beside ? binsOf(beside, step, most) : []];
  const top = Math.max(...bars, ...line, 1);
  const x = (n: number): number => 4 + (n / most) * (width - 8);
  const y = (count: number): number => tall - (count / top) * (tall - 8);
  const [low, mid, high] = [0.1, 0.5, 0.9].map((q) => quantile(own, q)) as [number, number, number];
  const words = `One time in ten fewer than ${low} come, one in ten more than ${high}; half the time ${mid} or fewer.`;
  return (
    <figure style={{ margin: 0 }}>
      <svg viewBox={`0 0 ${width} ${tall + foot}`} role="img" aria-label={`How many may come. ${words}`}>
        <rect x={x(low)} y="2" width={Math.max(1, x(high) - x(low))} height={tall - 2} fill="var(--settled-wash)" />
        {bars.map((count, i) => (
          <rect
            key={i * step}
            x={x(i * step)}
            y={y(count)}
            width={Math.max(0.5, x(step) - x(0) - 1)}
            height={tall - y(count)}
            fill="var(--settled)"
          />
        ))}
        {other ? <path d={stairs(line, step, x, y)} fill="none" stroke="var(--lamp-deep)" strokeWidth="2" strokeDasharray="5 3" /> : null}
        {past.map((n, i) => (
          <path key={`${n} ${i}`} d={`M${x(n)} ${tall - 9}l4 4.5l-4 4.5l-4 -4.5z`} fill="var(--sheet)" stroke="var(--ink)" />
        ))}
        <path d={`M4 ${tall}H${width - 4}`} stroke="var(--ink)" />
        {ticksOf(most).map((n) => (
          <text key={n} x={x(n)} y={tall + 14} textAnchor={n === 0 ? "start" : "middle"} fontSize="12" fill="var(--soft)">
            {n}
          </text>
        ))}
      </svg>
      <figcaption className="small soft">
        {words}
        {other ? ` Dashed: ${other.words}.` : ""}
        {past.length > 0 ? " Diamonds: counted sessions." : ""}
      </figcaption>
    </figure>
  );
});

/** What the model in hand is held beside: the learned one beside a guess, the guess beside what was learned. */
function otherModel(heads: HeadsModel, past: readonly number[]): { readonly model: HeadsModel; readonly words: string } | null {
  const cap = heads.cap === undefined ? {} : { cap: heads.cap };
  if (heads.model === "forecast" && past.length > 0)
    return {
      model: { ...heads, ...cap, model: "learned", past },
      words: `what ${past.length} counted ${past.length === 1 ? "session teaches" : "sessions teach"}`,
    };
  if (heads.model === "learned")
    return { model: { model: "forecast", low: heads.low, likely: heads.likely, high: heads.high, ...cap }, words: "your guess alone" };
  return null;
}

const quantile = (sorted: Int32Array, q: number): number => sorted[Math.max(0, Math.ceil(q * sorted.length) - 1)] ?? 0;

function binsOf(values: Int32Array, step: number, most: number): readonly number[] {
  const counts = Array.from({ length: Math.ceil(most / step) }, () => 0);
  for (const n of values) {
    const at = Math.floor(n / step);
    if (at < counts.length) counts[at] = (counts[at] ?? 0) + 1;
  }
  return counts;
}

function stairs(counts: readonly number[], step: number, x: (n: number) => number, y: (count: number) => number): string {
  return counts.map((count, i) => `${i === 0 ? "M" : "L"}${x(i * step)} ${y(count)}H${x((i + 1) * step)}`).join("");
}

function ticksOf(most: number): readonly number[] {
  const rough = most / 8;
  const step = [1, 2, 5, 10, 20, 25, 50, 100, 200, 500, 1000].find((s) => s >= rough) ?? 1000;
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step).filter((n) => n <= most * 0.97);
}
