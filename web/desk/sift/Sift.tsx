import type { EntryDoc } from "@lampcrate/contract";
import { useInfiniteQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { entriesQuery, findingsQuery, runQuery, seasonQuery } from "../queries.ts";
import { useRunWork } from "../run/RunContext.ts";
import { useKeys } from "../shell/keys.ts";
import { EntryView } from "./EntryView.tsx";
import "./sift.css";

/** Look at what families sent, oldest first; accept or set aside by one key. Nothing unsifted is public. */
export function Sift() {
  const { run } = useRunWork();
  const entries = useInfiniteQuery(entriesQuery(run.id));
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<string | null>(null);
  const [why, setWhy] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const list = useMemo(() => entries.data?.pages.flatMap((page) => page.entries) ?? [], [entries.data]);
  const at = Math.max(
    0,
    list.findIndex((entry) => entry.id === chosen),
  );
  const current = list[at];
  const decide = useCallback(
    async (decision: "accepted" | "set aside"): Promise<void> => {
      if (!current) return;
      try {
        await ask(
          api.runs[":id"].entries[":entry"].decision.$post({
            param: { id: run.id, entry: current.id },
            json: { decision, why, revision: current.revision },
          }),
        );
        setTrouble(null);
        setWhy("");
        setChosen(
          list.slice(at + 1).find((entry) => entry.state === "waiting")?.id ??
            list.find((entry) => entry.state === "waiting" && entry.id !== current.id)?.id ??
            current.id,
        );
      } catch (error) {
        if (!(error instanceof AskError)) throw error;
        setTrouble(error.message);
      }
      await Promise.all([
        queries.invalidateQueries(entriesQuery(run.id)),
        queries.invalidateQueries(findingsQuery(run.id)),
        queries.invalidateQueries({ queryKey: runQuery(run.id).queryKey, exact: true }),
        queries.invalidateQueries(seasonQuery),
      ]);
    },
    [at, current, list, queries, run.id, why],
  );
  const keys = useMemo(() => {
    const move = (by: number) => () => setChosen(list[Math.min(list.length - 1, Math.max(0, at + by))]?.id ?? null);
    return [
      { key: "a", words: "accept", act: () => void decide("accepted") },
      { key: "s", words: "set aside", act: () => void decide("set aside") },
      { key: "ArrowDown", words: "next entry", act: move(1) },
      { key: "ArrowUp", words: "entry before", act: move(-1) },
    ];
  }, [at, decide, list]);
  useKeys(keys);
  if (entries.isPending) return <p className="soft">Opening the entries …</p>;
  if (entries.isError)
    return (
      <p role="alert" className="trouble">
        {entries.error.message}
      </p>
    );
  if (list.length === 0)
    return (
      <section className="sheet pad">
        <h2>No entries yet</h2>
        <p>
          {run.status === "published"
            ? `Families send them with the code ${run.code}. They wait here until somebody has looked at them.`
            : "Publish the run, and families can send what they measured."}
        </p>
      </section>
    );
  const { waiting = 0, total = 0 } = entries.data?.pages[0] ?? {};
  return (
    <section className="sheet" aria-label="Entries">
      <div className="row spread pad" style={{ borderBottom: "1px solid var(--rule)" }}>
        <h2>{waiting === 0 ? "Everything is sifted" : `${waiting} waiting`}</h2>
        <span className="soft small">
          <kbd>a</kbd> accept <kbd>s</kbd> set aside <kbd>u</kbd> undo <kbd>↑</kbd> <kbd>↓</kbd> move
        </span>
      </div>
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble}
        </p>
      )}
      <div className="sift">
        <ul className="sift-list" aria-label="All entries">
          {list.map((entry) => (
            <li key={entry.id}>
              <button type="button" aria-current={entry.id === current?.id} onClick={() => setChosen(entry.id)}>
                <strong>{entry.alias}</strong>
                <div className="small soft">
                  {entry.state}
                  {oddCount(entry) > 0 ? <span className="flagged">, {oddCount(entry)} to look at</span> : null}
                </div>
              </button>
            </li>
          ))}
          {entries.hasNextPage ? (
            <li>
              <button type="button" disabled={entries.isFetchingNextPage} onClick={() => void entries.fetchNextPage()}>
                {entries.isFetchingNextPage ? "Fetching …" : `Show more: ${list.length} of ${total} are here`}
              </button>
            </li>
          ) : null}
        </ul>
        {current ? <EntryView entry={current} why={why} onWhy={setWhy} onDecide={(decision) => void decide(decision)} /> : null}
      </div>
    </section>
  );
}

const oddCount = (entry: EntryDoc): number =>
  entry.versions.flatMap((version) => version.trials).filter((trial) => trial.flag !== null).length;
