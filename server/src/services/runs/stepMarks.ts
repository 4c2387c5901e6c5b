import type { StepMark } from "@lampcrate/contract";
import { asc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { stepMark } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField } from "../../http/problem.ts";
import { peopleIds } from "../house/peopleIds.ts";
import type { Person } from "../house/person.ts";
import { runRow } from "./runs.ts";

/** What was said of steps. An owner who is one of the house's people no more is nobody. */
export function stepMarks(db: Store): readonly StepMark[] {
  const known = peopleIds(db);
  return db
    .select()
    .from(stepMark)
    .orderBy(asc(stepMark.at))
    .all()
    .map(({ id, runId, done, owner }) => ({ id, runId, done, owner: owner !== null && known.has(owner) ? owner : null }));
}

/** Says that a step is done, or isn't, and whose it is. Throws 404 for an unknown run, 422 for an unknown person. */
export function markStep(deps: Deps, by: Person, { id, runId, done, owner }: StepMark): void {
  deps.db.transaction((tx) => {
    runRow(tx, runId);
    if (owner !== null && !peopleIds(tx).has(owner)) throw badField("owner", "That isn't one of the house's people any more.");
    tx.delete(stepMark).where(eq(stepMark.id, id)).run();
    if (!done && owner === null) return;
    tx.insert(stepMark).values({ id, runId, done, owner, at: deps.clock(), staffId: by.id }).run();
  });
}
