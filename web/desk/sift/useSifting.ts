import type { EntryDoc, EntryPage } from "@lampcrate/contract";
import { type QueryClient, useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { useRested } from "../../shared/useRested.ts";
import { useSave } from "../pieces/useSave.ts";
import { entriesQuery, entryQuery, findingsQuery, holdQuery, runQuery, seasonQuery } from "../queries.ts";

type Decision = "accepted" | "set aside";

/** An entry is decided by a key only once it has been there to be looked at for so long, ms. */
const lookMs = 250;

/** Who only passes by an entry doesn't take it, ms. */
const holdAfterMs = 600;

/** A run's entries, the one that is looked at, and what is decided of it. */
export function useSifting(runId: string, sought: string | null = null) {
  const queries = useQueryClient();
  const entries = useInfiniteQuery(entriesQuery(runId));
  const paged = useMemo(() => entries.data?.pages.flatMap((page) => page.entries) ?? [], [entries.data]);
  const isPaged = sought === null || paged.some((entry) => entry.id === sought);
  // Whoever looks for one finds it, however far down the list it stands.
  const found = useQuery({ ...entryQuery(runId, sought ?? ""), enabled: !isPaged && !entries.isPending }).data;
  const list = useMemo(() => (found && !isPaged ? [found, ...paged] : paged), [found, isPaged, paged]);
  const [picked, choose] = useState<string | null>(null);
  const chosen = picked ?? sought;
  // A reason belongs to the entry it was typed for.
  const [reason, setReason] = useState({ of: "", words: "" });
  const at = Math.max(
    0,
    list.findIndex((entry) => entry.id === chosen),
  );
  const current = list[at];
  const shown = useRef({ id: "", at: 0 });
  useEffect(() => {
    // The first is there from the start: nobody came to it by a key that may still be down.
    shown.current = { id: current?.id ?? "", at: shown.current.id === "" ? Number.NEGATIVE_INFINITY : performance.now() };
  }, [current?.id]);

  const { save, pending, trouble } = useSave({
    send: ({ entry, decision, why }: { entry: EntryDoc; decision: Decision; why: string }) =>
      ask(
        api.runs[":id"].entries[":entry"].decision.$post({
          param: { id: runId, entry: entry.id },
          json: { decision, why, revision: entry.revision },
        }),
      ),
    onSaved: (saved) => {
      putSaved(queries, runId, saved);
      setReason({ of: "", words: "" });
      const rest = [...list.slice(at + 1), ...list.slice(0, at)];
      choose((now) => ((now ?? sought ?? saved.id) === saved.id ? (rest.find((entry) => entry.state === "waiting")?.id ?? saved.id) : now));
    },
    renew: [findingsQuery(runId), { queryKey: runQuery(runId).queryKey, exact: true }, seasonQuery],
  });
  // One decision at a time: a second key that comes too soon would decide what nobody has seen.
  const busy = useRef(false);
  const decide = async (decision: Decision): Promise<void> => {
    if (!current || busy.current || shown.current.id !== current.id) return;
    busy.current = true;
    const why = reason.of === current.id ? reason.words : "";
    const taken = await save({ entry: current, decision, why });
    if (!taken) await queries.invalidateQueries(entriesQuery(runId));
    busy.current = false;
  };
  const asking = useSave({
    send: ({ entry, words }: { entry: EntryDoc; words: string }) =>
      ask(
        api.runs[":id"].entries[":entry"].asks.$post({ param: { id: runId, entry: entry.id }, json: { words, revision: entry.revision } }),
      ),
    onSaved: (saved) => {
      putSaved(queries, runId, saved);
      setReason({ of: "", words: "" });
    },
    renew: [{ queryKey: runQuery(runId).queryKey, exact: true }],
  });
  // Whoever has an entry open for a moment has it for themselves: another sifter is told so.
  const { data: held } = useQuery({ ...holdQuery(runId, useRested(current?.id ?? "", holdAfterMs)), enabled: current !== undefined });
  /** Asks the family what was typed, or what stands to be asked of the entry's odd values. */
  const askThem = async (suggested: string): Promise<void> => {
    const words = reason.of === current?.id && reason.words.trim() !== "" ? reason.words : suggested;
    if (!current || busy.current || words === "") return;
    busy.current = true;
    if (!(await asking.save({ entry: current, words }))) await queries.invalidateQueries(entriesQuery(runId));
    busy.current = false;
  };
  const move = (by: number): void => choose(list[Math.min(list.length - 1, Math.max(0, at + by))]?.id ?? null);
  return {
    entries,
    list,
    current,
    choose,
    move,
    reason: current && reason.of === current.id ? reason.words : "",
    setReason: (words: string) => setReason({ of: current?.id ?? "", words }),
    decide,
    /** By key: only what has been looked at. */
    decideSeen: (decision: Decision) => {
      if (performance.now() - shown.current.at >= lookMs) void decide(decision);
    },
    askThem,
    /** Who else has the current entry open; null: nobody. */
    heldBy: held && held.id === current?.id ? held.by : null,
    pending: pending || asking.pending,
    trouble: trouble ?? asking.trouble,
  };
}

/** Puts an entry as it was saved wherever it is known: in the list's pages, and by itself where it was looked for. */
export function putSaved(queries: QueryClient, runId: string, saved: EntryDoc): void {
  queries.setQueryData(entriesQuery(runId).queryKey, (known) => known && { ...known, pages: withSaved(known.pages, saved) });
  queries.setQueryData(entryQuery(runId, saved.id).queryKey, (known) => known && saved);
}

/** The pages with an entry as it was saved, in its old place: what has been decided stays where it was looked at. */
function withSaved(pages: readonly EntryPage[], saved: EntryDoc): EntryPage[] {
  const before = pages.flatMap((page) => page.entries).find((entry) => entry.id === saved.id);
  const fewer = before?.state === "waiting" && saved.state !== "waiting" ? 1 : 0;
  return pages.map((page) => ({
    ...page,
    waiting: page.waiting - fewer,
    entries: page.entries.map((entry) => (entry.id === saved.id ? saved : entry)),
  }));
}
