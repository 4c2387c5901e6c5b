import { drawHeads, type HeadsModel } from "@lampcrate/core";
import { memo, useDeferredValue, useMemo } from "react";
import { Area, ComposedChart, ReferenceArea, Scatter, Tooltip, XAxis, YAxis } from "recharts";
import { ticksOf } from "../../../shared/pieces/scale.ts";
import { ChartFrame } from "../../charts/ChartFrame.tsx";
import { axis, heldBeside, settledSteps, still, tooltip } from "../../charts/look.ts";

interface HeadsChartProps {
  readonly heads: HeadsModel;
  /** Builders of counted sessions. */
  readonly past: readonly number[];
  readonly seed: string;
}

const draws = 2000;
const bins = 44;

/** How many may come, drawn: the model in hand as bars, and beside it what past sessions teach, or the guess they moved. It follows a dragged dial a moment later. */
export const HeadsChart = memo(function HeadsChart({ heads, past, seed }: HeadsChartProps) {
  return <Drawn heads={useDeferredValue(heads)} past={past} seed={seed} />;
});

const Drawn = memo(function Drawn({ heads, past, seed }: HeadsChartProps) {
  const other = useMemo(() => otherModel(heads, past), [heads, past]);
  const { own, rows, most } = useMemo(() => binned(heads, other?.model ?? null, past, seed), [heads, other, past, seed]);
  const [low, mid, high] = [0.1, 0.5, 0.9].map((q) => quantile(own, q)) as [number, number, number];
  const words = `One time in ten fewer than ${low} come, one in ten more than ${high}; half the time ${mid} or fewer.`;
  const held = past.map((builders) => ({ builders, at: 0 }));
  return (
    <figure>
      <ChartFrame
        label={`How many may come. ${words}`}
        height={96}
        head={other ? ["Builders", "of 100 sessions", other.words] : ["Builders", "of 100 sessions"]}
        rows={rows.map((row) => (other ? [row.words, row.own, row.beside] : [row.words, row.own]))}
      >
        <ComposedChart data={rows} margin={{ top: 2, right: 6, bottom: 0, left: 6 }} accessibilityLayer={false}>
          <ReferenceArea x1={low} x2={Math.max(high, low + 1)} fill="var(--settled-wash)" fillOpacity={1} ifOverflow="hidden" />
          <XAxis {...axis} dataKey="builders" type="number" domain={[0, most]} ticks={[...ticksOf(0, most, 1, 8, 1)]} height={22} />
          <YAxis hide domain={[0, (most: number) => most * 1.08]} />
          <Tooltip
            {...tooltip}
            labelFormatter={(_, [at]) => `${at?.payload?.words ?? ""} builders`}
            formatter={(share, name) => [`${share} of 100 sessions`, name]}
          />
          <Area {...settledSteps} dataKey="own" name="as set" />
          {other ? <Area {...still} {...heldBeside} dataKey="beside" name={other.words} type="step" fill="none" /> : null}
          <Scatter
            {...still}
            data={held}
            dataKey="at"
            name="counted sessions"
            shape="diamond"
            fill="var(--sheet)"
            stroke="var(--ink)"
            tooltipType="none"
          />
        </ComposedChart>
      </ChartFrame>
      <figcaption className="small soft">
        {words}
        {other ? ` Dashed: ${other.words}.` : ""}
        {past.length > 0 ? " Diamonds: counted sessions." : ""}
      </figcaption>
    </figure>
  );
});

interface Row {
  /** Middle of the bin. */
  readonly builders: number;
  readonly words: string;
  /** Of 100 sessions. */
  readonly own: number;
  readonly beside: number;
}

/** Two thousand sessions drawn and put into bins as wide as whole builders. */
function binned(heads: HeadsModel, other: HeadsModel | null, past: readonly number[], seed: string) {
  const own = drawHeads(heads, seed, draws).sort();
  const beside = other ? drawHeads(other, seed, draws).sort() : new Int32Array();
  const top = Math.max(1, quantile(own, 0.995), quantile(beside, 0.995), ...past);
  const step = Math.max(1, Math.ceil(top / bins));
  const most = step * Math.ceil((top + 1) / step);
  const [ours, theirs] = [binsOf(own, step, most), binsOf(beside, step, most)];
  const rows: readonly Row[] = ours.map((count, i) => ({
    builders: (i + 0.5) * step,
    words: step === 1 ? `${i}` : `${i * step} to ${(i + 1) * step - 1}`,
    own: Math.round((count / draws) * 1000) / 10,
    beside: Math.round(((theirs[i] ?? 0) / draws) * 1000) / 10,
  }));
  return { own, rows, most };
}

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
