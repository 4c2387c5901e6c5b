import { type Mark, type Scene, showQuantity, tell, type UnitChoice } from "@lampcrate/core";

interface RigDrawingProps {
  readonly scene: Scene;
  readonly units: UnitChoice;
  /** Greatest height of the picture for a width of 800, or of 480 when small; flat rigs take less. */
  readonly tall?: number;
  /** Small pictures leave the notes out. */
  readonly small?: boolean;
  /** Width of the picture's own units; narrower pictures show larger words. */
  readonly wide?: number;
  /** Size in m that the picture is drawn for, so that two rigs beside each other share one scale. */
  readonly frame?: { readonly width: number; readonly height: number };
}

const edge = 26;

const fills = {
  support: "#d3b182",
  floor: "var(--wood)",
  build: "none",
  load: "var(--lamp)",
  water: "#cfe3e3",
  tub: "none",
  path: "none",
  lane: "var(--glow)",
} as const;
const strokes = {
  support: "#7d5c31",
  floor: "none",
  build: "var(--ink)",
  load: "var(--ink)",
  water: "none",
  tub: "var(--soft)",
  path: "var(--soft)",
  lane: "var(--lamp-deep)",
} as const;

/** A rig to scale on squared paper: numbers from the core, labels in words. */
export function RigDrawing({ scene, units, tall: most = 400, small = false, wide, frame = scene }: RigDrawingProps) {
  const width = wide ?? (small ? 480 : 800);
  const tall = Math.max(130, Math.min(most, ((width - 2 * edge) * frame.height) / frame.width + 2 * edge));
  const scale = Math.min((width - 2 * edge) / frame.width, (tall - 2 * edge) / frame.height);
  const left = (width - frame.width * scale) / 2;
  const x = (m: number): number => left + m * scale;
  const y = (m: number): number => tall - edge - m * scale;
  const square = squareOf(scale) * scale;
  const text = small ? 19 : width < 600 ? 18 : 15;
  return (
    <svg className="rig" viewBox={`0 0 ${width} ${tall}`} role="img" aria-label={scene.describe}>
      <path d={gridOf(width, tall, left, square)} fill="none" stroke="var(--square)" strokeWidth="1" />
      {scene.marks.map((mark, i) => (
        <MarkDrawing key={i} mark={mark} x={x} y={y} units={units} text={text} small={small} />
      ))}
      {small ? null : (
        <text x={width - 8} y={tall - 7} textAnchor="end" fontSize={text * 0.8} fill="var(--soft)">
          one square {showQuantity(squareOf(scale), "length", units)}
        </text>
      )}
    </svg>
  );
}

/** Squared paper as one path: a pattern would be painted anew, square by square, at every move of a dial. */
function gridOf(width: number, tall: number, left: number, square: number): string {
  let path = "";
  for (let x = left % square; x <= width; x += square) path += `M${x.toFixed(1)} 0V${tall.toFixed(1)}`;
  for (let y = (tall - edge) % square; y <= tall; y += square) path += `M0 ${y.toFixed(1)}H${width}`;
  return path;
}

/** A round length whose square is 14 to 36 px. */
function squareOf(scale: number): number {
  return [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2].find((m) => m * scale >= 14) ?? 5;
}

interface MarkProps {
  readonly mark: Mark;
  readonly x: (m: number) => number;
  readonly y: (m: number) => number;
  readonly units: UnitChoice;
  readonly text: number;
  readonly small: boolean;
}

function MarkDrawing({ mark, x, y, units, text, small }: MarkProps) {
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
      return <Dimension mark={mark} x={x} y={y} units={units} text={text} />;
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

function Block({ mark, x, y, units, text }: Omit<MarkProps, "mark" | "small"> & { readonly mark: Mark & { kind: "block" } }) {
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
function Dimension({ mark, x, y, units, text }: Omit<MarkProps, "mark" | "small"> & { readonly mark: Mark & { kind: "measure" } }) {
  const [fx, fy, tx, ty] = [x(mark.from[0]), y(mark.from[1]), x(mark.to[0]), y(mark.to[1])];
  const upright = Math.abs(fx - tx) < Math.abs(fy - ty);
  const end = upright ? `M${fx - 6} ${fy}h12M${tx - 6} ${ty}h12` : `M${fx} ${fy - 6}v12M${tx} ${ty - 6}v12`;
  const words = `${showQuantity(mark.valueSi, "length", units, lengthUnit(mark.valueSi, units))}${mark.words ? ` ${mark.words}` : ""}`;
  return (
    <g>
      <path d={`M${fx} ${fy}L${tx} ${ty}${end}`} stroke="var(--ink)" strokeWidth="1.3" fill="none" />
      <text
        x={upright ? fx + 9 : (fx + tx) / 2}
        y={upright ? (fy + ty) / 2 + 5 : fy + 5}
        textAnchor={upright ? "start" : "middle"}
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
