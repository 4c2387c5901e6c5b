import type { MaterialDoc, MaterialInput, MaterialSave } from "@lampcrate/contract";
import { materialKey } from "@lampcrate/core";
import { and, asc, eq, ne, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { briefLine, material, pack, purchaseItem, stockMove } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, stale } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
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

/** Adds a material; what there is of it is its first move. Throws 422 when there is one of that name. */
export function addMaterial(deps: Deps, by: Person | null, input: MaterialInput): MaterialDoc {
  return deps.db.transaction((tx) => {
    refuseSecond(tx, input.name, "");
    return insertMaterial(tx, by, deps.clock(), input);
  });
}

/** Adds a material within a transaction, whose name has been seen to be free. */
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
    refuseSecond(tx, input.name, id);
    if (input.unit !== now.unit && isUsed(tx, id))
      throw badField("unit", `It is counted in ${now.unit} where it is used and in stock. Add a material of its own for the other unit.`);
    const row = tx
      .update(material)
      .set({ ...input, revision: now.revision + 1 })
      .where(eq(material.id, id))
      .returning()
      .get();
    return { ...row, onHand };
  });
}

/**
 * Takes a material out of the store room: one that nothing refers to is deleted, another is put away, no longer
 * offered but still there for the briefs, orders and moves that name it. Gives which. Throws 404.
 */
export function removeMaterial(deps: Deps, by: Person, id: string): "deleted" | "put away" {
  return deps.db.transaction((tx) => {
    const found = tx.select().from(material).where(eq(material.id, id)).get();
    if (!found) throw notFound("material");
    const used = isUsed(tx, id);
    if (used)
      tx.update(material)
        .set({ archived: true, revision: found.revision + 1 })
        .where(eq(material.id, id))
        .run();
    else tx.delete(material).where(eq(material.id, id)).run();
    trail(tx, deps.clock(), by, "stock", `${used ? "put away" : "deleted"} ${found.name}`);
    return used ? "put away" : "deleted";
  });
}

/** Offers a material again that was put away. Throws 404, and 422 when another has its name by now. */
export function bringBackMaterial(deps: Deps, by: Person, id: string): void {
  deps.db.transaction((tx) => {
    const found = tx.select().from(material).where(eq(material.id, id)).get();
    if (!found) throw notFound("material");
    refuseSecond(tx, found.name, id);
    tx.update(material)
      .set({ archived: false, revision: found.revision + 1 })
      .where(eq(material.id, id))
      .run();
    trail(tx, deps.clock(), by, "stock", `brought ${found.name} back`);
  });
}

/** True when a brief, a supplier, an order or the stock names a material. */
function isUsed(db: Store, id: string): boolean {
  // A line may come to be of it when a choice of its brief changes.
  const bound = db
    .select({ one: sql`1` })
    .from(briefLine)
    .where(sql`exists (select 1 from json_each(${briefLine.bind}, '$.material.of') where value = ${id})`)
    .limit(1)
    .get();
  if (bound !== undefined) return true;
  return [briefLine, pack, purchaseItem, stockMove].some(
    (table) => db.select({ one: sql`1` }).from(table).where(eq(table.materialId, id)).limit(1).get() !== undefined,
  );
}

/** Throws 422 when another material that is not put away has this name, whatever its case. */
function refuseSecond(db: Store, name: string, id: string): void {
  const others = db
    .select({ name: material.name })
    .from(material)
    .where(and(ne(material.id, id), eq(material.archived, false)))
    .all();
  if (others.some((other) => materialKey(other.name) === materialKey(name)))
    throw badField("name", `The store room has “${name.trim()}” already. Two of one name could not be told apart.`);
}
