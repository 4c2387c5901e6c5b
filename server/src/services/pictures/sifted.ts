import type { EntryDoc, HideInput } from "@lampcrate/contract";
import { and, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, picture } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound } from "../../http/problem.ts";
import { entryDoc, seenEntry } from "../entries/seenEntry.ts";
import type { Person } from "../house/person.ts";
import { remember } from "../runs/undo.ts";
import { namedPictures, type PictureForm, pictureOf } from "./rows.ts";

/** A picture of a run's entry as a sifter looks at it. Throws 404. */
export function siftedPicture(db: Store, { runId, entryId, id }: PicturePlace, form: PictureForm): Buffer {
  const row = db
    .select({ key: entry.key })
    .from(entry)
    .where(and(eq(entry.id, entryId), eq(entry.runId, runId)))
    .get();
  if (!row) throw notFound("entry of this run");
  return pictureOf(db, row.key, id, form);
}

interface PicturePlace {
  readonly runId: string;
  readonly entryId: string;
  readonly id: string;
}

/** Hides a picture from everyone but the sifters, or shows it again. Refused when the entry has changed since it was opened. */
export function hidePicture(
  deps: Deps,
  person: Person,
  { runId, entryId, id }: PicturePlace,
  { hidden, revision: seen }: HideInput,
): EntryDoc {
  return deps.db.transaction((tx) => {
    const { of, row } = seenEntry(tx, runId, entryId, seen);
    if (!namedPictures(tx, row.key).includes(id)) throw badField("picture", "This entry has no such picture.");
    const known = tx.select({ hidden: picture.hidden }).from(picture).where(eq(picture.id, id)).get();
    if (!known) throw badField("picture", "This picture has not come yet.");
    const revision = row.revision + 1;
    tx.update(picture).set({ hidden }).where(eq(picture.id, id)).run();
    tx.update(entry).set({ revision }).where(eq(entry.key, row.key)).run();
    remember(tx, person, deps.clock(), {
      runId,
      kind: "picture",
      subject: entryId,
      words: `${hidden ? "hid" : "showed"} a picture of ${row.alias}`,
      before: { id, hidden: known.hidden },
      revisionBefore: row.revision,
      revisionAfter: revision,
    });
    return entryDoc(tx, of, { ...row, revision });
  });
}
