import type { CountInput, LineCount, SessionDoc } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { InputNumber } from "antd";
import { api, ask } from "../../../shared/client.ts";
import { useKeptState } from "../../../shared/useKeptState.ts";
import { Button } from "../../pieces/Button.tsx";
import { Refused } from "../../pieces/Refused.tsx";
import { useHouseDay } from "../../pieces/useHouseDay.ts";
import { useSave } from "../../pieces/useSave.ts";
import { floorDaysQuery, learnedQuery, runQuery } from "../../queries.ts";
import { useBriefWork } from "../../work/RunContext.ts";
import { useSizedCrate } from "../../work/SizedCrate.tsx";
import { CountTable } from "./CountTable.tsx";

/** What came of a session: who built, what was put out, left and spoilt. Kept on the device until it is saved. */
export function CountForm({ session, counted }: { readonly session: SessionDoc; readonly counted: CountInput | null }) {
  const { run, brief } = useBriefWork();
  const crate = useSizedCrate();
  const queries = useQueryClient();
  const lines = brief.lines.filter((line) => line.kind !== "reusable" && line.source === "packed");
  const tapped = useQuery(floorDaysQuery(run.id)).data?.find(({ sessionId }) => sessionId === session.id);
  const start: CountInput = {
    builders: counted?.builders ?? tapped?.heads ?? crate.manifest?.heads.median ?? 0,
    rebuilds: Array.from({ length: brief.loops }, (_, i) => counted?.rebuilds[i] ?? tapped?.rebuilds[i] ?? 0),
    lines: lines.map(
      (line) =>
        counted?.lines.find((l) => l.lineId === line.id) ?? {
          lineId: line.id,
          putOut: crate.manifest?.lines.find((l) => l.id === line.id)?.quantity ?? 0,
          left: 0,
          spoilt: 0,
        },
    ),
  };
  const { day } = useHouseDay();
  const [kept, setTyped] = useKeptState<CountInput | null>(`count-${session.id}`, null);
  const typed = kept ?? start;
  const set = (patch: Partial<CountInput>): void => setTyped({ ...typed, ...patch });
  const setLine = (lineId: string, patch: Partial<LineCount>): void =>
    set({ lines: typed.lines.map((line) => (line.lineId === lineId ? { ...line, ...patch } : line)) });
  const { save, trouble } = useSave({
    send: (json: CountInput) => ask(api.runs[":id"].sessions[":session"].count.$put({ param: { id: run.id, session: session.id }, json })),
    onSaved: (learned) => {
      queries.setQueryData(learnedQuery(run.id).queryKey, learned);
      setTyped(null);
    },
    renew: [{ queryKey: runQuery(run.id).queryKey, exact: true }],
  });
  return (
    <div className="stack" role="group" aria-label={`Count of ${day(session.start.slice(0, 10))}`}>
      <div className="row">
        <Whole label="Builders who came" value={typed.builders} onChange={(builders) => set({ builders })} />
        {typed.rebuilds.map((n, i) => (
          <Whole
            key={again[i] ?? i}
            label={`Built ${again[i] ?? `${i + 2} times`}`}
            value={n}
            onChange={(next) => set({ rebuilds: typed.rebuilds.map((old, at) => (at === i ? next : old)) })}
          />
        ))}
      </div>
      <CountTable lines={lines} counts={typed.lines} onChange={setLine} />
      <Refused trouble={trouble} />
      <div className="row">
        <Button onClick={() => void save(typed)}>{counted ? "Correct the count" : "Keep the count"}</Button>
        {counted && kept === null ? <span className="soft small">counted</span> : null}
        {tapped && !counted ? <span className="soft small">builders and rebuilds as they were tapped on the floor</span> : null}
      </div>
    </div>
  );
}

const again = ["a second version", "a third", "a fourth", "a fifth"] as const;

function Whole({ label, value, onChange }: { readonly label: string; readonly value: number; readonly onChange: (value: number) => void }) {
  return (
    <label className="row near">
      {label}
      <InputNumber min={0} precision={0} className="box-s" value={value} onChange={(next) => next !== null && onChange(next)} />
    </label>
  );
}
