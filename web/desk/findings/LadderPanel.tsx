import type { FindingsDoc } from "@lampcrate/contract";
import { showQuantity, type UnitChoice } from "@lampcrate/core";
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { quantityScale, ticksOf } from "../../shared/pieces/scale.ts";
import { ChartFrame } from "../charts/ChartFrame.tsx";
import { axis, chosen, grid, quietAxis, tooltip } from "../charts/look.ts";

/** Strokes of the forms, the most tried first; by pattern too, for eyes that see few colours. */
const strokes = [
  { stroke: "var(--settled)", dash: "" },
  { stroke: "var(--ink)", dash: "6 3" },
  { stroke: "var(--brick)", dash: "2 3" },
  { stroke: "var(--soft)", dash: "8 3 2 3" },
] as const;

/** A ladder over the run: what share came through at each rung, in all or by form. */
export function LadderPanel({ findings, units }: { readonly findings: FindingsDoc; readonly units: UnitChoice }) {
  const { ladder, measure, goal } = findings;
  const { setting } = measure;
  if (ladder === null || ladder.tried === 0 || setting?.kind !== "number") return null;
  const curves = ladder.byForm.length > 0 ? ladder.byForm.slice(0, strokes.length) : [{ form: "all builds", curve: ladder.all }];
  const scale = quantityScale(setting.dimension, units, setting.unit, goal);
  const show = (si: number): string => showQuantity(si, setting.dimension, units);
  const heights = ladder.all.map(({ at }) => at);
  const [from, to] = [0, Math.max(...heights, goal) * 1.06];
  const points = heights.map((at) => ({
    at,
    ...Object.fromEntries(
      curves.flatMap(({ form, curve }) => {
        const here = curve.find((one) => one.at === at);
        return here ? [[form, (100 * here.through) / here.tried]] : [];
      }),
    ),
  }));
  return (
    <section className="sheet pad stack" aria-label="The ladder">
      <h2>The ladder</h2>
      {ladder.plain.map((words) => (
        <p key={words} className="plain-words">
          <strong>{words}</strong>
        </p>
      ))}
      <ChartFrame
        label={`What came through at each of ${heights.length} rungs, ${ladder.tried} trials`}
        height={220}
        head={[setting.words, ...curves.map(({ form }) => form)]}
        rows={heights.map((at) => [
          show(at),
          ...curves.map(({ curve }) => {
            const here = curve.find((one) => one.at === at);
            return here ? `${here.through} of ${here.tried}` : "–";
          }),
        ])}
      >
        <LineChart data={points} margin={{ top: 8, right: 14, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid {...grid} />
          <XAxis
            {...axis}
            dataKey="at"
            type="number"
            domain={[from, to]}
            ticks={[...ticksOf(from, to, scale.factor, 8)]}
            tickFormatter={(si: number) => scale.show(si)}
          />
          <YAxis
            {...quietAxis}
            type="number"
            domain={[0, 100]}
            ticks={[0, 25, 50, 75, 100]}
            width={52}
            tickFormatter={(v: number) => `${v} %`}
          />
          <Tooltip {...tooltip} formatter={(v) => `${Math.round(Number(v))} %`} labelFormatter={(at) => show(Number(at))} />
          <ReferenceLine x={goal} {...chosen} />
          {curves.map(({ form }, i) => (
            <Line
              key={form}
              dataKey={form}
              type="linear"
              connectNulls
              isAnimationActive={false}
              stroke={strokes[i]?.stroke ?? "var(--ink)"}
              strokeDasharray={strokes[i]?.dash ?? ""}
              strokeWidth={2}
              dot={{ r: 4, strokeDasharray: "" }}
            />
          ))}
        </LineChart>
      </ChartFrame>
      {curves.length > 1 ? (
        <ul className="line-key small soft">
          {curves.map(({ form }, i) => (
            <li key={form}>
              <svg width="34" height="10" aria-hidden="true">
                <line x1="0" x2="34" y1="5" y2="5" stroke={strokes[i]?.stroke} strokeWidth="2" strokeDasharray={strokes[i]?.dash} />
              </svg>{" "}
              {form}
            </li>
          ))}
        </ul>
      ) : null}
      <p className="small soft">
        The share of trials at each {setting.words} that came through well enough; the amber line is the goal, {show(goal)}. Families choose
        what they try next, so high rungs are tried by the better builds.
      </p>
    </section>
  );
}
