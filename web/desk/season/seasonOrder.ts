import type { RunSummary, ToDo } from "@lampcrate/contract";

/** Which runs are looked at. */
export const seasonParts = ["all", "to do", "open", "drafts", "over"] as const;
export type SeasonPart = (typeof seasonParts)[number];

/** A run whose reveal has been. */
export const isOver = (run: RunSummary, today: string): boolean => run.revealOn !== null && run.revealOn < today;

/** True while families may send what they measured. */
export const isOpen = ({ status, opensOn, closesOn }: RunSummary, today: string): boolean =>
  status === "published" && opensOn !== null && closesOn !== null && opensOn <= today && today <= closesOn;

/** Runs of a part of the season whose title has these words: those with something late first, then by what comes next, then those that are over. */
export function seasonOrder(
  runs: readonly RunSummary[],
  toDo: readonly ToDo[],
  today: string,
  { part, find }: { readonly part: SeasonPart; readonly find: string },
): readonly RunSummary[] {
  const due = new Map<string, ToDo[]>();
  for (const item of toDo) due.set(item.runId, [...(due.get(item.runId) ?? []), item]);
  const rank = (run: RunSummary): number => (isOver(run, today) ? 2 : due.get(run.id)?.some((item) => item.late) ? 0 : 1);
  const isIn = (run: RunSummary): boolean => {
    switch (part) {
      case "all":
        return run.status !== "cancelled" || run.sessions.length > 0;
      case "to do":
        return due.has(run.id);
      case "open":
        return isOpen(run, today);
      case "drafts":
        return run.status === "draft";
      case "over":
        return isOver(run, today);
    }
  };
  return runs
    .filter((run) => isIn(run) && run.title.toLowerCase().includes(find.trim().toLowerCase()))
    .sort((a, b) => rank(a) - rank(b) || nextOf(a, today).localeCompare(nextOf(b, today)) || a.title.localeCompare(b.title));
}

/** The next day of a run on which something happens; after all others where nothing has a day. */
function nextOf({ opensOn, closesOn, revealOn, sessions }: RunSummary, today: string): string {
  const days = [opensOn, closesOn, revealOn, ...sessions.filter((s) => !s.cancelled).map((s) => s.date)];
  const next = days.flatMap((day) => (day !== null && day >= today ? [day] : [])).sort();
  return next[0] ?? "9999";
}
