import { clockAfter, type RunSheet, runSheet } from "@lampcrate/core";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useBriefWork, useCrateWork } from "../work/RunContext.ts";
import "./weekBoard.css";
import { RunSheetParts } from "./RunSheetParts.tsx";

/** The chosen session's parts, minute by minute on the wall clock, scaled to its length; changed in place, to be printed by itself. */
export function RunSheetCard() {
  const { run, brief } = useBriefWork();
  const { session } = useCrateWork();
  const { day: dayWords } = useHouseDay();
  const may = useMay()("plan");
  const [opened, setChanging] = useState(false);
  if (!session) return null;
  // Where kits are picked up, and on line, it is always the usual one.
  const changing = opened && session.kind === "as the run";
  const sheet = runSheet(run.kind, session.minutes, { sketchFirst: brief.sketchFirst, own: run.sheet, held: session.kind });
  const [day = "", starts = "10:00"] = session.start.split("T");
  return (
    <section className="sheet pad stack run-sheet" aria-label="Run sheet">
      <div className="row spread">
        <h2>
          Run sheet{" "}
          <span className="soft small">
            {session.title ? `${session.title}, ` : ""}
            {dayWords(day)}, {session.minutes} min
          </span>
        </h2>
        <span className="row no-print">
          {may && session.kind === "as the run" ? (
            <Button onClick={() => setChanging(!changing)}>{changing ? "Done" : "Change the parts"}</Button>
          ) : null}
          <Button onClick={printAlone}>Print it</Button>
          <Button href={`/api/runs/${run.id}/run-sheet.pdf?session=${session.id}`}>PDF</Button>
        </span>
      </div>
      {sheet.ok || changing ? null : <TooShort sheet={sheet} />}
      {changing ? <RunSheetParts sheet={sheet} starts={starts} /> : sheet.ok ? <Timed parts={sheet.parts} starts={starts} /> : null}
      {sheet.ok || !changing ? null : <TooShort sheet={sheet} />}
      <p className="soft small">
        {run.sheet === null && session.kind === "as the run"
          ? "Welcome, cautions and tidying keep their minutes"
          : "Parts that keep their minutes do"}
        ; the rest share what is left of each session.
        {run.kind === "drop-in" && session.kind === "as the run" ? " Parties go through it each for itself." : ""}
      </p>
    </section>
  );
}

function Timed({ parts, starts }: { readonly parts: (RunSheet & { ok: true })["parts"]; readonly starts: string }) {
  return (
    <DataTable
      label="Parts of the session"
      rowKey="id"
      rows={parts}
      columns={[
        { title: "From", key: "from", className: "number", render: (_, { from }) => clockAfter(starts, from) },
        { title: "To", key: "to", className: "number", render: (_, { from, minutes }) => clockAfter(starts, from + minutes) },
        {
          title: "Part",
          key: "part",
          rowScope: "row",
          render: (_, { words, say }) => (
            <>
              {words}
              {say === "" ? null : <div className="small plain-part">{say}</div>}
            </>
          ),
        },
        { title: "Minutes", dataIndex: "minutes", className: "number" },
      ]}
    />
  );
}

function TooShort({ sheet }: { readonly sheet: RunSheet & { ok: false } }) {
  return (
    <p role="alert" className="ruler-trouble">
      {sheet.message}
    </p>
  );
}

/** Prints this card and nothing else of the page. */
function printAlone(): void {
  document.body.classList.add("prints-run-sheet");
  window.addEventListener("afterprint", () => document.body.classList.remove("prints-run-sheet"), { once: true });
  window.print();
}
