import type { Database } from "../../db/open.ts";
import type { Qualifiers } from "../prize/prize.ts";
import { runRow } from "../runs/runs.ts";
import type { Digests } from "./digests.ts";
import { foundIn } from "./findings.ts";

/** Accepted entries of a run among whom a prize can be drawn, each judged by the goal of its own sheet. */
export function qualifiersOf(db: Database, digests: Digests, runId: string): Qualifiers {
  const { builders } = foundIn(digests, runRow(db, runId));
  return {
    goal: builders.filter(({ metGoal }) => metGoal).map(({ entryId }) => entryId),
    all: builders.map(({ entryId }) => entryId),
  };
}
