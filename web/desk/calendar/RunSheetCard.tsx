import { phaseWords, runSheet } from "@lampcrate/core";
import { Button } from "../pieces/Button.tsx";
import { clockFrom } from "../pieces/clockFrom.ts";
import { DataTable } from "../pieces/DataTable.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useBriefWork, useCrateWork } from "../work/RunContext.ts";

/** The chosen session's parts, minute by minute on the wall clock, scaled to its length; to be printed by itself. */
export function RunSheetCard() {
  const { run, brief } = useBriefWork();
  const { session } = useCrateWork();
  const { day: dayWords } = useHouseDay();
  if (!session) return null;
  const sheet = runSheet(run.kind, session.minutes, { sketchFirst: brief.sketchFirst });
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
        {sheet.ok ? (
          <Button className="no-print" onClick={printAlone}>
            Print it
          </Button>
        ) : null}
      </div>
      {sheet.ok ? (
        <DataTable
          label="Parts of the session"
          rowKey="phase"
          rows={sheet.phases}
          columns={[
            { title: "From", key: "from", className: "number", render: (_, { from }) => clockFrom(starts, from) },
            { title: "To", key: "to", className: "number", render: (_, { from, minutes }) => clockFrom(starts, from + minutes) },
            { title: "Part", key: "phase", rowScope: "row", render: (_, { phase }) => phaseWords[phase] },
            { title: "Minutes", dataIndex: "minutes", className: "number" },
          ]}
        />
      ) : (
        <p role="alert" className="ruler-trouble">
          {sheet.message}
        </p>
      )}
      <p className="soft small">
        Welcome, cautions and tidying keep their minutes; the rest share what is left. Drop-in parties go through it each for itself.
      </p>
    </section>
  );
}

/** Prints this card and nothing else of the page. */
function printAlone(): void {
  document.body.classList.add("prints-run-sheet");
  window.addEventListener("afterprint", () => document.body.classList.remove("prints-run-sheet"), { once: true });
  window.print();
}
