import type { SeasonCertainty, SeasonCrate } from "@lampcrate/core";
import { proxy, type Remote } from "comlink";
import { beside } from "./beside.ts";
import type { Beside } from "./latestDoor.ts";
import type { Planned, SeasonInput, SeasonWorker, ToBuy } from "./season.worker.ts";

const seasonWorker = (): Worker => new Worker(new URL("./season.worker.ts", import.meta.url), { type: "module" });

/** Sizes every crate of a season beside the interface; given up with the signal. */
export const sizeSeason = (input: SeasonInput, signal: AbortSignal): Promise<readonly SeasonCrate[]> =>
  once(input, signal, (remote, asked) => remote.crates(asked));

/** How sure a season is as a whole. */
export const seasonSureness = (input: SeasonInput, signal: AbortSignal): Promise<SeasonCertainty> =>
  once(input, signal, (remote, asked) => remote.certainty(asked));

async function once<Output>(
  input: SeasonInput,
  signal: AbortSignal,
  call: (remote: Remote<SeasonWorker>, asked: SeasonInput) => Promise<Output>,
): Promise<Output> {
  const sizer = beside<SeasonWorker, SeasonInput, Output>(seasonWorker(), call);
  signal.addEventListener("abort", sizer.end);
  try {
    return await sizer.run(input);
  } finally {
    sizer.end();
  }
}

/** A plan to make, stage by stage; or nothing but getting the solver ready. */
type ToPlan = { readonly toBuy: ToBuy; readonly give: (more: Partial<Planned>) => void } | "warm";

const openPlanner = (): Beside<ToPlan, void> =>
  beside<SeasonWorker, ToPlan, void>(seasonWorker(), (remote, asked) =>
    asked === "warm" ? remote.warm() : remote.plan(asked.toBuy, proxy(asked.give)),
  );

/** The planner that waits for the next plan, warmed up; it is given up when a plan is stopped half-way or fails. */
let ready: Beside<ToPlan, void> | null = null;

/** Gets a planner ready. */
export function warmPlanner(): void {
  if (ready) return;
  const planner = openPlanner();
  ready = planner;
  planner.run("warm").catch(() => {
    planner.end();
    if (ready === planner) ready = null;
  });
}

/** Plans the buying beside the interface, giving what every stage adds as it is known. The function given back ends it. */
export function planBuying(toBuy: ToBuy, give: (more: Partial<Planned>) => void, fail: (why: string) => void): () => void {
  const planner = ready ?? openPlanner();
  ready = null;
  let running = true;
  const end = (): void => {
    running = false;
    planner.end();
  };
  const tell = (more: Partial<Planned>): void => {
    if (running) give(more);
  };
  planner.run({ toBuy, give: tell }).then(
    () => {
      if (!running) return;
      running = false;
      if (ready) planner.end();
      else ready = planner;
    },
    (error: unknown) => {
      if (!running) return;
      end();
      fail(error instanceof Error ? error.message : String(error));
    },
  );
  return () => {
    if (running) end();
  };
}
