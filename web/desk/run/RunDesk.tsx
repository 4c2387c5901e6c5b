import { type MaterialDoc, type RunDoc, whoMay } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Navigate, Outlet, useLocation, useNavigate, useParams } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { useKeys } from "../pieces/keys.ts";
import { Lock, useMay } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { materialsQuery, runQuery, seasonQuery } from "../queries.ts";
import { Rested, RunWorkProvider } from "../work/RunWorkProvider.tsx";
import { SizedCrate } from "../work/SizedCrate.tsx";
import { useRunState } from "../work/useRunState.ts";
import { RunStrip } from "./RunStrip.tsx";
import { RunTitle } from "./RunTitle.tsx";
import { SaveTrouble } from "./SaveTrouble.tsx";
import { steps } from "./steps.ts";

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
  if (run.isPending || materials.isPending) return <Opening what="the run" />;
  if (/^\/run\/[^/]+\/?$/.test(pathname)) return <Navigate to="brief" replace />;
  return <OpenRun key={id} run={run.data} materials={materials.data ?? []} />;
}

function OpenRun({ run, materials }: { readonly run: RunDoc; readonly materials: readonly MaterialDoc[] }) {
  const work = useRunState(run, materials);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { flush } = work.actions;
  /** Why the last undo was refused; null usually. */
  const [refused, setRefused] = useState<string | null>(null);
  const may = useMay();
  const step = async (ask: () => Promise<unknown>): Promise<void> => {
    if (!(await flush())) return;
    try {
      await ask();
      setRefused(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setRefused(error.message);
    }
    await queries.invalidateQueries({ queryKey: runQuery(run.id).queryKey });
    await queries.invalidateQueries(seasonQuery);
  };
  const param = { param: { id: run.id } };
  const undo = (): void => void step(() => ask(api.runs[":id"].undo.$post(param)));
  const redo = (): void => void step(() => ask(api.runs[":id"].redo.$post(param)));
  const keys = [
    ...steps
      .filter((step) => may(step.opens))
      .map((step, i) => ({
        key: String(i + 1),
        words: step.name.toLowerCase(),
        act: () => void navigate(`/run/${run.id}/${step.path}`),
      })),
    { key: "u", words: "undo", act: undo },
    { key: "z", ctrl: true, words: "undo", act: undo },
    { key: "y", ctrl: true, words: "do it again", act: redo },
  ];
  useKeys(keys);
  return (
    <SizedCrate input={work.crate.crateInput}>
      <RunWorkProvider work={work}>
        <Rested>
          <section aria-label="This run" className="row spread run-head">
            <RunTitle />
            <div className="row">
              <span className="soft small" role="status">
                {saveWords(work.brief.state.kind)}
              </span>
              <Button disabled={run.undo === null} onClick={undo} title={run.undo ?? "nothing to undo"}>
                Undo{run.undo === null ? "" : `: ${run.undo.length > 34 ? `${run.undo.slice(0, 33)}…` : run.undo}`}
              </Button>
              {run.redo === null ? null : (
                <Button type="text" onClick={redo} title={run.redo}>
                  Do it again
                </Button>
              )}
            </div>
          </section>
          <RunStrip />
          <SaveTrouble />
          {refused === null ? null : (
            <p role="alert" className="trouble run-trouble">
              {refused}
            </p>
          )}
        </Rested>
        <Step />
      </RunWorkProvider>
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
      <main className="page sheet pad">
        <h2>{step.name} is not yours to open</h2>
        <p>It is for {whoMay(step.opens)}. Ask a planner of your house if you should have it.</p>
      </main>
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
