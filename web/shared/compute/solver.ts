import type { Solve } from "@lampcrate/core";
import load from "highs";
import runtime from "highs/runtime?url";

let loaded: Promise<Solve> | null = null;

/** HiGHS, loaded when it is first needed. */
export function solver(): Promise<Solve> {
  loaded ??= load({ locateFile: () => runtime }).then(
    (highs): Solve =>
      (program, { gap = 0, seconds = 120 } = {}) => {
        const { Status, ObjectiveValue, Columns, Rows } = highs.solve(program, { mip_rel_gap: gap, time_limit: seconds });
        const values = Object.fromEntries(Object.entries(Columns).map(([name, column]) => [name, "Primal" in column ? column.Primal : 0]));
        const prices = Object.fromEntries(Rows.map((row, i) => ["Name" in row ? String(row.Name) : `r${i}`, "Dual" in row ? row.Dual : 0]));
        return { optimal: Status === "Optimal", stopped: Status === "Time limit reached", objective: ObjectiveValue, values, prices };
      },
  );
  return loaded;
}
