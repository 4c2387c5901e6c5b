import { type Mark, showQuantity, tell, type UnitChoice } from "@lampcrate/core";

const fills = {
  support: "var(--support)",
  floor: "var(--wood)",
  build: "none",
  load: "var(--lamp)",
  water: "var(--water)",
  tub: "none",
  path: "none",
  lane: "var(--glow)",
} as const;
const strokes = {
  support: "var(--support-edge)",
  floor: "none",
  build: "var(--ink)",
  load: "var(--ink)",
  water: "none",
  tub: "var(--soft)",
  path: "var(--soft)",
  lane: "var(--lamp-deep)",
} as const;

interface MarkProps {
  readonly mark: Mark;
  readonly x: (m: number) => number;
  readonly y: (m: number) => number;
  readonly units: UnitChoice;
  readonly text: number;
  readonly small: boolean;
  /** Of the whole picture: words must not run out of it. */
  readonly width: number;
}

/** One mark of a rig, in the picture's own units. */
export function MarkDrawing({ mark, x, y, units, text, small, width }: MarkProps) {
  switch (mark.kind) {
    case "block":
      return <Block mark={mark} x={x} y={y} units={units} text={text} />;
    case "path":
      return (
        <path
          d={
            mark.points.map(([px, py], i) => `${i === 0 ? "M" : "L"}${x(px).toFixed(1)} ${y(py).toFixed(1)}`).join("") +
            (mark.closed ? "Z" : "")
          }
          fill={mark.closed ? (mark.role === "load" ? "var(--lamp)" : mark.role === "support" ? fills.support : "var(--glow)") : "none"}
          stroke={strokes[mark.role]}
          strokeWidth={mark.role === "build" ? 2.6 : mark.role === "tub" ? 3 : 1.4}
          strokeLinejoin="round"
        />
      );
    case "disc":
      return (
        <circle
          cx={x(mark.x)}
          cy={y(mark.y)}
          r={Math.max(2.5, x(mark.x + mark.r) - x(mark.x))}
          fill={fills[mark.role]}
          stroke={mark.role === "water" ? "var(--settled)" : strokes[mark.role]}
          strokeWidth="1.6"
        />
      );
    case "arrow": {
      const [fx, fy, tx, ty] = [x(mark.from[0]), y(mark.from[1]), x(mark.to[0]), y(mark.to[1])];
      return (
        <g fill="none" stroke="var(--settled)" strokeWidth="2">
          <path d={`M${fx} ${fy}L${tx} ${ty}`} strokeDasharray="7 5" />
          <path d={`M${tx - 6} ${ty - 10}L${tx} ${ty}L${tx + 6} ${ty - 10}`} />
        </g>
      );
    }
    case "measure":
      return <Dimension mark={mark} x={x} y={y} units={units} text={text} width={width} />;
    case "note":
      return small ? null : (
        <text
          className={mark.tone === "predicted" ? "predicted" : ""}
          x={x(mark.x)}
          y={mark.below ? y(mark.y) + text * 1.15 : y(mark.y)}
          fontSize={text}
          textAnchor={mark.anchor ?? "start"}
        >
          {tell(mark, units)}
        </text>
      );
  }
}

function Block({ mark, x, y, units, text }: Omit<MarkProps, "mark" | "small" | "width"> & { readonly mark: Mark & { kind: "block" } }) {
  const [left, top, wide, high] = [
    x(mark.x),
    y(mark.y + mark.h),
    Math.max(2, x(mark.x + mark.w) - x(mark.x)),
    Math.max(2, y(mark.y) - y(mark.y + mark.h)),
  ];
  return (
    <g>
      <rect
        x={left}
        y={top}
        width={wide}
        height={high}
        fill={fills[mark.role]}
        stroke={strokes[mark.role]}
        strokeWidth="1.5"
        rx={mark.role === "load" ? 3 : 0}
      />
      {mark.massKg === undefined ? null : (
        <text
          x={left + wide / 2}
          y={wide < text * 3.4 || high < text * 1.2 ? top - 6 : top + high / 2 + 5}
          textAnchor="middle"
          fontSize={text}
          fontWeight="700"
        >
          {showQuantity(mark.massKg, "mass", units)}
        </text>
      )}
    </g>
  );
}

/** A dimension line with its ends, and its length in words in a gap of its own. */
function Dimension({ mark, x, y, units, text, width }: Omit<MarkProps, "mark" | "small"> & { readonly mark: Mark & { kind: "measure" } }) {
  const [fx, fy, tx, ty] = [x(mark.from[0]), y(mark.from[1]), x(mark.to[0]), y(mark.to[1])];
  const upright = Math.abs(fx - tx) < Math.abs(fy - ty);
  const end = upright ? `M${fx - 6} ${fy}h12M${tx - 6} ${ty}h12` : `M${fx} ${fy - 6}v12M${tx} ${ty - 6}v12`;
  const words = `${showQuantity(mark.valueSi, "length", units, lengthUnit(mark.valueSi, units))}${mark.words ? ` ${mark.words}` : ""}`;
  // About 0.62 of its height is what a letter of ours takes; to the left of its line where the right has no room.
  const fits = fx + 9 + words.length * text * 0.62 <= width;
  return (
    <g>
      <path d={`M${fx} ${fy}L${tx} ${ty}${end}`} stroke="var(--ink)" strokeWidth="1.3" fill="none" />
      <text
        x={upright ? (fits ? fx + 9 : fx - 9) : (fx + tx) / 2}
        y={upright ? (fy + ty) / 2 + 5 : fy + 5}
        textAnchor={upright ? (fits ? "start" : "end") : "middle"}
        fontSize={text}
        fontWeight="700"
      >
        {words}
      </text>
    </g>
  );
}

/** Drawings keep millimetres below 1.5 m: that is how rigs are set up. */
function lengthUnit(si: number, units: UnitChoice): string | null {
  return units === "metric" && si < 1.5 ? "mm" : null;
}
