import { type Scene, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useMemo, useState } from "react";
import { bareOf } from "./bareScene.ts";
import { type Gripping, Grips } from "./Grips.tsx";
import { MarkDrawing } from "./RigMarks.tsx";

interface RigDrawingProps {
  readonly scene: Scene;
  readonly units: UnitChoice;
  /** Greatest height of the picture for a width of 800, or of 480 when small; flat rigs take less. */
  readonly tall?: number;
  /** Small pictures leave the notes out. */
  readonly small?: boolean;
  /** A picture to know the rig by: no words, no lengths. */
  readonly bare?: boolean;
  /** Width of the picture's own units; narrower pictures show larger words. */
  readonly wide?: number;
  /** What can be moved in it by hand; left out where it is only looked at. */
  readonly gripping?: Gripping | undefined;
  /** Size in m that the picture is drawn for, so that two rigs beside each other share one scale. */
  readonly frame?: Size;
}

/** m */
interface Size {
  readonly width: number;
  readonly height: number;
}

/** A rig to scale on squared paper: numbers from the core, labels in words. */
export function RigDrawing({
  scene: whole,
  units,
  tall: most = 400,
  small = false,
  bare = false,
  wide,
  gripping,
  frame: wanted,
}: RigDrawingProps) {
  const scene = useMemo(() => (bare ? bareOf(whole) : whole), [bare, whole]);
  const edge = bare ? 10 : 26;
  // While something is dragged the picture keeps its scale: a rig that shrinks as it grows could not be held.
  const [held, setHeld] = useState<Size | null>(null);
  const frame = held ?? wanted ?? scene;
  const width = wide ?? (small ? 480 : 800);
  const tall = Math.max(bare ? 40 : 130, Math.min(most, ((width - 2 * edge) * frame.height) / frame.width + 2 * edge));
  const scale = Math.min((width - 2 * edge) / frame.width, (tall - 2 * edge) / frame.height);
  const left = (width - frame.width * scale) / 2;
  const x = (m: number): number => left + m * scale;
  const y = (m: number): number => tall - edge - m * scale;
  const square = squareOf(scale, units) * scale;
  const text = small ? 19 : width < 600 ? 18 : 15;
  return (
    // biome-ignore lint/a11y/noSvgWithoutTitle: the picture in it has a name; its handles have their own
    <svg className="rig" viewBox={`0 0 ${width} ${tall}`}>
      <g role="img" aria-label={scene.describe}>
        <path d={gridOf(width, tall - edge, left, square, tall)} fill="none" stroke="var(--square)" strokeWidth="1" />
        {scene.marks.map((mark, i) => (
          <MarkDrawing key={i} mark={mark} x={x} y={y} units={units} text={text} small={small || bare} width={width} />
        ))}
      </g>
      {gripping && scene.grips ? (
        <Grips
          {...gripping}
          grips={scene.grips}
          x={x}
          y={y}
          scale={scale}
          onHold={(taken) => setHeld(taken ? { width: frame.width, height: frame.height } : null)}
        />
      ) : null}
      {small || bare ? null : (
        <text x={width - 8} y={tall - 7} textAnchor="end" fontSize={text * 0.8} fill="var(--soft)">
          one square {showQuantity(squareOf(scale, units), "length", units)}
        </text>
      )}
    </svg>
  );
}

/** Squared paper as one path: a pattern would be painted anew, square by square, at every move of a dial. */
function gridOf(width: number, floor: number, left: number, square: number, tall: number): string {
  let path = "";
  for (let x = left % square; x <= width; x += square) path += `M${x.toFixed(1)} 0V${tall.toFixed(1)}`;
  for (let y = floor % square; y <= tall; y += square) path += `M0 ${y.toFixed(1)}H${width}`;
  return path;
}

/** A round length whose square is 14 to 36 px. */
function squareOf(scale: number, units: UnitChoice): number {
  return squares[units].find((m) => m * scale >= 14) ?? 5;
}

const squares: Readonly<Record<UnitChoice, readonly number[]>> = {
  metric: [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2],
  // 1/16 in to 1 in, then 2, 6 and 12 in, 2 and 5 ft.
  imperial: [0.0625, 0.125, 0.25, 0.5, 1, 2, 6, 12, 24, 60].map((inches) => inches * 0.0254),
};
