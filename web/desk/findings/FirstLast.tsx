import type { FindingsDoc } from "@lampcrate/contract";
import { type Interval, intervalWords, isExact, showOf, surelyBetter, type UnitChoice } from "@lampcrate/core";
import { CartesianGrid, ReferenceLine, Scatter, ScatterChart, Tooltip, XAxis, YAxis } from "recharts";
import { quantityScale, ticksOf } from "../../shared/pieces/scale.ts";
import { ChartFrame } from "../charts/ChartFrame.tsx";
import { axis, chosen, grid, quietAxis, still, tooltip } from "../charts/look.ts";

/** First version against last, one line a builder: a ring where they began, a disc where they ended, the goal as a line. */
export function FirstLast({ findings, units }: { readonly findings: FindingsDoc; readonly units: UnitChoice }) {
  const { measure, goal } = findings;
  const { pairs, total } = findings.firstLast;
  const all = [...pairs.flatMap((p) => [p.first, p.last].flatMap(({ low: least, high: most }) => [least, most ?? least])), goal];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const [from, to] = [Math.max(0, low - (high - low) * 0.08), high + (high - low) * 0.06];
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, goal, measure.token);
  const show = showOf(measure, units);
  const isNamed = measure.rungs !== undefined && measure.setting?.kind !== "number";
  // The first pair stands on top.
  const at = (i: number): number => pairs.length - i;
  const names = new Map(pairs.map((pair, i) => [at(i), pair.alias]));
  const points = (of: "first" | "last") => pairs.map((pair, i) => ({ value: pair[of].low, place: at(i), alias: pair.alias }));
  const better = pairs.filter((p) => surelyBetter(p.last, p.first, measure.better)).length;
  const said = (value: Interval): string => intervalWords(value, show);
  return (
    <section className="sheet pad stack" aria-label="First version against last">
      <h2>First version against last</h2>
      <p className="soft small">
        {measure.words}, mean of each version; a ring is the first, a filled disc the last; dots lead on to where it may have been. The
        amber line is the goal, {show(goal)}.
      </p>
      <ChartFrame
        label={`${pairs.length} builders: ${better} did better with their last version than with their first`}
        height={pairs.length * 19 + 44}
        head={["Builder", "First version", "Last version"]}
        rows={pairs.map((pair) => [pair.alias, said(pair.first), said(pair.last)])}
      >
        <ScatterChart margin={{ top: 4, right: 14, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid {...grid} horizontal={false} />
          <XAxis
            {...axis}
            dataKey="value"
            type="number"
            domain={[from, to]}
            ticks={isNamed ? measure.rungs?.steps.map((_, i) => i) : [...ticksOf(from, to, measure.passes ? 1 : scale.factor, 8)]}
            tickFormatter={(si: number) => (measure.passes || isNamed ? show(si) : scale.show(si))}
          />
          <YAxis
            {...quietAxis}
            dataKey="place"
            type="number"
            width={132}
            domain={[0.4, pairs.length + 0.6]}
            ticks={[...names.keys()]}
            interval={0}
            tickFormatter={(place: number) => names.get(place) ?? ""}
          />
          <Tooltip {...tooltip} content={({ payload }) => <PairTip alias={payload[0]?.payload?.alias} findings={findings} show={show} />} />
          <ReferenceLine x={goal} {...chosen} />
          {pairs.map((pair, i) => (
            <ReferenceLine
              key={pair.alias}
              segment={[
                { x: pair.first.low, y: at(i) },
                { x: pair.last.low, y: at(i) },
              ]}
              stroke="var(--settled)"
              strokeWidth={2}
            />
          ))}
          {pairs.flatMap((pair, i) =>
            (["first", "last"] as const)
              .filter((of) => !isExact(pair[of]))
              .map((of) => (
                <ReferenceLine
                  key={`${pair.alias} ${of}`}
                  segment={[
                    { x: pair[of].low, y: at(i) },
                    { x: pair[of].high ?? to, y: at(i) },
                  ]}
                  stroke="var(--ink)"
                  strokeDasharray="2 3"
                />
              )),
          )}
          <Scatter {...still} data={points("first")} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6} />
          <Scatter {...still} data={points("last")} fill="var(--settled)" stroke="var(--ink)" />
        </ScatterChart>
      </ChartFrame>
      {total > pairs.length ? (
        <p className="small soft">
          The {pairs.length} with the highest last version; all {total} are in the table.
        </p>
      ) : null}
    </section>
  );
}

interface PairTipProps {
  readonly alias: unknown;
  readonly findings: FindingsDoc;
  readonly show: (si: number) => string;
}

function PairTip({ alias, findings, show }: PairTipProps) {
  const pair = findings.firstLast.pairs.find((p) => p.alias === alias);
  return pair ? (
    <p className="chart-tip">
      {pair.alias}: {intervalWords(pair.first, show)}, then {intervalWords(pair.last, show)}
    </p>
  ) : null;
}
