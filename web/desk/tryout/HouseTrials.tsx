import type { LearnedDoc } from "@lampcrate/contract";
import { familyOfBrief } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Checkbox } from "antd";
import { memo, useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Advice } from "../learned/Advice.tsx";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { FocusIn } from "../pieces/FocusIn.tsx";
import { Term } from "../pieces/Term.tsx";
import { trialSaid } from "../pieces/trialSaid.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useSave } from "../pieces/useSave.ts";
import { learnedQuery, materialsQuery, runQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { TrialForm } from "./TrialForm.tsx";

/** Practice builds by the house: logged as familyOfBrief do, and what they teach this run. */
export const HouseTrials = memo(function HouseTrials() {
  const { run } = useBriefWork();
  const learned = useQuery(learnedQuery(run.id));
  const [adding, setAdding] = useState(false);
  if (!learned.data) return null;
  const { trials, advice } = learned.data;
  return (
    <section className="sheet pad stack" aria-label="House trials">
      <div className="row spread">
        <h2>
          <Term of="houseTrial">House trials</Term>
        </h2>
        {adding ? null : <Button onClick={() => setAdding(true)}>Log a house trial</Button>}
      </div>
      {trials.length === 0 && !adding ? (
        <p>
          Build one yourself before anybody else does. Log how long it took, what broke and what you measured: it sets build time, spoil and
          rebuild rates, and moves the prediction.
        </p>
      ) : null}
      {adding ? (
        <FocusIn>
          <TrialForm onDone={() => setAdding(false)} />
        </FocusIn>
      ) : null}
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
  const showing = useShowing(run.id);
  const [measure] = familyOfBrief(brief).measures(brief.spec);
  const seenWords = (id: string): string => familyOfBrief(brief).symptoms.find((symptom) => symptom.id === id)?.words ?? id;
  return (
    <DataTable
      label="House trials so far"
      rowKey="id"
      rows={learned.trials}
      columns={[
        {
          title: "When, who",
          key: "at",
          className: "nowrap",
          sorter: (a, b) => a.at - b.at,
          render: (_, { at, by }) => (
            <>
              {dayOf(at)}
              <br />
              <span className="soft small">{by}</span>
            </>
          ),
        },
        { title: "Minutes", dataIndex: "buildMinutes", className: "number", sorter: (a, b) => a.buildMinutes - b.buildMinutes },
        { title: "Built again", dataIndex: "rebuilds", className: "number" },
        {
          title: "Measured",
          key: "measured",
          render: (_, { versions }) =>
            versions
              .flatMap((v) => v.trials)
              .map((trial) => trialSaid(trial, measure, run.units))
              .join(", "),
        },
        {
          title: "To beat",
          key: "shown",
          render: (_, { id, shown }) => (
            <Checkbox
              checked={shown}
              disabled={showing.pending}
              aria-label="Show it to families as the house's own build"
              onChange={({ target }) => void showing.save({ id, shown: target.checked })}
            >
              show it
            </Checkbox>
          ),
        },
        { title: "What broke, what was seen", key: "broke", render: (_, trial) => brokeWords(trial, lineName, seenWords) },
      ]}
    />
  );
}

/** Shows a house trial on sheet and reveal, or takes it off. */
function useShowing(runId: string) {
  const queries = useQueryClient();
  return useSave({
    send: ({ id, shown }: { readonly id: string; readonly shown: boolean }) =>
      ask(api.runs[":id"]["house-trials"][":trial"].shown.$put({ param: { id: runId, trial: id }, json: { shown } })),
    onSaved: (learned) => queries.setQueryData(learnedQuery(runId).queryKey, learned),
    renew: [{ queryKey: runQuery(runId).queryKey, exact: true }],
  });
}

function brokeWords(
  { broke, versions, note }: LearnedDoc["trials"][number],
  lineName: (id: string) => string,
  seenWords: (id: string) => string,
): string {
  const spoilt = broke.filter((b) => b.spoilt > 0).map((b) => `${b.spoilt} × ${lineName(b.lineId)} spoilt`);
  const seen = versions.flatMap((v) => v.trials.flatMap((t) => t.seen)).map(seenWords);
  return [...spoilt, ...seen, note].filter(Boolean).join("; ") || "nothing";
}
