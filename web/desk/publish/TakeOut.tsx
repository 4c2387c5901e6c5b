import type { RunDoc } from "@lampcrate/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { Sure } from "../pieces/Sure.tsx";
import { useUndoNotice } from "../pieces/useUndoNotice.tsx";
import { bookingsQuery, putAwayQuery, runQuery, seasonQuery } from "../queries.ts";

interface TakeOutProps {
  readonly run: RunDoc;
  readonly onTrouble: (trouble: AskError | null) => void;
}

/** Puts a run away with all it holds, brings it back, or deletes one that holds nothing. */
export function TakeOut({ run, onTrouble }: TakeOutProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const notice = useUndoNotice();
  const param = { param: { id: run.id } };
  const renewed = async (): Promise<void> => {
    await Promise.all(
      [seasonQuery, bookingsQuery, putAwayQuery, runQuery(run.id)].map(({ queryKey }) => queries.invalidateQueries({ queryKey })),
    );
  };
  const back = async (): Promise<void> => {
    await ask(api.runs[":id"].back.$post(param));
    await renewed();
  };
  const act = useMutation<unknown, Error, "put away" | "back" | "delete">({
    mutationFn: (what) => {
      if (what === "delete") return ask(api.runs[":id"].$delete(param));
      return what === "back" ? back() : ask(api.runs[":id"]["put-away"].$post(param));
    },
    onMutate: () => onTrouble(null),
    onError: (error) => onTrouble(error instanceof AskError ? error : null),
    onSuccess: async (_, what) => {
      if (what !== "back") await navigate("/");
      if (what === "put away") notice(`${run.title} is put away, with all it holds.`, "Bring it back", back);
      if (what === "delete") queries.removeQueries(runQuery(run.id));
      await renewed();
    },
  });
  const empty = run.status !== "published" && run.entries.waiting + run.entries.accepted + run.entries.setAside === 0;
  // On the way to the season, this page doesn't offer for a moment what the notice there does.
  const leaving = act.isPending && act.variables === "put away";
  return (
    <>
      {run.archived && !leaving ? (
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
