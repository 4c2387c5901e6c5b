import type { RunSettings } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { runQuery, seasonQuery } from "../queries.ts";
import { useRunWork } from "./RunContext.ts";

/** Changes the run's settings; `trouble` says why a change was not taken. */
export function useRunSettings(): { readonly change: (patch: Partial<RunSettings>) => Promise<void>; readonly trouble: AskError | null } {
  const { run } = useRunWork();
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const change = async (patch: Partial<RunSettings>): Promise<void> => {
    const { id, revision, title, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards } = run;
    try {
      const saved = await ask(
        api.runs[":id"].$put({
          param: { id },
          json: { revision, title, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards, ...patch },
        }),
      );
      queries.setQueryData(runQuery(id).queryKey, saved);
      setTrouble(null);
      await queries.invalidateQueries(seasonQuery);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
      if (error.problem.status === 409) await queries.invalidateQueries({ queryKey: runQuery(id).queryKey });
    }
  };
  return { change, trouble };
}
