import type { BuyProblem } from "@lampcrate/core";
import { proxy, wrap } from "comlink";
import type { Crates, Planned, SeasonInput, SeasonWorker } from "./season.worker.ts";

function open() {
  const worker = new Worker(new URL("./season.worker.ts", import.meta.url), { type: "module" });
  return { remote: wrap<SeasonWorker>(worker), end: () => worker.terminate() };
}

/** Sizes every crate of a season beside the interface; given up with the signal. */
export async function sizeSeason(input: SeasonInput, signal: AbortSignal): Promise<Crates> {
  const { remote, end } = open();
  signal.addEventListener("abort", end);
  try {
    return await remote.crates(input);
  } finally {
    end();
  }
}

/** The planner that waits for the next plan, warmed up; it is given up when a plan is stopped half-way. */
let ready: ReturnType<typeof open> | null = null;

/** Gets a planner ready. */
export function warmPlanner(): void {
  if (ready) return;
  ready = open();
  void ready.remote.warm();
}

/** Plans the buying beside the interface, giving every stage as it is known. The function given back ends it. */
export function planBuying(problem: BuyProblem, give: (planned: Planned) => void, fail: (why: string) => void): () => void {
  const planner = ready ?? open();
  ready = null;
  let running = true;
  planner.remote
    .plan(
      problem,
      proxy((planned: Planned) => {
        if (running) give(planned);
      }),
    )
    .catch((error: unknown) => fail(error instanceof Error ? error.message : String(error)))
    .finally(() => {
      if (!running) return;
      running = false;
      if (ready) planner.end();
      else ready = planner;
    });
  return () => {
    if (!running) return;
    running = false;
    planner.end();
  };
}
