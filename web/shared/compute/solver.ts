import { type Solve, solveBy } from "@lampcrate/core";
import load from "highs";
import runtime from "highs/runtime?url";

let loaded: Promise<Solve> | null = null;

/** HiGHS, loaded when it is first needed. */
export function solver(): Promise<Solve> {
  loaded ??= load({ locateFile: () => runtime }).then((highs) => solveBy(highs, 120));
  return loaded;
}
