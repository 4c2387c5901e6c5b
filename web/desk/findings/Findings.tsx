import { codeInAddress } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { CrateDock } from "../crate/dock/CrateDock.tsx";
import { Button } from "../pieces/Button.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { findingsQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { StepDesk } from "../work/StepDesk.tsx";
import { BuilderTable } from "./BuilderTable.tsx";
import { FairTestCard } from "./FairTestCard.tsx";
import { FirstLast } from "./FirstLast.tsx";
import { LadderPanel } from "./LadderPanel.tsx";
import { OutcomePanel } from "./OutcomePanel.tsx";
import { Prize } from "./Prize.tsx";
import { Together } from "./Together.tsx";

/** What the data shows: the answer in words, then the pictures, then the table. */
export function Findings() {
  const { run } = useBriefWork();
  const found = useQuery(findingsQuery(run.id)).data;
  // How often something is passed isn't predicted: there is nothing to hold it against.
  const held = found && found.entries > 0 && !found.measure.passes ? found : null;
  const panel = held ? <OutcomePanel findings={held} units={run.units} /> : <CrateDock />;
  return (
    <StepDesk beside={held ? "Predicted and come true" : "Crate"} panel={panel}>
      <Found />
    </StepDesk>
  );
}

function Found() {
  const { run } = useBriefWork();
  const found = useQuery(findingsQuery(run.id));
  const { today } = useHouseDay();
  if (found.isPending) return <Opening part what="the findings" />;
  if (found.isLoadingError)
    return (
      <p role="alert" className="trouble">
        {found.error.message}
      </p>
    );
  const findings = found.data;
  const best = findings.clearest;
  const code = codeInAddress(run.code ?? "");
  if (findings.entries === 0) {
    return (
      <section className="sheet pad stack">
        <h2>Nothing to show yet</h2>
        <p>
          Findings are drawn from accepted entries. {findings.waiting > 0 ? `${findings.waiting} wait in Sift.` : "None has come in yet."}
        </p>
      </section>
    );
  }
  return (
    <>
      <section className="sheet pad stack" aria-label="In plain words">
        <div className="row spread">
          <h2>What the data shows</h2>
          <div className="row">
            <Button href={`/api/runs/${run.id}/trials.csv`} download="trials.csv">
              Export trials as CSV
            </Button>
            {run.status === "published" && run.revealOn && run.revealOn <= today ? (
              <Button href={`/h/${code}/reveal`} target="_blank" rel="noreferrer">
                Open the reveal
              </Button>
            ) : null}
          </div>
        </div>
        <div className="plain-words">
          {findings.plain.map((words, i) => (
            <p key={words}>{i === 0 ? <strong>{words}</strong> : words}</p>
          ))}
          {findings.otherGoals > 0 ? (
            <p className="small">
              {findings.otherGoals} built from an earlier sheet with another goal. Each is judged by its own; the pictures show today's.
            </p>
          ) : null}
          {findings.waiting > 0 ? <p className="small">{findings.waiting} more wait in Sift and are not counted.</p> : null}
        </div>
      </section>
      <FirstLast findings={findings} units={run.units} />
      <LadderPanel findings={findings} units={run.units} />
      {findings.measure.passes || findings.measure.rungs ? null : <Together together={findings.together} />}
      <SaidList name="Guesses" title="Guesses, and what came out" said={findings.guesses} />
      <SaidList name="What was seen" title="What was seen, and what helped" said={findings.symptoms} />
      {best ? <FairTestCard found={best} units={run.units} /> : null}
      <Prize runId={run.id} />
      <BuilderTable runId={run.id} findings={findings} units={run.units} />
    </>
  );
}

/** Sentences under a title; nothing where there are none. */
function SaidList({ name, title, said }: { readonly name: string; readonly title: string; readonly said: readonly string[] }) {
  if (said.length === 0) return null;
  return (
    <section className="sheet pad stack near" aria-label={name}>
      <h2>{title}</h2>
      <ul className="plain-list">
        {said.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </section>
  );
}
