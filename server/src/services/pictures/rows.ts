import type { PictureDoc, PictureInput } from "@lampcrate/contract";
import { and, eq, inArray, notInArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { picture, version } from "../../db/schema/index.ts";
import { notFound } from "../../http/problem.ts";

/** Which of its two forms a picture is shown in. */
export const pictureForms = ["small", "full"] as const;
export type PictureForm = (typeof pictureForms)[number];

/** The ids of the pictures that an entry's versions name. */
export function namedPictures(db: Store, entryKey: number): readonly string[] {
  const rows = db.select({ pictures: version.pictures }).from(version).where(eq(version.entryKey, entryKey)).all();
  return rows.flatMap(({ pictures }) => pictures.map(({ id }) => id));
}

/** Lets pictures go that an entry doesn't name any more. */
export function dropUnnamed(db: Store, entryKey: number): void {
  db.delete(picture)
    .where(and(eq(picture.entryKey, entryKey), notInArray(picture.id, [...namedPictures(db, entryKey)])))
    .run();
}

/** What is known of the pictures of some entries, by their ids. */
export function pictureRows(db: Store, entryKeys: readonly number[]): ReadonlyMap<string, Omit<PictureDoc, keyof PictureInput>> {
  const rows = db
    .select({ id: picture.id, hidden: picture.hidden, width: picture.width, height: picture.height })
    .from(picture)
    .where(inArray(picture.entryKey, [...entryKeys]))
    .all();
  return new Map(rows.map(({ id, hidden, width, height }) => [id, { hidden, size: { width, height } }]));
}

/** A picture of one entry as it is kept, JPEG. Throws 404. */
export function pictureOf(db: Store, entryKey: number, id: string, form: PictureForm): Buffer {
  const found = db
    .select({ bytes: picture[form] })
    .from(picture)
    .where(and(eq(picture.id, id), eq(picture.entryKey, entryKey)))
    .get();
  if (!found) throw notFound("picture", "picture");
  return found.bytes;
}
