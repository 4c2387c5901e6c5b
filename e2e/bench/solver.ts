import { createRequire } from "node:module";
import { type Solve, solveBy } from "@lampcrate/core";
import load from "highs";

/** HiGHS in Node: the desk runs the same in a worker. */
export async function solver(): Promise<Solve> {
  return solveBy(await load({ locateFile: () => createRequire(import.meta.url).resolve("highs/runtime") }), 120);
}
