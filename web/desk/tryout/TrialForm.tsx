import { type Broke, blankTrial, type HouseTrialInput, type VersionInput } from "@lampcrate/contract";
import { familyOfBrief } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Input, InputNumber } from "antd";
import { useId } from "react";
import { api, ask } from "../../shared/client.ts";
import { VersionCard } from "../../shared/logbook/VersionCard.tsx";
import { blankVersion, filledVersions } from "../../shared/logbook/versions.ts";
import "../../shared/logbook/logbook.css";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { learnedQuery, materialsQuery, runQuery } from "../queries.ts";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";

interface Typed {
  readonly buildMinutes: number | null;
  readonly rebuilds: number;
  readonly broke: readonly Broke[];
  readonly note: string;
  readonly version: VersionInput;
}

/** Logs one practice build. What is typed stays until it is kept or thrown away. */
export function TrialForm({ onDone }: { readonly onDone: () => void }) {
  const { run, brief } = useBriefWork();
  const { flush } = useRunActions();
  const family = familyOfBrief(brief);
  const queries = useQueryClient();
  const materials = useQuery(materialsQuery).data ?? [];
  const note = useId();
  const blank: Typed = {
    buildMinutes: null,
    rebuilds: 0,
    broke: [],
    note: "",
    version: blankVersion(family, brief, Math.max(2, brief.trials), "build"),
  };
  const [kept, setTyped] = useKeptState<Typed>(`house-trial-${run.id}`, blank);
  const typed = completedTyped(kept);
  const set = (patch: Partial<Typed>): void => setTyped({ ...typed, ...patch });
  const versions = filledVersions([typed.version]);
  const missing =
    typed.buildMinutes === null ? "Type the minutes it took." : versions.length === 0 ? "Type one result, or say what happened." : null;
  const { save, trouble } = useSave({
    send: (json: HouseTrialInput) => ask(api.runs[":id"]["house-trials"].$post({ param: { id: run.id }, json })),
    onSaved: (learned) => {
      queries.setQueryData(learnedQuery(run.id).queryKey, learned);
      setTyped(null);
      onDone();
    },
    renew: [{ queryKey: runQuery(run.id).queryKey, exact: true }],
  });
  const keep = async (): Promise<void> => {
    const { buildMinutes, rebuilds, broke, note: said } = typed;
    // A trial is of the brief as it stands: that is saved first.
    if (buildMinutes === null || !(await flush())) return;
    await save({ buildMinutes, rebuilds, broke: broke.filter((b) => b.spoilt + b.good > 0), note: said, versions });
  };
  return (
    <div className="stack trial-form" role="group" aria-label="New house trial">
      <div className="row">
        <Count label="Minutes to build" value={typed.buildMinutes} most={600} onChange={(buildMinutes) => set({ buildMinutes })} />
        <Count label="Built again, times" value={typed.rebuilds} most={20} onChange={(rebuilds) => set({ rebuilds: rebuilds ?? 0 })} />
      </div>
      <BrokeRows
        lines={brief.lines
          .filter((line) => line.kind === "counted" && line.source !== "house")
          .map((line) => ({ id: line.id, name: materials.find((m) => m.id === line.materialId)?.name ?? "line" }))}
        broke={typed.broke}
        onChange={(broke) => set({ broke })}
      />
      <VersionCard
        title="What you measured"
        first
        tried={{ family, spec: brief.spec, design: brief.design, units: run.units, outcomes: brief.outcomes }}
        version={typed.version}
        removable={false}
        onChange={(version) => set({ version })}
        onRemove={() => undefined}
      />
      <div>
        <label className="field-label" htmlFor={note}>
          A note for the others
        </label>
        <Input id={note} maxLength={600} value={typed.note} onChange={(event) => set({ note: event.target.value })} />
      </div>
      <Refused trouble={trouble} />
      <div className="row">
        <Button disabled={missing !== null} onClick={() => void keep()}>
          Keep this trial
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          Not now
        </Button>
        {missing ? <span className="soft small">{missing}</span> : null}
      </div>
    </div>
  );
}

/** What was typed and kept before trials had all of today's parts, with the blank for what it lacks. */
const completedTyped = (kept: Typed): Typed => ({
  ...kept,
  version: {
    ...kept.version,
    guessed: kept.version.guessed ?? null,
    trials: kept.version.trials.map((trial) => ({ ...blankTrial(trial.instrument), ...trial })),
  },
});

/** Pieces of each line that went in, and that were spoilt on the way. */
function BrokeRows({
  lines,
  broke,
  onChange,
}: {
  readonly lines: readonly { readonly id: string; readonly name: string }[];
  readonly broke: readonly Broke[];
  readonly onChange: (broke: readonly Broke[]) => void;
}) {
  if (lines.length === 0) return null;
  const of = (id: string): Broke => broke.find((b) => b.lineId === id) ?? { lineId: id, spoilt: 0, good: 0 };
  const set = (id: string, patch: Partial<Broke>): void => onChange([...broke.filter((b) => b.lineId !== id), { ...of(id), ...patch }]);
  const box = (id: string, label: string, what: "good" | "spoilt") => (
    <InputNumber
      size="small"
      aria-label={label}
      min={0}
      max={1000}
      precision={0}
      value={of(id)[what]}
      onChange={(value) => set(id, { [what]: value ?? 0 })}
    />
  );
  return (
    <DataTable
      label="Pieces that went in, and what broke"
      rowKey="id"
      rows={lines}
      columns={[
        { title: "Pieces", dataIndex: "name" },
        { title: "Went in", key: "good", render: (_, { id, name }) => box(id, `${name}, went in`, "good") },
        { title: "Spoilt or broke", key: "spoilt", render: (_, { id, name }) => box(id, `${name}, spoilt`, "spoilt") },
      ]}
    />
  );
}

function Count({
  label,
  value,
  most,
  onChange,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly most: number;
  readonly onChange: (value: number | null) => void;
}) {
  const id = useId();
  return (
    <span className="row near">
      <label htmlFor={id}>{label}</label>
      <InputNumber id={id} min={0} max={most} className="box-s" value={value} onChange={(v) => onChange(v)} />
    </span>
  );
}
