import type { BuilderPage, EntryPage, LetterKind, OutboxPage, TrailNote } from "@lampcrate/contract";
import { infiniteQueryOptions, queryOptions } from "@tanstack/react-query";
import { api, ask } from "../shared/client.ts";

/** Who is signed in, and whether the house has been set up. */
export const meQuery = queryOptions({ queryKey: ["me"], queryFn: () => ask(api.me.$get()) });
export const setupQuery = queryOptions({ queryKey: ["setup"], queryFn: () => ask(api.setup.$get()) });

export const seasonQuery = queryOptions({ queryKey: ["season"], queryFn: () => ask(api.season.$get()) });
export const houseQuery = queryOptions({ queryKey: ["house"], queryFn: () => ask(api.house.$get()) });
export const staffQuery = queryOptions({ queryKey: ["staff"], queryFn: () => ask(api.staff.$get()) });
export const healthQuery = queryOptions({ queryKey: ["health"], queryFn: () => ask(api.health.$get()), refetchInterval: 30_000 });
export const putAwayQuery = queryOptions({ queryKey: ["put away"], queryFn: () => ask(api.runs["put-away"].$get()) });
/** The trail, newest first; a page ends with the line that the next one goes on from. */
export const auditQuery = infiniteQueryOptions({
  queryKey: ["audit"],
  queryFn: ({ pageParam }) => ask(api.audit.$get({ query: { before: pageParam } })),
  initialPageParam: "",
  getNextPageParam: (page: readonly TrailNote[]) => {
    const last = page.at(-1);
    return page.length < 100 || !last ? null : `${last.at}-${last.id}`;
  },
});
export const materialsQuery = queryOptions({ queryKey: ["materials"], queryFn: () => ask(api.materials.$get()) });
export const uncountedQuery = queryOptions({ queryKey: ["uncounted"], queryFn: () => ask(api.stock.uncounted.$get()) });
export const suppliersQuery = queryOptions({ queryKey: ["suppliers"], queryFn: () => ask(api.suppliers.$get()) });
export const buyingQuery = queryOptions({ queryKey: ["buying"], queryFn: () => ask(api.buying.$get()), staleTime: 0 });
export const movesQuery = (id: string) =>
  queryOptions({ queryKey: ["moves", id], queryFn: () => ask(api.materials[":id"].moves.$get({ param: { id } })) });
export const feedsQuery = queryOptions({ queryKey: ["feeds"], queryFn: () => ask(api.feeds.$get()) });
/** What the floor of a session goes by. */
export const floorQuery = (id: string) =>
  queryOptions({ queryKey: ["floor", id], queryFn: () => ask(api.sessions[":id"].floor.$get({ param: { id } })), staleTime: 60_000 });
/** Days of a run that were counted on their floor. */
export const floorDaysQuery = (id: string) =>
  queryOptions({
    queryKey: ["run", id, "floor days"],
    queryFn: () => ask(api.runs[":id"]["floor-days"].$get({ param: { id } })),
    staleTime: 0,
  });
/** Every session of the house. */
export const calendarQuery = queryOptions({ queryKey: ["calendar"], queryFn: () => ask(api.calendar.$get()), staleTime: 0 });
export const bookingsQuery = queryOptions({ queryKey: ["bookings"], queryFn: () => ask(api.bookings.$get()) });

export const runQuery = (id: string) =>
  queryOptions({ queryKey: ["run", id], queryFn: () => ask(api.runs[":id"].$get({ param: { id } })) });
/** A run's entries, page by page; those that wait come first. */
export const entriesQuery = (id: string) =>
  infiniteQueryOptions({
    queryKey: ["run", id, "entries"],
    queryFn: ({ pageParam }) => ask(api.runs[":id"].entries.$get({ param: { id }, query: { from: String(pageParam) } })),
    initialPageParam: 0,
    getNextPageParam: (page: EntryPage) => page.next,
  });
/** What a run's families were written, page by page, the newest first. */
export const outboxQuery = (id: string, kind: LetterKind | "all") =>
  infiniteQueryOptions({
    queryKey: ["run", id, "outbox", kind],
    queryFn: ({ pageParam }) => ask(api.runs[":id"].outbox.$get({ param: { id }, query: { from: String(pageParam), kind } })),
    initialPageParam: 0,
    getNextPageParam: (page: OutboxPage) => page.next,
    staleTime: 0,
  });
/** Takes an entry that is open for whoever looks at it, and again while they do; tells who has it already. */
export const holdQuery = (id: string, entry: string) =>
  queryOptions({
    queryKey: ["hold", id, entry],
    queryFn: async () =>
      entry === ""
        ? { id: "", by: null }
        : { id: entry, ...(await ask(api.runs[":id"].entries[":entry"].hold.$post({ param: { id, entry } }))) },
    refetchInterval: 60_000,
    staleTime: 0,
    gcTime: 0,
  });
/** Entries of all runs whose made-up name has these letters. */
export const foundEntriesQuery = (alias: string) =>
  queryOptions({ queryKey: ["found entries", alias], queryFn: () => ask(api.entries.$get({ query: { alias } })), staleTime: 10_000 });
/** One entry of a run, wherever in the list it stands. */
export const entryQuery = (id: string, entry: string) =>
  queryOptions({
    queryKey: ["run", id, "entry", entry],
    queryFn: () => ask(api.runs[":id"].entries[":entry"].$get({ param: { id, entry } })),
  });
/** What one entry is judged beside. */
export const evidenceQuery = (id: string, entry: string, revision: number) =>
  queryOptions({
    queryKey: ["run", id, "evidence", entry, revision],
    queryFn: () => ask(api.runs[":id"].entries[":entry"].evidence.$get({ param: { id, entry } })),
    staleTime: 60_000,
  });
/** The table of builders beyond its first page, which comes with the findings. */
export const buildersQuery = (id: string, first: BuilderPage) =>
  infiniteQueryOptions({
    queryKey: ["run", id, "findings", "builders"],
    queryFn: ({ pageParam }) => ask(api.runs[":id"].findings.builders.$get({ param: { id }, query: { from: String(pageParam) } })),
    initialPageParam: first.next ?? 0,
    getNextPageParam: (page: BuilderPage) => page.next,
  });
export const findingsQuery = (id: string) =>
  queryOptions({ queryKey: ["run", id, "findings"], queryFn: () => ask(api.runs[":id"].findings.$get({ param: { id } })) });
/** How a run's prize stands. */
export const prizeQuery = (id: string) =>
  queryOptions({ queryKey: ["run", id, "prize"], queryFn: () => ask(api.runs[":id"].prize.$get({ param: { id } })), staleTime: 0 });
export const learnedQuery = (id: string) =>
  queryOptions({ queryKey: ["run", id, "learned"], queryFn: () => ask(api.runs[":id"].learned.$get({ param: { id } })) });
export const startersQuery = queryOptions({
  queryKey: ["starters"],
  queryFn: () => ask(api.starters.$get()),
  staleTime: Number.POSITIVE_INFINITY,
});
