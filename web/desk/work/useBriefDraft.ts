import type { BriefDoc, RunDoc } from "@lampcrate/contract";
import { type FieldClash, isFollowing, mergeChanges, withSpacesOf, withTheirs } from "@lampcrate/core";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { savedBeforeReload } from "../../shared/reloading.ts";
import { runQuery } from "../queries.ts";

/** How the draft stands with the server. */
export type SaveState =
  | { readonly kind: "saved" | "unsaved" | "saving" }
  | { readonly kind: "refused"; readonly words: string }
  | { readonly kind: "signed out" }
  | Stale;

/** Somebody else saved meanwhile, and some fields are changed by both: each is asked for. */
export interface Stale {
  readonly kind: "stale";
  /** What they did, in words. */
  readonly changed: readonly string[];
  readonly clashes: readonly FieldClash[];
}

/** The brief as it is being worked on, always a step ahead of what is saved. */
export interface BriefDraft {
  readonly brief: BriefDoc;
  readonly state: SaveState;
  /** What somebody else changed meanwhile that stands beside what is typed here; empty once seen. */
  readonly joined: readonly string[];
}

/** What is done to it; the same object for as long as the run is open. */
export interface DraftActions {
  /** Changes the brief at once; a settled change is saved after a short rest. `words` say what was done, for undo. */
  readonly change: (patch: Partial<BriefDoc>, words: string, settled?: boolean) => void;
  /** What was joined has been read. */
  readonly seen: () => void;
  /** Settles what both changed: theirs where chosen, mine elsewhere; then all of it is saved. */
  readonly settle: (theirs: (clash: FieldClash) => boolean) => void;
  /** Tries again, as after signing in again. */
  readonly retry: () => void;
  /** Saves now, when anything is unsaved; true once all of it is with the server. */
  readonly flush: () => Promise<boolean>;
}

const restMs = 500;

/** Holds a run's brief while it is edited; `follow` has what depends on a number of it follow at once. Nothing typed is lost when a save is refused: the draft stays until it is saved or dropped. */
export function useBriefDraft(
  run: RunDoc,
  follow: (brief: BriefDoc) => BriefDoc = (brief) => brief,
): { readonly draft: BriefDraft; readonly actions: DraftActions } {
  const queries = useQueryClient();
  const [draft, setDraft] = useState<BriefDoc | null>(null);
  const [state, setState] = useState<SaveState>({ kind: "saved" });
  const latest = useRef<BriefDoc>(run.brief);
  const base = useRef({ revision: run.briefRevision, brief: run.brief });
  const [joined, setJoined] = useState<readonly string[]>([]);
  const words = useRef<string[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const saving = useRef<Promise<void> | null>(null);
  const dirty = useRef(false);
  // While it is asked what both changed, nothing is saved over theirs.
  const asking = useRef<readonly FieldClash[] | null>(null);

  // What is handed down may have been read before the last save: an older reading never takes its place.
  // Spaces typed at the end of a text stay: the next word may be on its way.
  if (draft === null && run.briefRevision >= base.current.revision && run.brief !== base.current.brief) {
    latest.current = withSpacesOf(run.brief, latest.current);
    base.current = { revision: run.briefRevision, brief: run.brief };
  }

  const save = useCallback(async (): Promise<void> => {
    if (saving.current) await saving.current;
    if (!dirty.current || asking.current !== null) return;
    const sent = latest.current;
    const said = words.current.join(", ").slice(0, 200).trim();
    setState({ kind: "saving" });
    dirty.current = false;
    const work = (async () => {
      try {
        const saved = await ask(
          api.runs[":id"].brief.$put({ param: { id: run.id }, json: { revision: base.current.revision, brief: sent, words: said } }),
        );
        base.current = { revision: saved.briefRevision, brief: saved.brief };
        words.current = [];
        queries.setQueryData(runQuery(run.id).queryKey, saved);
        if (!dirty.current) {
          latest.current = withSpacesOf(saved.brief, latest.current);
          setDraft(null);
          setState({ kind: "saved" });
        }
      } catch (error) {
        dirty.current = true;
        const stale = staleOf(error);
        if (stale === null) return setState(refusalOf(error));
        const joined = mergeChanges(base.current.brief, withSpacesOf(latest.current, base.current.brief), stale.current.brief);
        // What follows a number of the brief is not asked for: it follows the one that is kept.
        const merged = following.current(joined.merged);
        const clashes = joined.clashes.filter(({ place }) => !isFollowing(merged.lines, place));
        latest.current = merged;
        base.current = { revision: stale.current.briefRevision, brief: stale.current.brief };
        setDraft(merged);
        if (clashes.length > 0) {
          asking.current = clashes;
          return setState({ kind: "stale", clashes, changed: stale.changed });
        }
        setJoined((before) => [...before, ...(stale.changed.length > 0 ? stale.changed : ["The brief was changed."])]);
        setState({ kind: "unsaved" });
        timer.current = setTimeout(() => void saveAgain.current(), 0);
      }
    })();
    saving.current = work;
    await work;
    saving.current = null;
  }, [queries, run.id]);

  const following = useRef(follow);
  following.current = follow;
  const saveAgain = useRef(save);
  saveAgain.current = save;

  const change = useCallback(
    (patch: Partial<BriefDoc>, what: string, settled = true): void => {
      latest.current = following.current({ ...latest.current, ...patch });
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
    const end = savedBeforeReload(flush);
    return () => {
      window.removeEventListener("beforeunload", leave);
      end();
    };
  }, [flush]);

  const actions = useMemo(
    () => ({
      change,
      flush,
      retry: () => void save(),
      seen: () => setJoined([]),
      settle: (theirs: (clash: FieldClash) => boolean) => {
        const clashes = asking.current;
        if (clashes === null) return;
        asking.current = null;
        latest.current = following.current(withTheirs(latest.current, clashes, theirs));
        setDraft(latest.current);
        setState({ kind: "unsaved" });
        void save();
      },
    }),
    [change, flush, save],
  );
  const brief = draft ?? latest.current;
  return { draft: useMemo(() => ({ brief, state, joined }), [brief, state, joined]), actions };
}

/** "Clear gap 540 mm" is about the clear gap. */
const subjectOf = (words: string): string => words.replace(/[\d.,]+.*$/, "").trim();

function staleOf(error: unknown): { readonly changed: readonly string[]; readonly current: RunDoc } | null {
  if (!(error instanceof AskError) || error.problem.status !== 409 || !error.problem.current) return null;
  return { changed: error.problem.changed ?? [], current: error.problem.current as RunDoc };
}

function refusalOf(error: unknown): SaveState {
  if (!(error instanceof AskError)) return { kind: "refused", words: "Something broke while saving. Your work is still here." };
  if (error.problem.status === 401) return { kind: "signed out" };
  return { kind: "refused", words: error.message };
}
