import { type Measurability, showQuantity, type UnitChoice } from "@lampcrate/core";
import { memo } from "react";
import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { quantityScale, ticksOf } from "../../shared/pieces/scale.ts";
import { ChartFrame } from "../charts/ChartFrame.tsx";
import { axis, axisTitle, chosen, curve as curveLook, grid, quietAxis, spot, tooltip } from "../charts/look.ts";

interface ChanceChartProps {
  readonly found: Measurability;
  readonly curve: readonly (readonly [difference: number, chance: number])[];
  readonly units: UnitChoice;
  readonly trials: number;
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** The chance that the test shows a difference, against the difference; the predicted one as an amber mark. */
export const ChanceChart = memo(function ChanceChart({ found, curve, units, trials }: ChanceChartProps) {
  const { measure, difference, least, chance } = found;
  const end = curve.at(-1)?.[0] ?? 0;
  if (end <= 0) return null;
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, end, measure.token);
  const shown = (si: number): string => `${Number((si / scale.factor).toPrecision(4))}`;
  const told = `${trials} trials of each: a difference of ${showQuantity(difference, measure.dimension, units)} is seen ${Math.round((chance ?? 0) * 100)} times in 100`;
  const points = curve.map(([by, seen]) => ({ by, seen }));
  return (
    <ChartFrame
      label={told}
      height={230}
      head={["True difference", "Seen"]}
      rows={points.map(({ by, seen }) => [scale.show(by), percent(seen)])}
    >
      <LineChart data={points} margin={{ top: 12, right: 14, bottom: 18, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid {...grid} vertical={false} />
        <XAxis
          {...axis}
          dataKey="by"
          type="number"
          domain={[0, end]}
          ticks={[...ticksOf(0, end, scale.factor, 5)]}
          tickFormatter={shown}
          label={axisTitle(`true difference, ${scale.unit || "tokens"}`)}
        />
        <YAxis {...quietAxis} width={52} domain={[0, 1]} ticks={[0, 0.2, 0.5, 0.8, 1]} tickFormatter={percent} />
        <Tooltip
          {...tooltip}
          labelFormatter={(by) => `a difference of ${scale.show(Number(by))}`}
          formatter={(seen) => [percent(Number(seen)), "is seen"]}
        />
        <ReferenceLine y={0.8} stroke="var(--settled)" strokeDasharray="5 4" />
        <Line {...curveLook} dataKey="seen" />
        {least !== null && least <= end ? (
          <ReferenceDot x={least} y={0.8} r={4.5} fill="var(--sheet)" stroke="var(--settled)" strokeWidth={2} />
        ) : null}
        {difference <= end ? (
          <ReferenceLine
            x={difference}
            {...chosen}
            label={{
              value: `predicted ${scale.show(difference)}`,
              position: difference > end * 0.6 ? "insideTopRight" : "insideTopLeft",
              ...spot,
            }}
          />
        ) : null}
      </LineChart>
    </ChartFrame>
  );
});
