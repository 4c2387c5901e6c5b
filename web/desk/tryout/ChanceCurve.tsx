import { type Measurability, showQuantity, type UnitChoice } from "@lampcrate/core";
import { quantityScale, ticksOf } from "../../shared/pieces/scale.ts";

interface ChanceCurveProps {
  readonly found: Measurability;
  readonly curve: readonly (readonly [difference: number, chance: number])[];
  readonly units: UnitChoice;
  readonly trials: number;
}

const [width, tall] = [420, 230];
const [left, right, top, bottom] = [54, 14, 14, 46];

/** The chance that the test shows a difference, against the difference; the predicted one as an amber mark. */
export function ChanceCurve({ found, curve, units, trials }: ChanceCurveProps) {
  const { measure, difference, least, chance } = found;
  const end = curve.at(-1)?.[0] ?? 0;
  if (end <= 0) return null;
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, end, measure.token);
  const x = (value: number): number => left + (value / end) * (width - left - right);
  const y = (share: number): number => top + (1 - share) * (tall - top - bottom);
  const path = curve.map(([d, p], i) => `${i === 0 ? "M" : "L"}${x(d).toFixed(1)} ${y(p).toFixed(1)}`).join("");
  const told = `${trials} trials of each: a difference of ${showQuantity(difference, measure.dimension, units)} is seen ${Math.round((chance ?? 0) * 100)} times in 100`;
  return (
    <svg viewBox={`0 0 ${width} ${tall}`} role="img" aria-label={told} className="chance-curve">
      {[0, 0.2, 0.5, 0.8, 1].map((share) => (
        <g key={share}>
          <path
            d={`M${left} ${y(share)}H${width - right}`}
            stroke={share === 0.8 ? "var(--settled)" : "var(--rule)"}
            strokeDasharray={share === 0.8 ? "5 4" : undefined}
          />
          <text x={left - 7} y={y(share) + 4} textAnchor="end" fontSize="12.5" fill="var(--soft)">
            {Math.round(share * 100)} %
          </text>
        </g>
      ))}
      {ticksOf(0, end, scale.factor, 5).map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} ${tall - bottom}v5`} stroke="var(--soft)" />
          <text x={x(tick)} y={tall - bottom + 19} textAnchor="middle" fontSize="12.5" fill="var(--soft)">
            {Number((tick / scale.factor).toPrecision(4))}
          </text>
        </g>
      ))}
      <text x={(left + width - right) / 2} y={tall - 6} textAnchor="middle" fontSize="12.5" fill="var(--soft)">
        true difference, {scale.unit || "tokens"}
      </text>
      <path d={path} fill="none" stroke="var(--settled)" strokeWidth="2.6" />
      {least !== null && least <= end ? (
        <circle cx={x(least)} cy={y(0.8)} r="4.5" fill="var(--sheet)" stroke="var(--settled)" strokeWidth="2" />
      ) : null}
      {difference <= end ? (
        <>
          <path d={`M${x(difference)} ${top}V${tall - bottom}`} stroke="var(--ink)" strokeWidth="5" />
          <path d={`M${x(difference)} ${top}V${tall - bottom}`} stroke="var(--lamp)" strokeWidth="3" />
          <text
            x={x(difference) + (x(difference) > width * 0.7 ? -9 : 9)}
            y={top + 13}
            textAnchor={x(difference) > width * 0.7 ? "end" : "start"}
            fontSize="12.5"
            fontWeight="700"
            fill="var(--ink)"
            className="halo"
          >
            predicted {scale.show(difference)}
          </text>
        </>
      ) : null}
    </svg>
  );
}
