import type { RunDoc } from "@lampcrate/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useNavigate } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { Sure } from "../pieces/Sure.tsx";
import { bookingsQuery, putAwayQuery, runQuery, seasonQuery } from "../queries.ts";

interface TakeOutProps {
  readonly run: RunDoc;
  readonly onTrouble: (trouble: AskError | null) => void;
}

/** Puts a run away with all it holds, brings it back, or deletes one that holds nothing. */
export function TakeOut({ run, onTrouble }: TakeOutProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const param = { param: { id: run.id } };
  const act = useMutation<unknown, Error, "put away" | "back" | "delete">({
    mutationFn: (what) => {
      if (what === "delete") return ask(api.runs[":id"].$delete(param));
      return ask(what === "back" ? api.runs[":id"].back.$post(param) : api.runs[":id"]["put-away"].$post(param));
    },
    onMutate: () => onTrouble(null),
    onError: (error) => onTrouble(error instanceof AskError ? error : null),
    onSuccess: async (_, what) => {
      if (what !== "back") await navigate("/");
      await Promise.all([
        queries.invalidateQueries(seasonQuery),
        queries.invalidateQueries(bookingsQuery),
        queries.invalidateQueries(putAwayQuery),
        what === "delete" ? queries.removeQueries(runQuery(run.id)) : queries.invalidateQueries(runQuery(run.id)),
      ]);
    },
  });
  const empty = run.status !== "published" && run.entries.waiting + run.entries.accepted + run.entries.setAside === 0;
  return (
    <>
      {run.archived ? (
        <Button loading={act.isPending} onClick={() => act.mutate("back")}>
          Bring it back
        </Button>
      ) : (
        <Button loading={act.isPending} onClick={() => act.mutate("put away")}>
          Put it away
        </Button>
      )}
      {empty ? (
        <Sure
          words="Delete"
          question={`Delete ${run.title}?`}
          told="Its brief, crate and sessions go. This can't be undone."
          onSure={() => act.mutate("delete")}
        />
      ) : null}
    </>
  );
}
