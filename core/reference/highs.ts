import load from "highs";
import type { Solve } from "../src/numeric/solver.ts";

const highs = await load();

/** HiGHS, run here in Node: what the desk runs in a worker. */
export const solve: Solve = (program, { gap = 0, seconds = 20 } = {}) => {
  const { Status, ObjectiveValue, Columns, Rows } = highs.solve(program, { mip_rel_gap: gap, time_limit: seconds });
  const values = Object.fromEntries(Object.entries(Columns).map(([name, column]) => [name, "Primal" in column ? column.Primal : 0]));
  const prices = Object.fromEntries(Rows.map((row, i) => ["Name" in row ? String(row.Name) : `r${i}`, "Dual" in row ? row.Dual : 0]));
  return { optimal: Status === "Optimal", stopped: Status === "Time limit reached", objective: ObjectiveValue, values, prices };
};
