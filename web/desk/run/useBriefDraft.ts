import type { BriefDoc, RunDoc } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { runQuery } from "../queries.ts";

/** How the draft stands with the server. */
export type SaveState =
  | { readonly kind: "saved" | "unsaved" | "saving" }
  | { readonly kind: "refused"; readonly words: string }
  | { readonly kind: "signed out" }
  | { readonly kind: "stale"; readonly changed: readonly string[]; readonly current: RunDoc };

/** The brief as it is being worked on, always a step ahead of what is saved. */
export interface BriefDraft {
  readonly brief: BriefDoc;
  readonly state: SaveState;
  /** Changes the brief at once; a settled change is saved after a short rest. `words` say what was done, for undo. */
  readonly change: (patch: Partial<BriefDoc>, words: string, settled?: boolean) => void;
  /** Saves over what somebody else saved meanwhile. */
  readonly keepMine: () => void;
  /** Drops the draft for what is saved. */
  readonly takeTheirs: () => void;
  /** Tries again, as after signing in again. */
  readonly retry: () => void;
  /** Saves now, when anything is unsaved; true once all of it is with the server. */
  readonly flush: () => Promise<boolean>;
}

const restMs = 500;

/** Holds a run's brief while it is edited. Nothing typed is lost when a save is refused: the draft stays until it is saved or dropped. */
export function useBriefDraft(run: RunDoc): BriefDraft {
  const queries = useQueryClient();
  const [draft, setDraft] = useState<BriefDoc | null>(null);
  const [state, setState] = useState<SaveState>({ kind: "saved" });
  const latest = useRef<BriefDoc>(run.brief);
  const base = useRef(run.briefRevision);
  const words = useRef<string[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const saving = useRef<Promise<void> | null>(null);
  const dirty = useRef(false);

  if (draft === null) {
    latest.current = run.brief;
    base.current = run.briefRevision;
  }

  const save = useCallback(async (): Promise<void> => {
    if (saving.current) await saving.current;
    if (!dirty.current) return;
    const sent = latest.current;
    const said = words.current.join(", ").slice(0, 200).trim();
    setState({ kind: "saving" });
    dirty.current = false;
    const work = (async () => {
      try {
        const saved = await ask(
          api.runs[":id"].brief.$put({ param: { id: run.id }, json: { revision: base.current, brief: sent, words: said } }),
        );
        base.current = saved.briefRevision;
        words.current = [];
        queries.setQueryData(runQuery(run.id).queryKey, saved);
        if (!dirty.current) {
          setDraft(null);
          setState({ kind: "saved" });
        }
      } catch (error) {
        dirty.current = true;
        setState(stateOf(error));
      }
    })();
    saving.current = work;
    await work;
    saving.current = null;
  }, [queries, run.id]);

  const change = useCallback(
    (patch: Partial<BriefDoc>, what: string, settled = true): void => {
      latest.current = { ...latest.current, ...patch };
      dirty.current = true;
      setDraft(latest.current);
      if (!settled) return;
      // A dial that moves on says only where it has come to.
      words.current = [...words.current.filter((said) => subjectOf(said) !== subjectOf(what)), what];
      setState((now) => (now.kind === "stale" ? now : { kind: "unsaved" }));
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void save(), restMs);
    },
    [save],
  );

  const flush = useCallback(async (): Promise<boolean> => {
    clearTimeout(timer.current);
    await save();
    return !dirty.current;
  }, [save]);

  useEffect(() => {
    const leave = (event: BeforeUnloadEvent): void => {
      if (dirty.current) event.preventDefault();
    };
    window.addEventListener("beforeunload", leave);
    return () => {
      window.removeEventListener("beforeunload", leave);
      clearTimeout(timer.current);
      void save();
    };
  }, [save]);

  const brief = draft ?? run.brief;
  return useMemo(
    () => ({
      brief,
      state,
      change,
      flush,
      retry: () => void save(),
      keepMine: () => {
        if (state.kind !== "stale") return;
        base.current = state.current.briefRevision;
        setState({ kind: "unsaved" });
        void save();
      },
      takeTheirs: () => {
        dirty.current = false;
        words.current = [];
        if (state.kind === "stale") queries.setQueryData(runQuery(run.id).queryKey, state.current);
        setDraft(null);
        setState({ kind: "saved" });
      },
    }),
    [brief, state, change, flush, save, queries, run.id],
  );
}

/** "Clear gap 540 mm" is about the clear gap. */
const subjectOf = (words: string): string => words.replace(/[\d.,]+.*$/, "").trim();

function stateOf(error: unknown): SaveState {
  if (!(error instanceof AskError)) return { kind: "refused", words: "Something broke while saving. Your work is still here." };
  if (error.problem.status === 401) return { kind: "signed out" };
  if (error.problem.status === 409 && error.problem.current)
    return { kind: "stale", changed: error.problem.changed ?? [], current: error.problem.current as RunDoc };
  return { kind: "refused", words: error.message };
}
