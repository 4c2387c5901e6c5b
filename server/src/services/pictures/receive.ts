import { eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, picture } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { byLink } from "../entries/entries.ts";
import { afterFamily } from "../entries/seenEntry.ts";
import { develop } from "./develop.ts";
import { namedPictures, type PictureForm, pictureOf } from "./rows.ts";

/** What a device gets back once a picture is kept. */
export interface PictureReceipt {
  readonly isNew: boolean;
}

/**
 * Keeps a picture that an entry names; the same one again changes nothing. An entry that was decided on goes back to
 * the sifter, for nobody has seen this picture. Throws 404 for a wrong link, 409 for one that the entry doesn't name,
 * 422 for what can't be read.
 */
export async function receivePicture(deps: Deps, secret: string, id: string, bytes: Uint8Array): Promise<PictureReceipt> {
  if (isKept(deps.db, secret, id)) return { isNew: false };
  const developed = await develop(bytes);
  return deps.db.transaction((tx) => {
    // It may have come by another way, or its entry may have been erased, while it was worked on.
    if (isKept(tx, secret, id)) return { isNew: false };
    const { row } = byLink(tx, secret);
    tx.insert(picture)
      .values({ id, entryKey: row.key, at: deps.clock(), ...developed })
      .run();
    tx.update(entry)
      .set({ state: afterFamily(row.state), revision: row.revision + 1 })
      .where(eq(entry.key, row.key))
      .run();
    return { isNew: true };
  });
}

/** True when an entry's picture is here already. Throws 404, 409 where it may not come: asked before anything of it is read. */
export function isKept(db: Store, secret: string, id: string): boolean {
  const { row } = byLink(db, secret);
  const known = db.select({ entryKey: picture.entryKey }).from(picture).where(eq(picture.id, id)).get();
  if (known?.entryKey === row.key) return true;
  if (known || !namedPictures(db, row.key).includes(id)) {
    const message = "This entry has no such picture: it was taken out, or belongs to another one.";
    throw new Problem(409, "Not its picture", message, { errors: [{ field: "picture", message }] });
  }
  return false;
}

/** One's own picture, behind the private link. Throws 404. */
export function ownPicture(db: Store, secret: string, id: string, form: PictureForm): Buffer {
  return pictureOf(db, byLink(db, secret).row.key, id, form);
}
