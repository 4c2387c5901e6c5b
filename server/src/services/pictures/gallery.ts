import type { GalleryPage, ShownPicture } from "@lampcrate/contract";
import { and, asc, eq, inArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { consent, entry, picture, version } from "../../db/schema/index.ts";
import { notFound } from "../../http/problem.ts";
import type { PictureForm } from "./rows.ts";

/** Pictures of a page of a gallery. */
const pageSize = 24;

/** What everybody may see of a run: pictures of accepted entries, with an adult's yes, not hidden. */
const shownOf = (runId: string) =>
  and(eq(entry.runId, runId), eq(entry.state, "accepted"), eq(picture.hidden, false), eq(consent.to, "photo"), eq(consent.given, true));

/** A picture on a run's reveal, asked for as it stands at this moment. Throws 404 for every other. */
export function revealedPicture(db: Store, runId: string, id: string, form: PictureForm): Buffer {
  const found = db
    .select({ bytes: picture[form] })
    .from(picture)
    .innerJoin(entry, eq(entry.key, picture.entryKey))
    .innerJoin(consent, eq(consent.entryKey, entry.key))
    .where(and(eq(picture.id, id), shownOf(runId)))
    .get();
  if (!found) throw notFound("picture", "picture");
  return found.bytes;
}

/** A run's pictures that everybody may see, by made-up name; from a place on. Never kept: a yes taken back counts at once. */
export function gallery(db: Store, runId: string, from: number): GalleryPage {
  const rows = db
    .select({ id: picture.id, alias: entry.alias, entryKey: entry.key, width: picture.width, height: picture.height })
    .from(picture)
    .innerJoin(entry, eq(entry.key, picture.entryKey))
    .innerJoin(consent, eq(consent.entryKey, entry.key))
    .where(shownOf(runId))
    .orderBy(asc(entry.alias), asc(picture.at), asc(picture.id))
    .limit(pageSize + 1)
    .offset(from)
    .all();
  const some = rows.slice(0, pageSize);
  const places = placesOf(
    db,
    some.map(({ entryKey }) => entryKey),
  );
  return {
    pictures: some.flatMap(({ entryKey: _, ...row }) => {
      const place = places.get(row.id);
      return place ? [{ ...row, ...place }] : [];
    }),
    next: rows.length > pageSize ? from + pageSize : null,
  };
}

/** What pictures are of, by their ids: their version and kind. */
function placesOf(db: Store, entryKeys: readonly number[]): ReadonlyMap<string, Pick<ShownPicture, "kind" | "version">> {
  const rows = db
    .select({ number: version.number, pictures: version.pictures })
    .from(version)
    .where(inArray(version.entryKey, [...new Set(entryKeys)]))
    .all();
  return new Map(rows.flatMap(({ number, pictures }) => pictures.map(({ id, kind }) => [id, { kind, version: number }] as const)));
}
