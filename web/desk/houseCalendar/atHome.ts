import type { CalendarRun } from "@lampcrate/contract";

/** What a day is for those who build at home. */
export interface HomeDay {
  readonly opens: readonly string[];
  readonly closes: readonly string[];
  /** Titles of all that can be sent to on that day. */
  readonly open: readonly string[];
}

/** Runs whose entries open, close, or are open on a day; both ends of a window are in it. */
export function homeDay(runs: readonly Pick<CalendarRun, "title" | "opensOn" | "closesOn">[], date: string): HomeDay {
  const titles = (of: (run: Pick<CalendarRun, "opensOn" | "closesOn">) => boolean): readonly string[] =>
    runs.filter(of).map(({ title }) => title);
  return {
    opens: titles(({ opensOn }) => opensOn === date),
    closes: titles(({ closesOn }) => closesOn === date),
    open: titles(({ opensOn, closesOn }) => opensOn !== null && closesOn !== null && opensOn <= date && date <= closesOn),
  };
}

/** "opens at home: Seed-Wing Spinner; closes: Marsh Glider"; of a day on which nothing does, how many are open. */
export function homeWords({ opens, closes, open }: HomeDay): string {
  const turns = [
    opens.length > 0 ? `opens at home: ${opens.join(", ")}` : "",
    closes.length > 0 ? `closes: ${closes.join(", ")}` : "",
  ].filter((words) => words !== "");
  if (turns.length > 0) return turns.join("; ");
  return open.length === 0 ? "" : `${open.length} open at home`;
}
