import type { PictureEnds, PicturePlace } from "@lampcrate/core";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { useWidth } from "../useWidth.ts";
import "./photoRuler.css";

/** The two lines that are laid over a picture. */
export const laidLines = ["known", "claimed"] as const;
export type LaidLine = (typeof laidLines)[number];

interface PhotoRulerProps {
  readonly src: string;
  /** What the picture shows, for readers. */
  readonly label: string;
  /** The picture's own size, points. */
  readonly width: number;
  readonly height: number;
  readonly lines: Readonly<Record<LaidLine, PictureEnds>>;
  readonly names: Readonly<Record<LaidLine, string>>;
  readonly onMove: (line: LaidLine, ends: PictureEnds) => void;
  /** Told how many points of the picture a px of the screen is. */
  readonly onScale: (pointsAPx: number) => void;
}

/** A picture with two lines over it, whose ends are taken by finger, mouse or arrow keys; what is under a finger is shown larger in a corner. */
export function PhotoRuler({ src, label, width, height, lines, names, onMove, onScale }: PhotoRulerProps) {
  const [frame, shown] = useWidth<HTMLDivElement>(width);
  const [held, setHeld] = useState<PicturePlace | null>(null);
  const aPx = width / Math.max(1, shown);
  const told = useRef(0);
  if (told.current !== aPx) {
    told.current = aPx;
    queueMicrotask(() => onScale(aPx));
  }
  return (
    <div ref={frame} className="photo-ruler" style={{ maxWidth: `calc(76vh * ${width / height})` }}>
      <svg viewBox={`0 0 ${width} ${height}`} role="group" aria-label={label}>
        <image href={src} width={width} height={height} />
        {laidLines.map((line) => (
          <Laid
            key={line}
            line={line}
            ends={lines[line]}
            name={names[line]}
            within={{ x: width, y: height }}
            aPx={aPx}
            onMove={(ends) => onMove(line, ends)}
            onHold={setHeld}
          />
        ))}
        {held === null ? null : <Loupe src={src} at={held} width={width} height={height} aPx={aPx} />}
      </svg>
    </div>
  );
}

interface LaidProps {
  readonly line: LaidLine;
  readonly ends: PictureEnds;
  readonly name: string;
  readonly within: PicturePlace;
  readonly aPx: number;
  readonly onMove: (ends: PictureEnds) => void;
  readonly onHold: (at: PicturePlace | null) => void;
}

/** One line with its name and its two ends. */
function Laid({ line, ends: [a, b], name, within, aPx, onMove, onHold }: LaidProps) {
  return (
    <g className={`laid ${line}`}>
      <path className="rim" d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
      <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
      <text x={(a.x + b.x) / 2} y={(a.y + b.y) / 2 - 12 * aPx} fontSize={15 * aPx} textAnchor="middle">
        {name}
      </text>
      {[a, b].map((at, i) => (
        <End
          key={i === 0 ? "first" : "second"}
          name={`${name}, ${i === 0 ? "first" : "second"} end`}
          at={at}
          within={within}
          aPx={aPx}
          onMove={(to) => onMove(i === 0 ? [to, b] : [a, to])}
          onHold={onHold}
        />
      ))}
    </g>
  );
}

interface EndProps extends Pick<LaidProps, "within" | "aPx" | "onHold"> {
  readonly name: string;
  readonly at: PicturePlace;
  readonly onMove: (to: PicturePlace) => void;
}

const arrows: Readonly<Record<string, PicturePlace>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** One end: a ring with its middle open, so that what is aimed at is seen. */
function End({ name, at, within, aPx, onMove, onHold }: EndProps) {
  const from = useRef<{ readonly at: PicturePlace; readonly pointer: PicturePlace } | null>(null);
  const put = (x: number, y: number): PicturePlace => {
    const to = { x: Math.min(within.x, Math.max(0, x)), y: Math.min(within.y, Math.max(0, y)) };
    onMove(to);
    return to;
  };
  const drag = (event: PointerEvent): void => {
    if (!from.current) return;
    const { at: start, pointer } = from.current;
    onHold(put(start.x + (event.clientX - pointer.x) * aPx, start.y + (event.clientY - pointer.y) * aPx));
  };
  const letGo = (): void => {
    from.current = null;
    onHold(null);
  };
  const press = (event: KeyboardEvent): void => {
    const by = arrows[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    const step = (event.shiftKey ? 10 : 1) * Math.max(1, aPx / 2);
    put(at.x + by.x * step, at.y + by.y * step);
  };
  return (
    <g
      className="end"
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={within.x}
      aria-valuenow={Math.round(at.x)}
      aria-valuetext={`${Math.round(at.x)} across, ${Math.round(at.y)} down`}
      transform={`translate(${at.x} ${at.y}) scale(${aPx})`}
      onPointerDown={(event) => {
        from.current = { at, pointer: { x: event.clientX, y: event.clientY } };
        event.currentTarget.setPointerCapture(event.pointerId);
        onHold(at);
      }}
      onPointerMove={drag}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onKeyDown={press}
    >
      <circle r="24" className="reach" />
      <circle r="9" />
      <path d="M-14 0H-5M5 0H14M0-14V-5M0 5V14" />
    </g>
  );
}

/** What is under the finger, three times as large, in the corner that is farther from it. */
function Loupe({
  src,
  at,
  width,
  height,
  aPx,
}: {
  readonly src: string;
  readonly at: PicturePlace;
  readonly width: number;
  readonly height: number;
  readonly aPx: number;
}) {
  const side = 150 * aPx;
  const seen = side / 3;
  const x = at.x > width / 2 ? 0 : width - side;
  return (
    <g className="loupe" aria-hidden="true">
      {/* biome-ignore lint/a11y/noSvgWithoutTitle: a part of the picture that has a name, for eyes alone */}
      <svg x={x} y={0} width={side} height={side} viewBox={`${at.x - seen / 2} ${at.y - seen / 2} ${seen} ${seen}`} overflow="hidden">
        <rect x={at.x - seen} y={at.y - seen} width={2 * seen} height={2 * seen} fill="#222" />
        <image href={src} width={width} height={height} />
        <path d={`M${at.x - seen} ${at.y}H${at.x + seen}M${at.x} ${at.y - seen}V${at.y + seen}`} />
      </svg>
      <rect x={x} y={0} width={side} height={side} className="edge" />
    </g>
  );
}
