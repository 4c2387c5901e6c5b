import type { SeasonDoc, StepMark } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import type { AskError } from "../../shared/client.ts";
import { api, ask } from "../../shared/client.ts";
import { useSave } from "../pieces/useSave.ts";
import { seasonQuery } from "../queries.ts";

/** Says of steps whose they are and that they are done; nothing is lost by it, the same press takes it back. */
export function useMarks(): { readonly mark: (mark: StepMark) => void; readonly trouble: AskError | null } {
  const queries = useQueryClient();
  const { save, trouble } = useSave({
    send: (json: StepMark) => ask(api.season.steps.$put({ json })),
    onSaved: (next: SeasonDoc) => queries.setQueryData(seasonQuery.queryKey, next),
  });
  return { mark: (mark) => void save(mark), trouble };
}
