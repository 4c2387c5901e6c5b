import type { EntryCorrection, EntryInput, MineDoc, Receipt, VersionInput } from "@lampcrate/contract";
import { aliasOf, dateWords, families, isFamilyId, readTrial, refusalWords } from "@lampcrate/core";
import { and, eq } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import { consent, correction, entry, type FrozenBrief, run, trial, version } from "../db/schema.ts";
import type { Deps } from "../deps.ts";
import { Problem, stale } from "../http/problem.ts";
import { hashOf } from "../http/security.ts";
import { frozenVersion } from "./briefs.ts";
import { entryDocs } from "./entryDoc.ts";
import { houseZone } from "./house.ts";
import { newId } from "./ids.ts";
import { publicRun, type RunRow } from "./runs.ts";
import { entryDoor, sheetDoc } from "./sheet.ts";

type EntryRow = typeof entry.$inferSelect;

/** Keeps what a family sent, once: the same id and secret again change nothing and get the same answer. */
export function receiveEntry(deps: Deps, code: string, input: EntryInput): { readonly receipt: Receipt; readonly isNew: boolean } {
  return deps.db.transaction((tx) => {
    const row = publicRun(tx, code);
    const known = tx.select().from(entry).where(eq(entry.id, input.id)).get();
    if (known) {
      if (known.runId !== row.id || known.linkHash !== hashOf(input.secret))
        throw new Problem(409, "Not your entry", "Another entry has this id.", {
          errors: [{ field: "id", message: "Another entry has this id." }],
        });
      return { receipt: { alias: known.alias, revision: known.revision }, isNew: false };
    }
    refuseClosed(tx, row, deps.clock());
    const { brief } = frozenVersion(tx, row.briefId, row.publishedVersion ?? 0);
    const alias = freeAlias(tx, row.id, input.id);
    tx.insert(entry)
      .values({
        id: input.id,
        runId: row.id,
        briefVersion: row.publishedVersion ?? 0,
        alias,
        linkHash: hashOf(input.secret),
        ageBand: input.ageBand,
        said: input.said,
        source: "home",
        state: "waiting",
        sentAt: deps.clock(),
        revision: 1,
      })
      .run();
    writeVersions(tx, input.id, input.versions, brief);
    for (const [to, given, words] of [
      ["keep", input.consentKeep, "keep these measurements"],
      ["photo", input.consentPhoto, "show the photo"],
    ] as const) {
      tx.insert(consent).values({ entryId: input.id, to, given, at: deps.clock(), words }).run();
    }
    return { receipt: { alias, revision: 1 }, isNew: true };
  });
}

function refuseClosed(db: Store, row: RunRow, now: number): void {
  const door = entryDoor(row, houseZone(db), now);
  if (door === "open") return;
  const message =
    door === "closed"
      ? `Entries closed at the end of ${dateWords(row.closesOn ?? "")}.`
      : row.opensOn
        ? `Entries open on ${dateWords(row.opensOn)}.`
        : "Entries are not open yet.";
  throw new Problem(403, "Entries are not open", message, { errors: [{ field: "code", message }] });
}

function freeAlias(db: Store, runId: string, id: string): string {
  for (let attempt = 0; ; attempt += 1) {
    const alias = aliasOf(id, attempt);
    if (
      !db
        .select({ id: entry.id })
        .from(entry)
        .where(and(eq(entry.runId, runId), eq(entry.alias, alias)))
        .get()
    )
      return alias;
  }
}

/** Reads every trial's words into SI; one that can't be read is refused by its field. */
function writeVersions(db: Store, entryId: string, versions: readonly VersionInput[], brief: FrozenBrief["brief"]): void {
  if (!isFamilyId(brief.family)) return;
  const [measure] = families[brief.family].measures(brief.spec);
  const variables = new Set(families[brief.family].variables.map((field) => field.id));
  const errors: { field: string; message: string }[] = [];
  const read = (raw: string | null, field: string): number | null => {
    if (raw === null) return null;
    const found = readTrial(raw, measure);
    if (found.ok) return found.si;
    errors.push({ field, message: refusalWords(found.reason, raw, { dimension: measure.dimension, defaultUnit: measure.unit }) });
    return null;
  };
  // The bare test, which the contract lets stand first only, is number 0.
  let builds = 0;
  for (const [v, input] of versions.entries()) {
    const id = newId();
    if (input.role === "build") builds += 1;
    for (const name of Object.keys(input.variables))
      if (!variables.has(name)) errors.push({ field: `versions[${v}].variables.${name}`, message: "This challenge has no such variable." });
    db.insert(version)
      .values({
        id,
        entryId,
        number: builds,
        role: input.role,
        changed: input.changed,
        madeOf: input.madeOf,
        variables: input.variables,
        guessRaw: input.guess,
        guessValue: read(input.guess, `versions[${v}].guess`),
        place: input.place,
      })
      .run();
    db.insert(trial)
      .values(
        input.trials.map((t, i) => {
          const field = `versions[${v}].trials[${i}].instrument`;
          if (!measure.instruments.includes(t.instrument))
            errors.push({ field, message: `Measure this with one of: ${measure.instruments.join(", ")}.` });
          return {
            id: newId(),
            versionId: id,
            number: i + 1,
            raw: t.raw,
            value: read(t.raw, `versions[${v}].trials[${i}].raw`),
            instrument: t.instrument,
            seen: t.seen,
            atLeast: t.atLeast,
            kept: t.kept,
          };
        }),
      )
      .run();
  }
  if (errors.length > 0) throw new Problem(422, "Check what you typed", errors.map((e) => e.message).join(" "), { errors });
}

/** The entry behind a private link; throws 404 for every link that opens none. */
function byLink(db: Store, secret: string): { row: EntryRow; of: RunRow } {
  const found = db
    .select({ row: entry, of: run })
    .from(entry)
    .innerJoin(run, eq(run.id, entry.runId))
    .where(eq(entry.linkHash, hashOf(secret)))
    .get();
  if (!found) {
    const message = "This link opens no entry. It may have been erased.";
    throw new Problem(404, "No such entry", message, { errors: [{ field: "secret", message }] });
  }
  return found;
}

/** A family's own entry with the sheet it belongs to. */
export function mine(deps: Deps, secret: string): MineDoc {
  const { row, of } = byLink(deps.db, secret);
  return mineDoc(deps.db, row, of, deps.clock());
}

function mineDoc(db: Store, row: EntryRow, of: RunRow, now: number): MineDoc {
  const [doc] = entryDocs(db, of, [row]);
  if (!doc) throw new Error("an entry that was just read has a document");
  return { entry: doc, sheet: sheetDoc(db, of, now, row.briefVersion) };
}

/** Replaces the entry by its corrected form; it goes back to the sifter. The words before are kept with who and when. */
export function correct(deps: Deps, secret: string, input: EntryCorrection): MineDoc {
  return deps.db.transaction((tx) => {
    const { row, of } = byLink(tx, secret);
    if (row.revision !== input.revision) throw stale(mineDoc(tx, row, of, deps.clock()).entry, []);
    refuseClosed(tx, of, deps.clock());
    const before = mineDoc(tx, row, of, deps.clock()).entry;
    tx.insert(correction).values({ entryId: row.id, at: deps.clock(), by: "the family", before: before.versions }).run();
    tx.delete(version).where(eq(version.entryId, row.id)).run();
    const { brief } = frozenVersion(tx, of.briefId, row.briefVersion);
    writeVersions(tx, row.id, input.versions, brief);
    tx.update(entry)
      .set({ ageBand: input.ageBand, said: input.said, state: "waiting", revision: row.revision + 1 })
      .where(eq(entry.id, row.id))
      .run();
    const after = byLink(tx, secret);
    return mineDoc(tx, after.row, after.of, deps.clock());
  });
}

/** Takes an entry out of everything but its own link, or puts it back to the sifter. */
export function withdraw(deps: Deps, secret: string, withdrawn: boolean): MineDoc {
  return deps.db.transaction((tx) => {
    const { row } = byLink(tx, secret);
    tx.update(entry)
      .set({ state: withdrawn ? "withdrawn" : "waiting", revision: row.revision + 1 })
      .where(eq(entry.id, row.id))
      .run();
    const after = byLink(tx, secret);
    return mineDoc(tx, after.row, after.of, deps.clock());
  });
}

/** Erases an entry and all that hangs on it: nothing is left. */
export function eraseEntry(deps: Deps, secret: string): void {
  const { row } = byLink(deps.db, secret);
  deps.db.delete(entry).where(eq(entry.id, row.id)).run();
}
