/** Work before a session. Seconds; `units` are pieces or bags, for a cut its passes. */
export type Task =
  | {
      readonly task: "cut";
      readonly cuts: number;
      readonly sheets: number;
      readonly stack: number;
      readonly setup: number;
      readonly batch: number;
      readonly each: number;
    }
  | { readonly task: "count" | "bag"; readonly units: number; readonly setup: number; readonly batch: number; readonly each: number };

/** People and hours there are on a day; 0 hours when the house is closed. */
export interface WorkDay {
  readonly day: number;
  readonly people: number;
  readonly hours: number;
}

/** How long it takes, and the latest day to start on: null when even today is too late, by so many person-hours. */
export interface Preparation {
  readonly seconds: number;
  readonly personHours: number;
  readonly latestStart: number | null;
  readonly shortHours: number;
}

/** Seconds a task takes: setup × ⌈units/batch⌉ + each × units. */
export function secondsOf(task: Task): number {
  const units = unitsOf(task);
  return task.setup * Math.ceil(units / task.batch - 1e-9) + task.each * units;
}

/** Passes of a cut: sheets cut alike in stacks; otherwise the pieces or bags. */
function unitsOf(task: Task): number {
  return task.task === "cut" ? task.cuts * Math.ceil(task.sheets / task.stack - 1e-9) : task.units;
}

/** Σ setup × ⌈units/batch⌉ + each × units; shared freely over the days' person-hours, counted back from the last one. */
export function preparation(tasks: readonly Task[], days: readonly WorkDay[]): Preparation {
  const seconds = tasks.reduce((sum, task) => sum + secondsOf(task), 0);
  const personHours = seconds / 3600;
  const inOrder = [...days].sort((a, b) => b.day - a.day);
  let have = 0;
  for (const { day, people, hours } of inOrder) {
    have += people * hours;
    if (have >= personHours - 1e-9 && (people * hours > 0 || personHours === 0))
      return { seconds, personHours, latestStart: day, shortHours: 0 };
  }
  return { seconds, personHours, latestStart: null, shortHours: Math.max(0, personHours - have) };
}

/** What must be bought: need less what is on hand or comes in time and isn't promised elsewhere; never below 0. */
export function toBuy(need: number, onHand: number, onOrder: number, promised: number): number {
  return Math.max(0, need - (onHand + onOrder - promised));
}

/** Day on which collecting must begin, from today = 0: ⌈7 · to buy ÷ a week's rate⌉ days before it is needed; below 0 it should have begun. */
export function collectStart(needBy: number, missing: number, ratePerWeek: number): number {
  return needBy - Math.ceil((7 * missing) / ratePerWeek - 1e-9);
}
