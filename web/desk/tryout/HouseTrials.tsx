import type { LearnedDoc } from "@lampcrate/contract";
import { families, showQuantity } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { memo, useState } from "react";
import { Advice } from "../learned/Advice.tsx";
import { Button } from "../pieces/Button.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { learnedQuery, materialsQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { TrialForm } from "./TrialForm.tsx";

/** Practice builds by the house: logged as families do, and what they teach this run. */
export const HouseTrials = memo(function HouseTrials() {
  const { run } = useBriefWork();
  const learned = useQuery(learnedQuery(run.id));
  const [adding, setAdding] = useState(false);
  if (!learned.data) return null;
  const { trials, advice } = learned.data;
  return (
    <section className="sheet pad stack" aria-label="House trials">
      <div className="row spread">
        <h2>House trials</h2>
        {adding ? null : <Button onClick={() => setAdding(true)}>Log a house trial</Button>}
      </div>
      {trials.length === 0 && !adding ? (
        <p>
          Build one yourself before anybody else does. Log how long it took, what broke and what you measured: it sets build time, spoil and
          rebuild rates, and moves the prediction.
        </p>
      ) : null}
      {adding ? <TrialForm onDone={() => setAdding(false)} /> : null}
      {trials.length > 0 ? <TrialTable learned={learned.data} /> : null}
      {advice ? <Advice advice={advice} learned={learned.data} /> : null}
    </section>
  );
});

function TrialTable({ learned }: { readonly learned: LearnedDoc }) {
  const { run, brief } = useBriefWork();
  const { dayOf } = useHouseDay();
  const materials = useQuery(materialsQuery).data ?? [];
  const lineName = (id: string): string => {
    const line = brief.lines.find((l) => l.id === id);
    return materials.find((m) => m.id === line?.materialId)?.name ?? "a line that is gone";
  };
  const [measure] = families[brief.family].measures(brief.spec);
  return (
    <table className="trials">
      <thead>
        <tr>
          <th>When, who</th>
          <th className="number">Minutes</th>
          <th className="number">Built again</th>
          <th>Measured</th>
          <th>What broke, what was seen</th>
        </tr>
      </thead>
      <tbody>
        {learned.trials.map((trial) => (
          <tr key={trial.id}>
            <td style={{ whiteSpace: "nowrap" }}>
              {dayOf(trial.at)}
              <br />
              <span className="soft small">{trial.by}</span>
            </td>
            <td className="number">{trial.buildMinutes}</td>
            <td className="number">{trial.rebuilds}</td>
            <td>
              {trial.versions
                .flatMap((v) => v.trials)
                .map((t) => (t.value === null ? "no number" : showQuantity(t.value, measure.dimension, run.units)))
                .join(", ")}
            </td>
            <td>
              {[
                ...trial.broke.filter((b) => b.spoilt > 0).map((b) => `${b.spoilt} × ${lineName(b.lineId)} spoilt`),
                ...trial.versions
                  .flatMap((v) => v.trials.flatMap((t) => t.seen))
                  .map((seen) => families[brief.family].symptoms.find((s) => s.id === seen)?.words ?? seen),
                trial.note,
              ]
                .filter(Boolean)
                .join("; ") || "nothing"}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
