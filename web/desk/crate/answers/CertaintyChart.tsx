import { memo } from "react";
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { ticksOf } from "../../../shared/pieces/scale.ts";
import { ChartFrame } from "../../charts/ChartFrame.tsx";
import { axis, axisTitle, chosen, curve as curveLook, grid, quietAxis, tooltip } from "../../charts/look.ts";
import { money } from "../../pieces/show.ts";

interface CertaintyChartProps {
  readonly curve: readonly (readonly [target: number, cost: number])[];
  readonly target: number;
  readonly currency: string;
}

const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;

/** What the crate costs by how sure it is; the chosen certainty as an amber mark. */
export const CertaintyChart = memo(function CertaintyChart({ curve, target, currency }: CertaintyChartProps) {
  const [first, last] = [curve[0], curve.at(-1)];
  if (!first || !last || last[1] <= 0) return null;
  const [low, high] = [first[1] * 0.96, last[1] * 1.02];
  const points = curve.map(([share, cost]) => ({ share, cost }));
  return (
    <ChartFrame
      label={`Cost by certainty: ${money(first[1], currency)} at ${percent(first[0])}, ${money(last[1], currency)} at ${percent(last[0])}`}
      height={220}
      head={["Chance that nothing runs out", "The crate"]}
      rows={points.map(({ share, cost }) => [percent(share), money(cost, currency)])}
    >
      <LineChart data={points} margin={{ top: 8, right: 20, bottom: 18, left: 8 }} accessibilityLayer={false}>
        <CartesianGrid {...grid} vertical={false} />
        <XAxis
          {...axis}
          dataKey="share"
          type="number"
          domain={[first[0], 1]}
          ticks={[0.5, 0.6, 0.7, 0.8, 0.9, 1]}
          tickFormatter={percent}
          label={axisTitle("chance that nothing runs out")}
        />
        <YAxis
          {...quietAxis}
          width={72}
          domain={[low, high]}
          ticks={[...ticksOf(low, high, 100, 4)]}
          tickFormatter={(cents: number) => money(cents, currency)}
        />
        <Tooltip
          {...tooltip}
          labelFormatter={(share) => percent(Number(share))}
          formatter={(cents) => [money(Number(cents), currency), "the crate"]}
        />
        <Line {...curveLook} dataKey="cost" name="the crate" />
        <ReferenceLine x={target} {...chosen} />
      </LineChart>
    </ChartFrame>
  );
});
