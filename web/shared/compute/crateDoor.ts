import type { CrateInput, Manifest } from "@lampcrate/core";
import { type Remote, wrap } from "comlink";
import type { CrateWorker } from "./crate.worker.ts";

/** What a sized crate answers with. */
export interface Sized {
  readonly manifest: Manifest;
  readonly tookMs: number;
}

/** A run that takes longer than this is given up when a newer input comes, worker and all. */
const patienceMs = 300;

/**
 * The one door to the crate's worker. The newest input wins: while one is being sized, only the latest of those
 * that come is kept, and an older run's result is never given.
 */
export class CrateDoor {
  private worker: Worker | null = null;
  private remote: Remote<CrateWorker> | null = null;
  private busySince: number | null = null;
  private waiting: { input: CrateInput; give: (sized: Sized) => void } | null = null;
  private turn = 0;

  /** Sizes the crate and gives the result, unless a newer input has come by then. */
  size(input: CrateInput, give: (sized: Sized) => void): void {
    if (this.busySince !== null && performance.now() - this.busySince < patienceMs) {
      this.waiting = { input, give };
      return;
    }
    if (this.busySince !== null) this.close();
    this.start(input, give);
  }

  /** Ends the worker and forgets what it was doing. */
  close(): void {
    this.turn += 1;
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    this.busySince = null;
    this.waiting = null;
  }

  private start(input: CrateInput, give: (sized: Sized) => void): void {
    this.turn += 1;
    const turn = this.turn;
    this.busySince = performance.now();
    void this.open()
      .manifest(input)
      .then((sized) => {
        if (turn !== this.turn) return;
        this.busySince = null;
        const next = this.waiting;
        this.waiting = null;
        if (next) this.start(next.input, next.give);
        else give(sized);
      });
  }

  private open(): Remote<CrateWorker> {
    if (this.remote) return this.remote;
    this.worker = new Worker(new URL("./crate.worker.ts", import.meta.url), { type: "module" });
    this.remote = wrap<CrateWorker>(this.worker);
    return this.remote;
  }
}
