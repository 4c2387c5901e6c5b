import type { MaterialDoc, MaterialInput, MaterialSave } from "@lampcrate/contract";
import { asc, eq } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import { material } from "../db/schema.ts";
import type { Deps } from "../deps.ts";
import { notFound, stale } from "../http/problem.ts";
import { newId } from "./ids.ts";

/** Everything in the store room, by name. */
export function materialList(db: Store): readonly MaterialDoc[] {
  return db.select().from(material).orderBy(asc(material.name)).all();
}

export function addMaterial(deps: Deps, input: MaterialInput): MaterialDoc {
  return deps.db
    .insert(material)
    .values({ ...input, id: newId(), revision: 1 })
    .returning()
    .get();
}

/** Saves over the revision that was opened; throws 409 when somebody saved in between. */
export function saveMaterial(deps: Deps, id: string, input: MaterialSave): MaterialDoc {
  return deps.db.transaction((tx) => {
    const now = tx.select().from(material).where(eq(material.id, id)).get();
    if (!now) throw notFound("material");
    if (now.revision !== input.revision) throw stale(now, []);
    return tx
      .update(material)
      .set({ ...input, revision: now.revision + 1 })
      .where(eq(material.id, id))
      .returning()
      .get();
  });
}
