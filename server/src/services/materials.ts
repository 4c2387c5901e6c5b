import type { MaterialDoc, MaterialInput, MaterialSave } from "@lampcrate/contract";
import { asc, eq } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import { material } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import { notFound, stale } from "../http/problem.ts";
import { newId } from "./ids.ts";
import type { Person } from "./signIn.ts";
import { bookMove, onHandOf } from "./stock.ts";

/** Everything in the store room, by name. */
export function materialList(db: Store): readonly MaterialDoc[] {
  const onHand = onHandOf(db);
  return db
    .select()
    .from(material)
    .orderBy(asc(material.name))
    .all()
    .map((row) => ({ ...row, onHand: onHand.get(row.id) ?? 0 }));
}

/** Adds a material; what there is of it is its first move. */
export function addMaterial(deps: Deps, by: Person | null, input: MaterialInput): MaterialDoc {
  return deps.db.transaction((tx) => insertMaterial(tx, by, deps.clock(), input));
}

/** Adds a material within a transaction. */
export function insertMaterial(db: Store, by: Person | null, at: number, { onHand, ...input }: MaterialInput): MaterialDoc {
  const row = db
    .insert(material)
    .values({ ...input, id: newId(), revision: 1 })
    .returning()
    .get();
  bookMove(db, by, at, { materialId: row.id, amount: onHand, reason: "opening" });
  return { ...row, onHand };
}

/** Saves over the revision that was opened; throws 409 when somebody saved in between. */
export function saveMaterial(deps: Deps, id: string, input: MaterialSave): MaterialDoc {
  return deps.db.transaction((tx) => {
    const now = tx.select().from(material).where(eq(material.id, id)).get();
    if (!now) throw notFound("material");
    const onHand = onHandOf(tx).get(id) ?? 0;
    if (now.revision !== input.revision) throw stale({ ...now, onHand }, []);
    const row = tx
      .update(material)
      .set({ ...input, revision: now.revision + 1 })
      .where(eq(material.id, id))
      .returning()
      .get();
    return { ...row, onHand };
  });
}
