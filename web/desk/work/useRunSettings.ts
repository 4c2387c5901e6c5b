import type { RunSettings } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import type { AskError } from "../../shared/client.ts";
import { useSave } from "../pieces/useSave.ts";
import { runQuery, seasonQuery } from "../queries.ts";
import { useBriefWork } from "./RunContext.ts";
import { saveSettings } from "./settings.ts";

/** Changes the run's settings; `trouble` says why a change was not taken. */
export function useRunSettings(): {
  readonly change: (patch: Partial<RunSettings>) => Promise<boolean>;
  readonly trouble: AskError | null;
} {
  const { run } = useBriefWork();
  const queries = useQueryClient();
  const { save, trouble } = useSave({
    send: (patch: Partial<RunSettings>) => saveSettings(queries.getQueryData(runQuery(run.id).queryKey) ?? run, patch),
    onSaved: (saved) => queries.setQueryData(runQuery(run.id).queryKey, saved),
    inTurn: `settings of ${run.id}`,
    renew: [seasonQuery, { queryKey: runQuery(run.id).queryKey, exact: true }],
  });
  return { change: save, trouble };
}
