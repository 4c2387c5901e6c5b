import { cutUnitsPerM, type RollPattern, type SheetPattern, showNumber, showQuantity, type UnitChoice } from "@lampcrate/core";
import { cuttingDoor } from "../../../shared/compute/cuttingDoor.ts";
import { useLatest } from "../../../shared/compute/useLatest.ts";
import { useRested } from "../../../shared/useRested.ts";
import { NotReckoned } from "../../pieces/NotReckoned.tsx";
import type { CutTogetherJob, ToCut } from "./cutJobs.ts";

interface CutTogetherProps {
  readonly of: CutTogetherJob;
  readonly name: string;
  readonly units: UnitChoice;
}

const fills = ["var(--glow)", "var(--settled-wash)", "var(--sand)", "var(--heather)", "var(--moss)", "var(--slate)"];

/** Several sizes from the same sheets or rolls: how few do for all of them, and each pattern with how often it is cut. */
export function CutTogether({ of, name, units }: CutTogetherProps) {
  const { output, slow, trouble, again } = useLatest(cuttingDoor, useRested(of.job, 400), "cutting");
  const show = (whole: number): string => showQuantity(whole / cutUnitsPerM, "length", units, units === "metric" ? "mm" : "in");
  if (trouble !== null) return <NotReckoned what={`How ${name} is cut together`} why={trouble} onAgain={again} />;
  if (output === null) return <p className="soft">{slow ? `Planning how ${name} is cut together …` : ""}</p>;
  if (!output.plan.feasible) return <p className="short">A piece of {name} is larger than what it is cut from.</p>;
  const { plan } = output;
  const [count, bound] = "rolls" in plan ? [plan.rolls, plan.bound] : [plan.parents, plan.bound];
  const sure =
    count === bound ? "no fewer can do" : `${bound} at least would be needed, a gap of ${showNumber((100 * (count - bound)) / bound, 0)} %`;
  return (
    <div className="cut-map">
      <p>
        <strong>
          {name}, all sizes together: {count} {count === 1 ? "does" : "do"} for everything
        </strong>
        {of.apart > count ? `, ${of.apart - count} fewer than each size by itself` : ""}; {sure}.
      </p>
      <p className="small row">
        {of.parts.map((part, i) => (
          <span key={part.line.id}>
            <i className="size-mark" style={{ background: fills[i % fills.length] }} /> {letterOf(i)}: {sizeWords(part, show)},{" "}
            {part.pieces}
          </span>
        ))}
      </p>
      <div className="patterns">
        {"rolls" in plan
          ? plan.patterns.map((pattern) => <RollPicture key={pattern.counts.join(" ")} pattern={pattern} of={of} show={show} />)
          : plan.patterns.map((pattern, i) => <SheetPicture key={`${pattern.times} ${i}`} pattern={pattern} of={of} />)}
      </div>
    </div>
  );
}

const letterOf = (i: number): string => String.fromCharCode(65 + i);

function sizeWords({ plan, line }: ToCut, show: (whole: number) => string): string {
  if (line.cut?.shape === "length") return show(plan.pieceH);
  const pair = plan.perRectangle === 2 ? " in pairs" : "";
  return `${show(plan.pieceW)} × ${show(plan.pieceH)}${pair}`;
}

/** One way a sheet is cut, its long side lying. */
function SheetPicture({ pattern, of }: { readonly pattern: SheetPattern; readonly of: CutTogetherJob }) {
  const [first] = of.parts;
  const [parentW, parentH] = [first?.plan.parentW ?? 1, first?.plan.parentH ?? 1];
  const lying = parentW >= parentH;
  const width = 236;
  const scale = (width - 8) / Math.max(parentW, parentH);
  const box = (x: number, y: number, w: number, h: number) => ({
    x: 4 + (lying ? x : y) * scale,
    y: 4 + (lying ? y : x) * scale,
    width: (lying ? w : h) * scale,
    height: (lying ? h : w) * scale,
  });
  const tall = Math.min(parentW, parentH) * scale + 8;
  const words = of.parts.map((_, i) => `${pattern.placed.filter((p) => p.of === i).length} of ${letterOf(i)}`).join(", ");
  return (
    <figure>
      <figcaption className="small">
        <strong>{pattern.times} ×</strong> {words}
      </figcaption>
      <svg viewBox={`0 0 ${width} ${tall}`} role="img" aria-label={`A sheet cut ${pattern.times} times: ${words}`}>
        <rect {...box(0, 0, parentW, parentH)} fill="var(--ground)" stroke="var(--ink)" strokeWidth="1.2" />
        {pattern.placed.map(({ x, y, w, h, of: part }) => {
          const at = box(x, y, w, h);
          return (
            <g key={`${x} ${y}`}>
              <rect {...at} fill={fills[part % fills.length]} stroke="var(--ink)" strokeWidth="0.6" />
              {at.width > 11 && at.height > 11 ? (
                <text x={at.x + at.width / 2} y={at.y + at.height / 2 + 3.5} textAnchor="middle" fontSize="10" fill="var(--ink)">
                  {letterOf(part)}
                </text>
              ) : null}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

/** One way a roll is cut, piece after piece, with what is left of it. */
function RollPicture({
  pattern,
  of,
  show,
}: {
  readonly pattern: RollPattern;
  readonly of: CutTogetherJob;
  readonly show: (whole: number) => string;
}) {
  const whole = of.job.of === "rolls" ? of.job.job.rollLength : 1;
  const width = 480;
  let at = 0;
  const bars = of.parts.flatMap((part, i) =>
    Array.from({ length: pattern.counts[i] ?? 0 }, (_, n) => {
      const x = (at / whole) * width;
      at += part.plan.pieceH;
      return { key: `${i} ${n}`, x, w: (part.plan.pieceH / whole) * width, part: i };
    }),
  );
  const words = of.parts.flatMap((_, i) => (pattern.counts[i] ? [`${pattern.counts[i]} of ${letterOf(i)}`] : [])).join(", ");
  return (
    <figure className="wide">
      <figcaption className="small">
        <strong>{pattern.times} ×</strong> {words}; {show(Math.max(0, pattern.offcut))} left
      </figcaption>
      <svg viewBox={`0 0 ${width + 2} 24`} role="img" aria-label={`A roll cut ${pattern.times} times: ${words}`}>
        <rect x="1" y="3" width={width} height="18" fill="var(--ground)" stroke="var(--ink)" />
        {bars.map(({ key, x, w, part }) => (
          <g key={key}>
            <rect x={1 + x} y="3" width={w} height="18" fill={fills[part % fills.length]} stroke="var(--ink)" strokeWidth="0.6" />
            {w > 10 ? (
              <text x={1 + x + w / 2} y="16" textAnchor="middle" fontSize="10" fill="var(--ink)">
                {letterOf(part)}
              </text>
            ) : null}
          </g>
        ))}
      </svg>
    </figure>
  );
}
