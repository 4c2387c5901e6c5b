import type { ErasingNotice, SeasonDoc } from "@lampcrate/contract";
import { dateWords } from "@lampcrate/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { seasonQuery } from "../queries.ts";

/** What is about to be erased, and why nothing is for now: seen and answered here, by a planner. */
export function ErasingNotices({ season }: { readonly season: SeasonDoc }) {
  const queries = useQueryClient();
  const refresh = { onSettled: () => queries.invalidateQueries(seasonQuery) };
  const see = useMutation({ mutationFn: (id: string) => ask(api.runs[":id"]["erasing-seen"].$post({ param: { id } })), ...refresh });
  const trust = useMutation({ mutationFn: () => ask(api["clock-is-right"].$post()), ...refresh });
  const trouble = see.error ?? trust.error;
  return (
    <>
      {season.clockHeld === null ? null : (
        <div role="alert" className="plain-words notice">
          <span>{season.clockHeld}</span>
          <Button loading={trust.isPending} onClick={() => trust.mutate()}>
            The clock is right
          </Button>
        </div>
      )}
      {season.erasing
        .filter((notice) => !notice.seen)
        .map((notice) => (
          <div key={notice.runId} className="plain-words notice">
            <span>{noticeWords(notice)}</span>
            <Button loading={see.isPending} onClick={() => see.mutate(notice.runId)}>
              I have seen it
            </Button>
          </div>
        ))}
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      )}
    </>
  );
}

function noticeWords({ title, dueOn, entries, afterwards }: ErasingNotice): string {
  const how = afterwards === "erase" ? "erased" : "made anonymous";
  return `${title}: on ${dateWords(dueOn)} its ${entries} ${entries === 1 ? "entry is" : "entries are"} ${how}, as the consent says. Export what you want to keep before.`;
}
