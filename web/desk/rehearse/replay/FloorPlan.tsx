import { type DotPlace, type Replay, showQuantity, type UnitChoice } from "@lampcrate/core";
import { between, type Layout, spotOf, tableSize, walkAt } from "./layout.ts";

interface FloorPlanProps {
  readonly layout: Layout;
  readonly replay: Replay;
  readonly minute: number;
  readonly units: UnitChoice;
  readonly label: string;
}

/** How a dot looks by where it is. */
const looks: Readonly<Partial<Record<DotPlace, string>>> = {
  "seat line": "waits",
  welcome: "greeted",
  building: "builds",
  "rig line": "waits",
  rig: "tests",
  unfinished: "late",
};

/** A room seen from above, to scale, and who is where in it. */
export function FloorPlan({ layout, replay, minute, units, label }: FloorPlanProps) {
  const { width, depth, tables, rigs, door } = layout;
  let inLine = 0;
  const dots = replay.dots.flatMap((dot, i) => {
    const walk = walkAt(dot, minute);
    if (!walk) return [];
    const { step, before, part } = walk;
    const isGone = step.place === "home" || step.place === "turned away";
    if (isGone && part >= 1) return [];
    const place = step.place === "seat line" ? inLine : 0;
    if (step.place === "seat line") inLine += 1;
    const to = spotOf(layout, step, place);
    const from = before ? spotOf(layout, before, 0) : { x: door.x, y: depth + 0.5 };
    return [{ key: i, ...between(from, to, part), look: looks[step.place] ?? "goes", r: dot.seats > 1 ? 0.25 : 0.17 }];
  });
  return (
    <svg className="floor-plan" viewBox={`-0.3 -0.3 ${width + 0.6} ${depth + 1.2}`} role="img" aria-label={label}>
      <rect className="walls" x={0} y={0} width={width} height={depth} />
      <line className="doorway" x1={door.x - 0.5} y1={depth} x2={door.x + 0.5} y2={depth} />
      {tables.map(({ x, y }) => (
        <rect
          key={`${x} ${y}`}
          className="table"
          x={x - tableSize.wide / 2}
          y={y - tableSize.deep / 2}
          width={tableSize.wide}
          height={tableSize.deep}
          rx={0.08}
        />
      ))}
      {rigs.map(({ x, y }) => (
        <rect key={y} className="rig-mark" x={x - 0.3} y={y - 0.3} width={0.7} height={0.6} />
      ))}
      {dots.map(({ key, x, y, look, r }) => (
        <circle key={key} className={`dot ${look}`} cx={x} cy={y} r={r} />
      ))}
      <g className="scale-bar">
        <line x1={width - 2} y1={depth + 0.35} x2={width} y2={depth + 0.35} />
        <text x={width - 2.1} y={depth + 0.5} textAnchor="end">
          {showQuantity(2, "length", units)}
        </text>
      </g>
    </svg>
  );
}
