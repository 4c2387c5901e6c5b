import { type CrateInput, type Manifest, manifestOf } from "@lampcrate/core";
import { expose } from "comlink";

/** What runs beside the interface: sizing a crate, with how long it took, ms. */
const crate = {
  manifest(input: CrateInput): { readonly manifest: Manifest; readonly tookMs: number } {
    const from = performance.now();
    const manifest = manifestOf(input);
    return { manifest, tookMs: performance.now() - from };
  },
};

export type CrateWorker = typeof crate;

expose(crate);
