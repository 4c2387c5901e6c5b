import type { MaterialDoc } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { amountWords, type ManifestLine, type UnitChoice } from "@lampcrate/core";
import { memo } from "react";
import { lineSays, perWords } from "../../pieces/show.ts";
import { Term } from "../../pieces/Term.tsx";
import { nothingPromised, type Promising } from "../../seasonData/usePromised.ts";
import { ManifestBar } from "./ManifestBar.tsx";

interface DockLineProps {
  readonly line: ManifestLine;
  readonly of: KitLine;
  readonly material: MaterialDoc;
  readonly promising: Promising | undefined;
  readonly units: UnitChoice;
  readonly drives: boolean;
}

/** A line of the crate: how much, what it is made of, and what to do about it. */
export const DockLine = memo(function DockLine({ line, of, material, promising, units, drives }: DockLineProps) {
  const { taken, due, again } = promising ?? nothingPromised;
  const says = lineSays(line, of, material, units);
  const onHand = line.parents === null || line.piecesPerParent === null ? material.onHand : material.onHand * line.piecesPerParent;
  const made = `first build ${amountWords(line.base, material.unit, units)}, rebuilds ${amountWords(line.rebuild, material.unit, units)}, spoilt ${amountWords(line.spoilt, material.unit, units)}, to be sure ${amountWords(Math.max(0, line.certainty), material.unit, units)}`;
  return (
    <div className="crate-line" title={made}>
      <div className="top">
        <span>
          {material.name}{" "}
          <span className="soft small">
            {of.cut ? "cut, " : ""}
            {perWords(of)}
            {drives ? (
              <>
                , <Term of="drives">drives the crate</Term>
              </>
            ) : null}
          </span>
        </span>
        <strong>{amountWords(line.quantity, material.unit, units)}</strong>
      </div>
      <ManifestBar line={line} onHand={onHand} words={made} />
      <p className={says.short ? "says short" : "says"}>
        {says.words}
        {due > 0 ? `; ${amountWords(due, material.unit, units)} on the way` : ""}
        {again > 0 ? `; ${amountWords(again, material.unit, units)} left over by earlier crates` : ""}
        {taken > 0 ? `; ${amountWords(taken, material.unit, units)} promised to others before it` : ""}
      </p>
    </div>
  );
});
