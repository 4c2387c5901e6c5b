import load from "highs";
import { type Solve, solveBy } from "../src/numeric/solver.ts";

/** HiGHS, run here in Node: what the desk runs in a worker. */
export const solve: Solve = solveBy(await load(), 20);
