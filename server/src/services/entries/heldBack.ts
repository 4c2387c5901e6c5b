import type { Store } from "../../db/open.ts";
import { heldBack } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { trail } from "../house/audit.ts";
import type { Person } from "../house/person.ts";

/** Hides entries of a restored copy until a planner shows them. */
export function holdBack(db: Store, at: number): void {
  db.insert(heldBack)
    .values({ id: 1, restoredAt: at })
    .onConflictDoUpdate({ target: heldBack.id, set: { restoredAt: at } })
    .run();
  trail(db, at, null, "erasing", "restored a copy without its list of erased entries: entries are hidden until a planner shows them");
}

/** True while entries of a restored copy are hidden. */
export const isHeldBack = (db: Store): boolean => db.select({ id: heldBack.id }).from(heldBack).get() !== undefined;

/** Shows entries of a restored copy again, on a planner's word. */
export function showHeldBack(deps: Pick<Deps, "db" | "clock">, by: Person): void {
  deps.db.transaction((tx) => {
    tx.delete(heldBack).run();
    trail(tx, deps.clock(), by, "erasing", "showed the entries of a restored copy again");
  });
}
