import { type DropIn, type DropInReport, quarterMin, showNumber } from "@lampcrate/core";
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { ChartFrame } from "../charts/ChartFrame.tsx";
import { axis, grid, quietAxis, still, tooltip } from "../charts/look.ts";

const busy = [
  { of: "seats", words: "seats", stroke: "var(--settled)", dash: "" },
  { of: "rigs", words: "rigs", stroke: "var(--ink)", dash: "6 3" },
  { of: "hosts", words: "hosts", stroke: "var(--brick)", dash: "2 3" },
] as const;

interface UseChartProps {
  readonly day: DropIn;
  readonly report: DropInReport;
  readonly clock: (minutes: number) => string;
}

/** How much of seats, rigs and hosts is busy, quarter hour by quarter hour; of what is endless, nothing is drawn. */
export function UseChart({ day, report, clock }: UseChartProps) {
  const drawn = busy.filter(({ of }) => (day[of] ?? 0) > 0);
  const bins = report.busy.seats.byQuarter.length;
  const points = Array.from({ length: bins }, (_, bin) => ({
    at: bin * quarterMin,
    ...Object.fromEntries(drawn.map(({ of }) => [of, (100 * (report.busy[of].byQuarter[bin]?.value ?? 0)) / (day[of] ?? 1)])),
  }));
  const fullest = drawn.map(({ of, words }) => {
    const share = Math.max(...report.busy[of].byQuarter.map(({ value }) => value)) / (day[of] ?? 1);
    return `${words} ${Math.round(100 * share)} %`;
  });
  return (
    <section className="sheet pad stack" aria-label="Use by quarter hour">
      <h2>How busy it gets</h2>
      {drawn.length === 0 ? <p className="soft">Everything is endless: set seats, rigs or hosts, and their use stands here.</p> : null}
      {drawn.length === 0 ? null : (
        <ChartFrame
          label={`Mean use at its fullest: ${fullest.join(", ")}`}
          height={210}
          head={["From", ...drawn.map(({ words }) => `${words} busy`)]}
          rows={points.map(({ at }, bin) => [
            clock(at),
            ...drawn.map(({ of }) => showNumber(report.busy[of].byQuarter[bin]?.value ?? 0, 1)),
          ])}
        >
          <LineChart data={points} margin={{ top: 8, right: 14, bottom: 4, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid {...grid} vertical={false} />
            <XAxis
              {...axis}
              dataKey="at"
              type="number"
              domain={[0, bins * quarterMin]}
              ticks={Array.from({ length: Math.floor((bins * quarterMin) / 60) + 1 }, (_, hour) => hour * 60)}
              tickFormatter={clock}
            />
            <YAxis
              {...quietAxis}
              width={52}
              domain={[0, 100]}
              ticks={[0, 25, 50, 75, 100]}
              tickFormatter={(value: number) => `${value} %`}
            />
            <Tooltip
              {...tooltip}
              labelFormatter={(at) => `from ${clock(Number(at))}`}
              formatter={(value) => `${Math.round(Number(value))} %`}
            />
            <ReferenceLine x={day.closingMin} stroke="var(--lamp)" strokeWidth={3.4} />
            {drawn.map(({ of, words, stroke, dash }) => (
              <Line
                key={of}
                {...still}
                dataKey={of}
                name={words}
                type="linear"
                dot={false}
                stroke={stroke}
                strokeDasharray={dash}
                strokeWidth={2.4}
              />
            ))}
          </LineChart>
        </ChartFrame>
      )}
      <ul className="line-key small soft">
        {drawn.map(({ of, words, stroke, dash }) => (
          <li key={of}>
            <svg width="34" height="10" aria-hidden="true">
              <line x1="0" x2="34" y1="5" y2="5" stroke={stroke} strokeWidth="2.4" strokeDasharray={dash} />
            </svg>{" "}
            {words}
          </li>
        ))}
        {drawn.length === 0 ? null : <li>amber: closing</li>}
      </ul>
    </section>
  );
}
