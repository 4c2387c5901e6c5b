import { type Factor, type Swing, showNumber } from "@lampcrate/core";
import { memo } from "react";
import { Bar, BarChart, LabelList, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { ChartFrame } from "../../charts/ChartFrame.tsx";
import { quietAxis, still, tooltip } from "../../charts/look.ts";
import { money } from "../../pieces/show.ts";

export const factorNames: Readonly<Record<Factor, string>> = {
  attendance: "how many come",
  certainty: "how sure you want to be",
  rebuild: "how many build again",
  spoil: "how much is spoilt",
};

interface SwingsChartProps {
  readonly swings: readonly Swing[];
  /** Cents, as it stands. */
  readonly base: number;
  readonly currency: string;
}

/** What a factor's low or high end stands for. */
const endWords = ({ factor, ends }: Swing, end: 0 | 1): string =>
  factor === "attendance" ? `${ends[end]} come` : `${showNumber(ends[end] * 100, 0)} %`;

/** A bar a factor round the crate as it stands; its ends say what they stand for. */
export const SwingsChart = memo(function SwingsChart({ swings, base, currency }: SwingsChartProps) {
  const low = Math.min(base, ...swings.map((swing) => swing.low));
  const high = Math.max(base, ...swings.map((swing) => swing.high));
  const room = Math.max(1, high - low) * 0.36;
  const rows = swings.map((swing) => ({
    name: factorNames[swing.factor],
    // What stands before the bar is not seen; the two parts of the bar are stacked on it.
    before: swing.low,
    less: base - swing.low,
    more: swing.high - base,
    lowWords: `${money(swing.low, currency)}, ${endWords(swing, 0)}`,
    highWords: `${money(swing.high, currency)}, ${endWords(swing, 1)}`,
  }));
  return (
    <ChartFrame
      label={rows.map((row) => `${row.name}: ${row.lowWords} to ${row.highWords}`).join("; ")}
      height={rows.length * 42 + 16}
      head={["What", "Least", "Most"]}
      rows={rows.map((row) => [row.name, row.lowWords, row.highWords])}
    >
      <BarChart data={rows} layout="vertical" barSize={19} margin={{ top: 4, right: 10, bottom: 4, left: 4 }} accessibilityLayer={false}>
        <XAxis type="number" hide domain={[Math.max(0, low - room), high + room]} allowDataOverflow />
        <YAxis {...quietAxis} type="category" dataKey="name" width={166} tick={{ fontSize: 13.5, fill: "var(--ink)" }} />
        <Tooltip
          {...tooltip}
          formatter={(_, name, { payload }) =>
            name === "less" ? [payload.lowWords, "least"] : name === "more" ? [payload.highWords, "most"] : [null, null]
          }
        />
        <Bar {...still} dataKey="before" stackId="a" fill="transparent" tooltipType="none" />
        <Bar {...still} dataKey="less" stackId="a" fill="var(--settled-wash)" stroke="var(--settled)">
          <LabelList dataKey="lowWords" position="left" fontSize={12.5} fill="var(--ink)" />
        </Bar>
        <Bar {...still} dataKey="more" stackId="a" fill="var(--sand)" stroke="var(--ink)">
          <LabelList dataKey="highWords" position="right" fontSize={12.5} fill="var(--ink)" />
        </Bar>
        <ReferenceLine x={base} stroke="var(--ink)" strokeWidth={1.4} />
      </BarChart>
    </ChartFrame>
  );
});
