import type { FindingsDoc } from "@lampcrate/contract";
import { outcomeWords, showOf, type UnitChoice } from "@lampcrate/core";
import { quantityScale } from "../../shared/pieces/scale.ts";
import { spanOf, ValueStrip } from "../../shared/pieces/ValueStrip.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Term } from "../pieces/Term.tsx";
import "../sift/evidence.css";

/** What was predicted for the plain build, and what first builds gave: how far the numbers of the next brief can be trusted. */
export function OutcomePanel({ findings, units }: { readonly findings: FindingsDoc; readonly units: UnitChoice }) {
  const { outcome, measure, goal } = findings;
  const { predicted, first, middle } = outcome;
  const show = showOf(measure, units);
  const words = outcomeWords(outcome, show);
  return (
    <aside className="sheet evidence" aria-label="Prediction and outcome">
      <div className="pad">
        <h2>
          <Term of="predicted">Predicted</Term> and come true
        </h2>
        <p>{words}</p>
        <figure>
          <ValueStrip
            label={words}
            scale={quantityScale(measure.dimension, units, measure.unit ?? undefined, goal)}
            span={spanOf([...first.values, ...(predicted ? [predicted.low, predicted.high] : []), goal])}
            predicted={predicted}
            goal={goal}
            others={first.values}
            own={middle === null ? [] : [middle]}
          />
        </figure>
        <ul className="strip-key small soft">
          <li className="own">middle of first builds</li>
          <li className="band">predicted, 8 of 10</li>
        </ul>
        <DataTable
          label="Prediction and outcome in numbers"
          rowKey="what"
          headless
          rows={[
            { what: "Predicted for the plain build", says: predicted ? show(predicted.mid) : "–" },
            { what: "Middle of first builds", says: middle === null ? "–" : show(middle) },
            { what: "Goal met", says: `${findings.goalMet} of ${findings.entries}` },
          ]}
          columns={[
            { dataIndex: "what", rowScope: "row" },
            { dataIndex: "says", className: "number" },
          ]}
        />
        <p className="small soft">A prediction is a rough guide. Tryout takes what was measured into the next one.</p>
      </div>
    </aside>
  );
}
