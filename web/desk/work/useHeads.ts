import type { RunDoc, SessionDoc } from "@lampcrate/contract";
import type { HeadsModel } from "@lampcrate/core";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { sessionInput } from "../pieces/sessionInput.ts";
import { runQuery } from "../queries.ts";
import { saveSettings } from "./settings.ts";

/** Heads as the dials show them, by the session's id, or the run's while it has none. */
type Dialled = Readonly<Record<string, HeadsModel>>;

interface Heads {
  readonly heads: HeadsModel;
  /** Why they could not be saved; the dial keeps its place. */
  readonly headsTrouble: string | null;
  /** Moves the dial; a settled move is saved. The same function for as long as the run is open. */
  readonly changeHeads: (heads: HeadsModel, settled: boolean) => void;
  readonly dialled: Dialled;
}

/** Who comes to the session at hand, or to the run while none is chosen. */
export function useHeads(run: RunDoc, session: SessionDoc | null): Heads {
  const queries = useQueryClient();
  const [headsTrouble, setHeadsTrouble] = useState<string | null>(null);
  const [dialled, setDialled] = useState<Dialled>({});
  const of = session?.id ?? run.id;

  const save = async (next: HeadsModel): Promise<void> => {
    // What is handed down may have been read before the last save.
    const newest = queries.getQueryData(runQuery(run.id).queryKey) ?? run;
    const at = newest.sessions.find(({ id }) => id === session?.id);
    try {
      queries.setQueryData(
        runQuery(run.id).queryKey,
        at ? await saveSession(newest, at, next) : await saveSettings(newest, { heads: next }),
      );
      setDialled(({ [of]: _, ...rest }) => rest);
      setHeadsTrouble(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setHeadsTrouble(error.message);
      // The dial keeps its place; the next settled move tries again with what is saved now.
      await queries.invalidateQueries({ queryKey: runQuery(run.id).queryKey });
    }
  };
  const change = (next: HeadsModel, settled: boolean): void => {
    setDialled((now) => ({ ...now, [of]: next }));
    if (settled) void save(next);
  };
  const latest = useRef(change);
  latest.current = change;
  const changeHeads = useCallback<Heads["changeHeads"]>((next, settled) => latest.current(next, settled), []);
  return { heads: dialled[of] ?? session?.heads ?? run.heads, headsTrouble, changeHeads, dialled };
}

function saveSession(run: RunDoc, session: SessionDoc, heads: HeadsModel): Promise<RunDoc> {
  return ask(
    api.runs[":id"].sessions[":session"].$put({
      param: { id: run.id, session: session.id },
      json: { ...sessionInput(session), revision: session.revision, heads },
    }),
  );
}
