import "../crate.css";
import { Button } from "../../pieces/Button.tsx";
import { Open } from "../../pieces/Lock.tsx";
import { useBriefWork, useCrateWork } from "../../work/RunContext.ts";
import { useSizedCrate } from "../../work/SizedCrate.tsx";
import { CutMap } from "./CutMap.tsx";
import { CutTogether } from "./CutTogether.tsx";
import { cutTogether, toCut } from "./cutJobs.ts";
import { useSeasonCuts } from "./useSeasonCuts.ts";

/** How each sheet is cut, to scale, with its cuts in their order: for the person at the guillotine, on paper too. */
export function CutMaps() {
  const { run, brief } = useBriefWork();
  const { materials, crateInput } = useCrateWork();
  const crate = useSizedCrate();
  const season = useSeasonCuts();
  const cut = crateInput.lines.flatMap((line) => (line.cut ? [{ id: line.id, plan: line.cut }] : []));
  if (cut.length === 0) return null;
  const plans = new Map(cut.map(({ id, plan }) => [id, plan]));
  const together = cutTogether(toCut(brief.lines, plans, crate.manifest));
  return (
    <section className="sheet pad stack cut-maps" aria-label="Cut maps">
      <div className="row spread">
        <h2>Cut maps</h2>
        <Open>
          <span className="row no-print">
            <Button type="text" size="small" href={`/api/runs/${run.id}/templates.pdf`}>
              true-size templates
            </Button>
            <Button onClick={printMaps}>Print</Button>
          </span>
        </Open>
      </div>
      {cut.map(({ id, plan }) => {
        const line = brief.lines.find((l) => l.id === id);
        const name = materials.find((m) => m.id === line?.materialId)?.name ?? "material";
        const sheets = crate.manifest?.lines.find((l) => l.id === id)?.parents ?? null;
        return (
          <CutMap
            key={id}
            name={name}
            plan={plan}
            shape={line?.cut?.shape ?? "rectangle"}
            sheets={sheets}
            units={run.units}
            others={season.filter((other) => other.materialId === line?.materialId && other.id !== ` ${id}`)}
          />
        );
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

/** Prints the maps alone. */
function printMaps(): void {
  document.body.dataset["print"] = "cut-maps";
  window.print();
  delete document.body.dataset["print"];
}
