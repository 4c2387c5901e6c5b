import type { CutLayout, CutPlan, KitCut } from "@lampcrate/core";

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What is cut out of a rectangle: two triangles, or a disc. */
function ShapeInside({ shape, box }: { readonly shape: KitCut["shape"]; readonly box: Box }) {
  const { x, y, width, height } = box;
  if (shape === "triangle") return <path d={`M${x} ${y}L${x + width} ${y + height}`} stroke="var(--lamp-deep)" strokeWidth="0.8" />;
  if (shape === "disc")
    return <circle cx={x + width / 2} cy={y + height / 2} r={Math.min(width, height) / 2} fill="none" stroke="var(--lamp-deep)" />;
  return null;
}

/** The parent lying down, its pieces, and each cut with its number at its start. */
export function CutPicture({
  plan,
  layout,
  name,
  shape,
}: {
  readonly plan: CutPlan;
  readonly layout: CutLayout;
  readonly name: string;
  readonly shape: KitCut["shape"];
}) {
  const lying = plan.parentW >= plan.parentH;
  const [long, short] = lying ? [plan.parentW, plan.parentH] : [plan.parentH, plan.parentW];
  const width = 760;
  const scale = Math.min((width - 40) / long, 330 / short);
  const at = (x: number, y: number): readonly [number, number] =>
    lying ? [20 + x * scale, 20 + y * scale] : [20 + y * scale, 20 + x * scale];
  const rect = (x: number, y: number, w: number, h: number) => {
    const [left, top] = at(x, y);
    return { x: left, y: top, width: (lying ? w : h) * scale, height: (lying ? h : w) * scale };
  };
  return (
    <svg
      viewBox={`0 0 ${width} ${short * scale + 40}`}
      role="img"
      aria-label={`How ${name} is cut: ${layout.pieces.length} pieces, ${layout.cuts.length} cuts`}
    >
      <rect {...rect(0, 0, plan.parentW, plan.parentH)} fill="var(--ground)" stroke="var(--ink)" strokeWidth="1.6" />
      {layout.pieces.map((piece) => (
        <rect
          key={`${piece.x} ${piece.y}`}
          {...rect(piece.x, piece.y, piece.w, piece.h)}
          fill="var(--glow)"
          stroke="var(--lamp-deep)"
          strokeWidth="0.8"
        />
      ))}
      {layout.pieces.map((piece) => (
        <ShapeInside key={`${piece.x} ${piece.y}`} shape={shape} box={rect(piece.x, piece.y, piece.w, piece.h)} />
      ))}
      {layout.cuts.map((cut, i) => {
        const [from, to] = [at(...cut.from), at(...cut.to)];
        return (
          <g key={`${cut.from.join(" ")} ${cut.to.join(" ")}`}>
            <path d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`} stroke="var(--ink)" strokeWidth="1.3" strokeDasharray="6 3" />
            {layout.cuts.length <= 60 ? (
              <text
                x={from[0] + (from[1] === to[1] ? -4 : 0)}
                y={from[1] + (from[1] === to[1] ? 4 : -4)}
                textAnchor={from[1] === to[1] ? "end" : "middle"}
                fontSize="11.5"
                fill="var(--ink)"
              >
                {i + 1}
              </text>
            ) : null}
          </g>
        );
      })}
    </svg>
  );
}
