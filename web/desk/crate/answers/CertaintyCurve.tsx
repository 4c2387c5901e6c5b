import { ticksOf } from "../../../shared/pieces/scale.ts";
import { money } from "../../pieces/show.ts";

interface CertaintyCurveProps {
  readonly curve: readonly (readonly [target: number, cost: number])[];
  readonly target: number;
  readonly currency: string;
}

const [width, tall] = [800, 210];
const [left, right, top, bottom] = [84, 20, 16, 42];

/** What the crate costs by how sure it is; the chosen certainty as an amber mark. */
export function CertaintyCurve({ curve, target, currency }: CertaintyCurveProps) {
  const [first, last] = [curve[0], curve.at(-1)];
  if (!first || !last || last[1] <= 0) return null;
  const [low, high] = [first[1] * 0.96, last[1] * 1.02];
  const x = (share: number): number => left + ((share - first[0]) / (1 - first[0])) * (width - left - right);
  const y = (cents: number): number => top + (1 - (cents - low) / Math.max(1, high - low)) * (tall - top - bottom);
  return (
    <svg
      viewBox={`0 0 ${width} ${tall}`}
      role="img"
      aria-label={`Cost by certainty: ${money(first[1], currency)} at ${Math.round(first[0] * 100)} %, ${money(last[1], currency)} at ${last[0] * 100} %`}
    >
      {ticksOf(low, high, 100, 4).map((cents) => (
        <g key={cents}>
          <path d={`M${left} ${y(cents)}H${width - right}`} stroke="var(--rule)" />
          <text x={left - 8} y={y(cents) + 4} textAnchor="end" fontSize="13" fill="var(--soft)">
            {money(cents, currency)}
          </text>
        </g>
      ))}
      {[0.5, 0.6, 0.7, 0.8, 0.9, 1].map((share) => (
        <text key={share} x={x(share)} y={tall - bottom + 18} textAnchor="middle" fontSize="13" fill="var(--soft)">
          {Math.round(share * 100)} %
        </text>
      ))}
      <text x={(left + width - right) / 2} y={tall - 5} textAnchor="middle" fontSize="13" fill="var(--soft)">
        chance that nothing runs out
      </text>
      <path
        d={curve.map(([share, cents], i) => `${i === 0 ? "M" : "L"}${x(share).toFixed(1)} ${y(cents).toFixed(1)}`).join("")}
        fill="none"
        stroke="var(--settled)"
        strokeWidth="2.6"
      />
      <path d={`M${x(target)} ${top}V${tall - bottom}`} stroke="var(--ink)" strokeWidth="5" />
      <path d={`M${x(target)} ${top}V${tall - bottom}`} stroke="var(--lamp)" strokeWidth="3" />
    </svg>
  );
}
