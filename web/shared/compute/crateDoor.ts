import type { CrateInput, Manifest } from "@lampcrate/core";
import { beside } from "./beside.ts";
import type { CrateWorker } from "./crate.worker.ts";
import { LatestDoor } from "./latestDoor.ts";

/** What a sized crate answers with. */
export interface Sized {
  readonly manifest: Manifest;
  readonly tookMs: number;
}

/** The door to the worker that sizes crates. */
export function crateDoor(): LatestDoor<CrateInput, Sized> {
  return new LatestDoor(() => {
    const worker = new Worker(new URL("./crate.worker.ts", import.meta.url), { type: "module" });
    return beside<CrateWorker, CrateInput, Sized>(worker, (remote, input) => remote.manifest(input));
  });
}
