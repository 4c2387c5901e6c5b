import type { ConsentDoc, EntryInput, PhotoConsent, VersionInput } from "@lampcrate/contract";
import { consentWords } from "@lampcrate/words/all";
import { and, asc, eq } from "drizzle-orm";
import type { Database, Store } from "../../db/open.ts";
import { consent, correction, entry, trial, version } from "../../db/schema/index.ts";
import { dropUnnamed } from "../pictures/rows.ts";
import { frozenVersion } from "../runs/briefs.ts";
import type { RunRow } from "../runs/runs.ts";
import { entryWriter } from "./entryWriter.ts";
import { readVersions } from "./readVersions.ts";
import { afterFamily } from "./seenEntry.ts";

type EntryRow = typeof entry.$inferSelect;

/** What a correction puts in place of what was sent. */
export type CorrectedWords = Pick<EntryInput, "ageBand" | "said" | "tokens" | "timer" | "answers" | "versions">;

/** Who put other words in an entry's place: behind the private link, or by sending the logbook again. */
export type CorrectedBy = "the family" | "sent again";

/** An entry's own words, as they were sent. */
export function sentVersions(db: Store, entryKey: number): readonly VersionInput[] {
  const rows = db.select().from(version).where(eq(version.entryKey, entryKey)).orderBy(asc(version.number)).all();
  return rows.map(({ id, role, changed, madeOf, variables, guessRaw, guessed, place, pictures }) => ({
    role,
    changed,
    madeOf,
    variables,
    guess: guessRaw,
    guessed,
    place,
    pictures,
    trials: db
      .select()
      .from(trial)
      .where(eq(trial.versionId, id))
      .orderBy(asc(trial.number))
      .all()
      .map(({ outcome, raw, brokeRaw: broke, rung, setting, further, instrument, seen, kept }) => ({
        outcome,
        raw,
        broke,
        rung,
        setting,
        further,
        instrument,
        seen,
        kept,
      })),
  }));
}

/** True once the family has corrected an entry behind its private link: what a device still holds is older. */
export function correctedByLink(db: Store, entryId: string): boolean {
  const rows = db.select({ by: correction.by }).from(correction).where(eq(correction.entryId, entryId)).all();
  return rows.some(({ by }) => by === "the family");
}

const ofPhoto = (entryKey: number) => and(eq(consent.entryKey, entryKey), eq(consent.to, "photo"));

/** Whether an adult agreed to the photo being shown. */
export function photoConsent(db: Store, entryKey: number): boolean {
  return db.select({ given: consent.given }).from(consent).where(ofPhoto(entryKey)).get()?.given ?? false;
}

/** An adult decides anew about pictures, in answer to the words of a version. */
export function setPhotoConsent(db: Store, entryKey: number, { given, version }: PhotoConsent, at: number): void {
  db.update(consent)
    .set({ given, at, words: consentWords[version]?.photo ?? "" })
    .where(ofPhoto(entryKey))
    .run();
}

/** What was agreed to, word for word, and when. */
export function consentDocs(db: Store, entryKey: number): readonly ConsentDoc[] {
  const rows = db.select().from(consent).where(eq(consent.entryKey, entryKey)).orderBy(asc(consent.to)).all();
  return rows.map(({ to, given, at, words }) => ({ part: to, given, at, words }));
}

/**
 * Puts a family's new words in an entry's place and keeps those before with who and when. It goes back to the sifter;
 * one that its family took out stays out. Gives its new revision. Throws 422 naming the field that can't be read.
 */
export function putCorrection(
  db: Database,
  tx: Store,
  { row, of, by, at }: { readonly row: EntryRow; readonly of: RunRow; readonly by: CorrectedBy; readonly at: number },
  input: CorrectedWords,
): number {
  const versions = readVersions(input.versions, frozenVersion(tx, of.briefId, row.briefVersion).brief, input.tokens);
  const before = sentVersions(tx, row.key);
  tx.insert(correction).values({ entryId: row.id, at, by, before }).run();
  tx.delete(version).where(eq(version.entryKey, row.key)).run();
  entryWriter(db).writeVersions(row.key, versions);
  dropUnnamed(tx, row.key);
  const revision = row.revision + 1;
  tx.update(entry)
    .set({
      ageBand: input.ageBand,
      said: input.said,
      tokens: input.tokens,
      timer: input.timer,
      answers: input.answers,
      state: afterFamily(row.state),
      revision,
    })
    .where(eq(entry.id, row.id))
    .run();
  return revision;
}
