import type { FindingsDoc } from "@lampcrate/contract";
import { showQuantity, type UnitChoice } from "@lampcrate/core";
import { quantityScale, ticksOf } from "../../shared/pieces/scale.ts";

const width = 800;
const edge = 14;
const names = 130;

/** First version against last, one line a builder: a ring where they began, a lamp where they ended, the goal as a line. */
export function FirstLast({ findings, units }: { readonly findings: FindingsDoc; readonly units: UnitChoice }) {
  const { measure, goal } = findings;
  const { pairs: shown, total } = findings.firstLast;
  const all = [...shown.flatMap((p) => [p.first, p.last]), goal];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const from = Math.max(0, low - (high - low) * 0.08);
  const to = high + (high - low) * 0.06;
  const x = (value: number): number => names + ((value - from) / (to - from)) * (width - names - edge);
  const row = 19;
  const tall = shown.length * row + 52;
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, goal, measure.token);
  return (
    <section className="sheet pad stack" aria-label="First version against last">
      <h2>First version against last</h2>
      <p className="soft small">
        {measure.words}, mean of each version; a ring is the first, a filled disc the last. The amber line is the goal,{" "}
        {showQuantity(goal, measure.dimension, units)}.
      </p>
      <svg
        viewBox={`0 0 ${width} ${tall}`}
        role="img"
        aria-label={`${shown.length} builders: ${shown.filter((p) => p.last > p.first).length} went up from first version to last`}
      >
        {ticksOf(from, to, scale.factor, 8).map((tick) => (
          <g key={tick}>
            <path d={`M${x(tick)} 6V${tall - 30}`} stroke="var(--rule)" />
            <text x={x(tick)} y={tall - 12} textAnchor="middle" fontSize="13" fill="var(--soft)">
              {Number((tick / scale.factor).toPrecision(5))} {scale.unit}
            </text>
          </g>
        ))}
        <path d={`M${x(goal)} 2V${tall - 30}`} stroke="var(--ink)" strokeWidth="5" />
        <path d={`M${x(goal)} 2V${tall - 30}`} stroke="var(--lamp)" strokeWidth="3" />
        {shown.map((pair, i) => {
          const y = 16 + i * row;
          return (
            <g key={pair.alias}>
              <text x="0" y={y + 5} fontSize="13" fill="var(--ink)">
                {pair.alias}
              </text>
              <path d={`M${x(pair.first)} ${y}H${x(pair.last)}`} stroke="var(--settled)" strokeWidth="2" />
              <circle cx={x(pair.first)} cy={y} r="4.6" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.6" />
              <circle cx={x(pair.last)} cy={y} r="5.2" fill="var(--settled)" stroke="var(--ink)" strokeWidth="1" />
            </g>
          );
        })}
      </svg>
      {total > shown.length ? (
        <p className="small soft">
          The {shown.length} with the highest last version; all {total} are in the table.
        </p>
      ) : null}
    </section>
  );
}
