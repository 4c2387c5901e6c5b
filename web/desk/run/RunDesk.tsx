import { type MaterialDoc, type RunDoc, whoMay } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Navigate, Outlet, useLocation, useNavigate, useParams } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { CrateDock } from "../crate/dock/CrateDock.tsx";
import { Button } from "../pieces/Button.tsx";
import { useKeys } from "../pieces/keys.ts";
import { Lock, useMay } from "../pieces/Lock.tsx";
import { materialsQuery, runQuery, seasonQuery } from "../queries.ts";
import { RunContext } from "../work/RunContext.ts";
import { SizedCrate } from "../work/SizedCrate.tsx";
import { useRunState } from "../work/useRunState.ts";
import { RunStrip, steps } from "./RunStrip.tsx";
import { RunTitle } from "./RunTitle.tsx";
import { SaveTrouble } from "./SaveTrouble.tsx";

/** A run's desk: its strip of steps, the step at hand, and the crate beside it. */
export function RunDesk() {
  const { id = "" } = useParams();
  const run = useQuery(runQuery(id));
  const materials = useQuery(materialsQuery);
  const { pathname } = useLocation();
  if (run.isLoadingError)
    return (
      <main className="page">
        <p role="alert" className="trouble">
          {run.error.message}
        </p>
      </main>
    );
  if (run.isPending || materials.isPending) return <main className="page soft">Opening the run …</main>;
  if (/^\/run\/[^/]+\/?$/.test(pathname)) return <Navigate to="brief" replace />;
  return <OpenRun key={id} run={run.data} materials={materials.data ?? []} />;
}

function OpenRun({ run, materials }: { readonly run: RunDoc; readonly materials: readonly MaterialDoc[] }) {
  const work = useRunState(run, materials);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const flush = work.draft.flush;
  /** Why the last undo was refused; null usually. */
  const [refused, setRefused] = useState<string | null>(null);
  const may = useMay();
  const undo = async (): Promise<void> => {
    if (!(await flush())) return;
    try {
      await ask(api.runs[":id"].undo.$post({ param: { id: run.id } }));
      setRefused(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setRefused(error.message);
    }
    await queries.invalidateQueries({ queryKey: runQuery(run.id).queryKey });
    await queries.invalidateQueries(seasonQuery);
  };
  const keys = [
    ...steps
      .filter((step) => may(step.opens))
      .map((step, i) => ({
        key: String(i + 1),
        words: step.name.toLowerCase(),
        act: () => void navigate(`/run/${run.id}/${step.path}`),
      })),
    { key: "u", words: "undo", act: () => void undo() },
    { key: "z", ctrl: true, words: "undo", act: () => void undo() },
  ];
  useKeys(keys);
  // What stands around a step follows a dragged dial a moment later, so that the dial itself never waits.
  const rested = useDeferredValue(work);
  return (
    <SizedCrate input={work.crateInput}>
      <RunContext.Provider value={rested}>
        <section aria-label="This run" className="row spread" style={{ padding: "10px 20px 0" }}>
          <RunTitle />
          <div className="row">
            <span className="soft small" role="status">
              {saveWords(work.draft.state.kind)}
            </span>
            <Button disabled={run.undo === null} onClick={() => void undo()} title={run.undo ?? "nothing to undo"}>
              Undo{run.undo === null ? "" : `: ${run.undo.length > 34 ? `${run.undo.slice(0, 33)}…` : run.undo}`}
            </Button>
          </div>
        </section>
        <RunStrip />
        <SaveTrouble />
        {refused === null ? null : (
          <p role="alert" className="trouble" style={{ margin: "6px 20px 0" }}>
            {refused}
          </p>
        )}
        <div className="desk">
          <main className="stack">
            <RunContext.Provider value={work}>
              <Step />
            </RunContext.Provider>
          </main>
          <CrateDock />
        </div>
      </RunContext.Provider>
    </SizedCrate>
  );
}

/** The step at hand, for those who may open it; to look at, for those who may not change it. */
function Step() {
  const { pathname } = useLocation();
  const may = useMay();
  const step = steps.find(({ path }) => pathname.endsWith(`/${path}`));
  if (step && !may(step.opens))
    return (
      <section className="sheet pad">
        <h2>{step.name} is not yours to open</h2>
        <p>It is for {whoMay(step.opens)}. Ask a planner of your house if you should have it.</p>
      </section>
    );
  return (
    <Lock to={step?.changes ?? "look"} told>
      <Outlet />
    </Lock>
  );
}

function saveWords(kind: string): string {
  if (kind === "saved") return "saved";
  return kind === "saving" ? "saving …" : kind === "unsaved" ? "not saved yet" : "not saved";
}
