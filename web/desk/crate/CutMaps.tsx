import type { CutDoc } from "@lampcrate/contract";
import { type CutLayout, type CutPlan, cutLayout, cutUnitsPerM, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useMemo } from "react";
import "./crate.css";
import { useRunWork } from "../run/RunContext.ts";
import { CutTogether } from "./CutTogether.tsx";
import { cutTogether, toCut } from "./cutJobs.ts";
import { useSizedCrate } from "./SizedCrate.tsx";

/** How each sheet is cut, to scale, with its cuts in their order: for the person at the guillotine, on paper too. */
export function CutMaps() {
  const { run, draft, materials, crateInput } = useRunWork();
  const crate = useSizedCrate();
  const cut = crateInput.lines.flatMap((line) => (line.cut ? [{ id: line.id, plan: line.cut }] : []));
  if (cut.length === 0) return null;
  const plans = new Map(cut.map(({ id, plan }) => [id, plan]));
  const together = cutTogether(toCut(draft.brief.lines, plans, crate.manifest));
  return (
    <section className="sheet pad stack cut-maps" aria-label="Cut maps">
      <div className="row spread">
        <h2>Cut maps</h2>
        <span className="row no-print">
          <a className="quiet" href={`/api/runs/${run.id}/templates.pdf`}>
            true-size templates
          </a>
          <button type="button" className="second" onClick={printMaps}>
            Print
          </button>
        </span>
      </div>
      {cut.map(({ id, plan }) => {
        const line = draft.brief.lines.find((l) => l.id === id);
        const name = materials.find((m) => m.id === line?.materialId)?.name ?? "material";
        const sheets = crate.manifest?.lines.find((l) => l.id === id)?.parents ?? null;
        return <CutMap key={id} name={name} plan={plan} shape={line?.cut?.shape ?? "rectangle"} sheets={sheets} units={run.units} />;
      })}
      {together.map((of) => (
        <CutTogether
          key={of.materialId}
          of={of}
          name={materials.find((m) => m.id === of.materialId)?.name ?? "material"}
          units={run.units}
        />
      ))}
    </section>
  );
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What is cut out of a rectangle: two triangles, or a disc. */
function ShapeInside({ shape, box }: { readonly shape: CutDoc["shape"]; readonly box: Box }) {
  const { x, y, width, height } = box;
  if (shape === "triangle") return <path d={`M${x} ${y}L${x + width} ${y + height}`} stroke="var(--lamp-deep)" strokeWidth="0.8" />;
  if (shape === "disc")
    return <circle cx={x + width / 2} cy={y + height / 2} r={Math.min(width, height) / 2} fill="none" stroke="var(--lamp-deep)" />;
  return null;
}

/** Prints the maps alone. */
function printMaps(): void {
  document.body.dataset["print"] = "cut-maps";
  window.print();
  delete document.body.dataset["print"];
}

interface CutMapProps {
  readonly name: string;
  readonly plan: CutPlan;
  readonly shape: CutDoc["shape"];
  readonly sheets: number | null;
  readonly units: UnitChoice;
}

function CutMap({ name, plan, shape, sheets, units }: CutMapProps) {
  const layout = useMemo(() => cutLayout(plan), [plan]);
  const show = (whole: number): string => showQuantity(whole / cutUnitsPerM, "length", units, units === "metric" ? "mm" : "in");
  if (layout === null || layout.pieces.length === 0)
    return (
      <p>
        <strong>{name}:</strong>{" "}
        {layout === null
          ? "this roll is too long to draw whole; cut it into lengths a few pieces long first."
          : "a piece this size does not fit on it."}
      </p>
    );
  const pieces = layout.pieces.length * (plan.perRectangle ?? 1);
  const used = layout.pieces.reduce((sum, piece) => sum + piece.w * piece.h, 0) / (plan.parentW * plan.parentH);
  return (
    <div className="cut-map">
      <p>
        <strong>
          {name}
          {sheets === null ? "" : `, ${sheets} of them`}: {pieces} {pieces === 1 ? "piece" : "pieces"} of {sizeWords(plan, shape, show)}{" "}
          from each
        </strong>{" "}
        of {show(plan.parentW)} × {show(plan.parentH)}, {layout.cuts.length} {layout.cuts.length === 1 ? "cut" : "cuts"};{" "}
        {Math.round((1 - used) * 100)} % is offcut.
      </p>
      <Picture plan={plan} layout={layout} name={name} shape={shape} />
    </div>
  );
}

function sizeWords(plan: CutPlan, shape: CutDoc["shape"], show: (whole: number) => string): string {
  if (shape === "disc") return `${show(plan.pieceW)} across, cut round from squares`;
  if (shape === "length") return show(plan.pieceH);
  return `${show(plan.pieceW)} × ${show(plan.pieceH)}${shape === "triangle" ? ", cut corner to corner in pairs" : ""}`;
}

/** The parent lying down, its pieces, and each cut with its number at its start. */
function Picture({
  plan,
  layout,
  name,
  shape,
}: {
  readonly plan: CutPlan;
  readonly layout: CutLayout;
  readonly name: string;
  readonly shape: CutDoc["shape"];
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
