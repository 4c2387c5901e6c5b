import type { Task } from "./prepare.ts";

/** Seconds that the house's people take: a set-up for every `batch` units, then so much for each. */
export interface TaskTime {
  readonly setup: number;
  readonly batch: number;
  readonly each: number;
}

/** How long cutting, counting and packing take in a house. `stack`: sheets cut alike at once. */
export interface WorkTimes {
  readonly cut: TaskTime & { readonly stack: number };
  readonly count: TaskTime;
  readonly bag: TaskTime;
}

/** Until a house says otherwise: our own guess of a practised pair of hands. */
export const usualTimes: WorkTimes = {
  cut: { setup: 60, batch: 20, each: 8, stack: 4 },
  count: { setup: 20, batch: 60, each: 1.5 },
  bag: { setup: 30, batch: 20, each: 25 },
};

/** A crate's line as those who prepare it see it. */
export interface LineWork {
  readonly id: string;
  /** Sheets to cut and cuts of each; null when nothing is cut. */
  readonly sheets: { readonly count: number; readonly cuts: number } | null;
  /** Pieces to count or portions to measure out. */
  readonly portions: number;
}

/** A task with the line it is for; null: the bags. */
export type CrateTask = Task & { readonly lineId: string | null };

/** All work on a crate: cutting what is cut, counting every line out, packing every bag. */
export function crateTasks(lines: readonly LineWork[], bags: number, times: WorkTimes): readonly CrateTask[] {
  const tasks: CrateTask[] = [];
  for (const { id, sheets, portions } of lines) {
    if (sheets && sheets.count > 0) tasks.push({ task: "cut", lineId: id, cuts: sheets.cuts, sheets: sheets.count, ...times.cut });
    if (portions > 0) tasks.push({ task: "count", lineId: id, units: portions, ...times.count });
  }
  if (bags > 0) tasks.push({ task: "bag", lineId: null, units: bags, ...times.bag });
  return tasks;
}
