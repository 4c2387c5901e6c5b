import type { KitCut } from "@lampcrate/core";
import { type CutLayout, type CutPlan, cutLayout, cutUnitsPerM, offcutsServe, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useMemo } from "react";
import { CutPicture } from "./CutPicture.tsx";
import type { SeasonCut } from "./useSeasonCuts.ts";

interface CutMapProps {
  readonly name: string;
  readonly plan: CutPlan;
  readonly shape: KitCut["shape"];
  readonly sheets: number | null;
  readonly units: UnitChoice;
  /** What else is cut from the same material. */
  readonly others: readonly SeasonCut[];
}

/** How one parent is cut, what each gives, and what its offcuts serve. */
export function CutMap({ name, plan, shape, sheets, units, others }: CutMapProps) {
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
      <Offcuts layout={layout} others={others} show={show} />
      <CutPicture plan={plan} layout={layout} name={name} shape={shape} />
    </div>
  );
}

function sizeWords(plan: CutPlan, shape: KitCut["shape"], show: (whole: number) => string): string {
  if (shape === "disc") return `${show(plan.pieceW)} across, cut round from squares`;
  if (shape === "length") return show(plan.pieceH);
  return `${show(plan.pieceW)} × ${show(plan.pieceH)}${shape === "triangle" ? ", cut corner to corner in pairs" : ""}`;
}

interface OffcutsProps {
  readonly layout: CutLayout;
  readonly others: readonly SeasonCut[];
  readonly show: (whole: number) => string;
}

/** What is left of each parent, and what else of the season it would give. */
function Offcuts({ layout, others, show }: OffcutsProps) {
  const served = useMemo(() => offcutsServe(layout.offcuts, others), [layout, others]);
  const [largest] = layout.offcuts;
  if (!largest) return null;
  return (
    <p className="small">
      Largest offcut {show(largest.w)} × {show(largest.h)}
      {served.length === 0
        ? others.length === 0
          ? "; nothing else of the season is cut from it."
          : "; nothing else that is cut from it fits on an offcut."
        : ". The offcuts of each also give "}
      {served.slice(0, 3).map(({ id, pieces }, i) => {
        const other = others.find((o) => o.id === id);
        return other ? (
          <span key={id}>
            {i > 0 ? ", or " : ""}
            {pieces} of {sizeWords(other.plan, other.shape, show)}
            {other.runTitle === null ? " for this kit" : ` for ${other.runTitle}`}
          </span>
        ) : null;
      })}
      {served.length === 0 ? "" : "."}
    </p>
  );
}
