import type { SupplierDoc, SupplierInput, SupplierSave } from "@lampcrate/contract";
import { asc, eq, inArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { material, pack, supplier } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { notFound, Problem, stale } from "../../http/problem.ts";
import { newId } from "../ids.ts";

/** All suppliers with their packs, by name. */
export function supplierList(db: Store): readonly SupplierDoc[] {
  const packs = db.select().from(pack).orderBy(asc(pack.place)).all();
  return db
    .select()
    .from(supplier)
    .orderBy(asc(supplier.name))
    .all()
    .map((row) => ({
      ...row,
      packs: packs
        .filter((p) => p.supplierId === row.id)
        .map(({ id, materialId, size, priceCents, most }) => ({ id, materialId, size, priceCents, most })),
    }));
}

/** Adds a supplier with its packs. Throws 422 by field on an unknown material. */
export function addSupplier(deps: Deps, input: SupplierInput): SupplierDoc {
  return deps.db.transaction((tx) => {
    const { packs: _, ...values } = input;
    const id = newId();
    tx.insert(supplier)
      .values({ ...values, id, revision: 1 })
      .run();
    writePacks(tx, id, input);
    return found(tx, id);
  });
}

/** Saves over the revision that was opened, packs and all; throws 409 when somebody saved in between. */
export function saveSupplier(deps: Deps, id: string, input: SupplierSave): SupplierDoc {
  return deps.db.transaction((tx) => {
    const now = found(tx, id);
    if (now.revision !== input.revision) throw stale(now, []);
    const { packs: _, ...values } = input;
    tx.update(supplier)
      .set({ ...values, revision: now.revision + 1 })
      .where(eq(supplier.id, id))
      .run();
    writePacks(tx, id, input);
    return found(tx, id);
  });
}

function found(db: Store, id: string): SupplierDoc {
  const doc = supplierList(db).find((s) => s.id === id);
  if (!doc) throw notFound("supplier");
  return doc;
}

function writePacks(db: Store, supplierId: string, { packs }: SupplierInput): void {
  const ids = [...new Set(packs.map((p) => p.materialId))];
  const known = new Set(
    ids.length === 0
      ? []
      : db
          .select({ id: material.id })
          .from(material)
          .where(inArray(material.id, ids))
          .all()
          .map((m) => m.id),
  );
  const errors = packs.flatMap((p, i) =>
    known.has(p.materialId) ? [] : [{ field: `packs[${i}].materialId`, message: "The store room has no such material." }],
  );
  if (errors.length > 0)
    throw new Problem(422, "Check what you typed", "A pack is of a material that is not in the store room.", { errors });
  db.delete(pack).where(eq(pack.supplierId, supplierId)).run();
  for (const [place, p] of packs.entries()) {
    // An id that another supplier's pack has already is no reason to refuse: it is ours to give.
    const taken = db.select({ id: pack.id }).from(pack).where(eq(pack.id, p.id)).get();
    db.insert(pack)
      .values({ ...p, id: taken ? newId() : p.id, supplierId, place })
      .run();
  }
}
