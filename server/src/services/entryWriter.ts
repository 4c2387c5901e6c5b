import type { EntryInput, VersionInput } from "@lampcrate/contract";
import { aliasOf, families, isFamilyId, readTrial, refusalWords } from "@lampcrate/core";
import { and, eq, sql } from "drizzle-orm";
import type { Database } from "../db/open.ts";
import { consent, entry, type FrozenBrief, trial, version } from "../db/schema.ts";
import { Problem } from "../http/problem.ts";
import { hashOf } from "../http/security.ts";
import { newId } from "./ids.ts";

const p = sql.placeholder;

/** Writes entries with statements that are prepared once: building them anew took ten times as long as running them. */
export class EntryWriter {
  private readonly known;
  private readonly aliasTaken;
  private readonly putEntry;
  private readonly putVersion;
  private readonly putTrial;
  private readonly putConsent;

  constructor(db: Database) {
    this.known = db
      .select()
      .from(entry)
      .where(eq(entry.id, p("id")))
      .prepare();
    this.aliasTaken = db
      .select({ id: entry.id })
      .from(entry)
      .where(and(eq(entry.runId, p("runId")), eq(entry.alias, p("alias"))))
      .prepare();
    this.putEntry = db
      .insert(entry)
      .values({
        id: p("id"),
        runId: p("runId"),
        briefVersion: p("briefVersion"),
        alias: p("alias"),
        linkHash: p("linkHash"),
        ageBand: p("ageBand"),
        said: p("said"),
        source: "home",
        state: "waiting",
        sentAt: p("sentAt"),
        revision: 1,
      })
      .prepare();
    this.putVersion = db
      .insert(version)
      .values({
        id: p("id"),
        entryId: p("entryId"),
        number: p("number"),
        role: p("role"),
        changed: p("changed"),
        madeOf: p("madeOf"),
        variables: p("variables"),
        guessRaw: p("guessRaw"),
        guessValue: p("guessValue"),
        place: p("place"),
      })
      .prepare();
    this.putTrial = db
      .insert(trial)
      .values({
        id: p("id"),
        versionId: p("versionId"),
        number: p("number"),
        raw: p("raw"),
        value: p("value"),
        instrument: p("instrument"),
        seen: p("seen"),
        atLeast: p("atLeast"),
        kept: p("kept"),
      })
      .prepare();
    this.putConsent = db
      .insert(consent)
      .values({ entryId: p("entryId"), to: p("to"), given: p("given"), at: p("at"), words: p("words") })
      .prepare();
  }

  /** The entry with this id, if there is one. */
  find(id: string): typeof entry.$inferSelect | undefined {
    return this.known.get({ id });
  }

  /** Keeps a new entry with its versions, trials and consents; gives its alias. Refuses, by field, what can't be read. */
  write(runId: string, briefVersion: number, input: EntryInput, brief: FrozenBrief["brief"], at: number): string {
    const alias = this.freeAlias(runId, input.id);
    this.putEntry.run({
      id: input.id,
      runId,
      briefVersion,
      alias,
      linkHash: hashOf(input.secret),
      ageBand: input.ageBand,
      said: input.said,
      sentAt: at,
    });
    this.writeVersions(input.id, input.versions, brief);
    this.putConsent.run({ entryId: input.id, to: "keep", given: input.consentKeep, at, words: "keep these measurements" });
    this.putConsent.run({ entryId: input.id, to: "photo", given: input.consentPhoto, at, words: "show the photo" });
    return alias;
  }

  private freeAlias(runId: string, id: string): string {
    for (let attempt = 0; ; attempt += 1) {
      const alias = aliasOf(id, attempt);
      if (!this.aliasTaken.get({ runId, alias })) return alias;
    }
  }

  /** Reads every trial's words into SI; one that can't be read is refused by its field. */
  writeVersions(entryId: string, versions: readonly VersionInput[], brief: FrozenBrief["brief"]): void {
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
        if (!variables.has(name))
          errors.push({ field: `versions[${v}].variables.${name}`, message: "This challenge has no such variable." });
      this.putVersion.run({
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
      });
      for (const [i, t] of input.trials.entries()) {
        if (!measure.instruments.includes(t.instrument))
          errors.push({
            field: `versions[${v}].trials[${i}].instrument`,
            message: `Measure this with one of: ${measure.instruments.join(", ")}.`,
          });
        this.putTrial.run({
          id: newId(),
          versionId: id,
          number: i + 1,
          raw: t.raw,
          value: read(t.raw, `versions[${v}].trials[${i}].raw`),
          instrument: t.instrument,
          seen: t.seen,
          atLeast: t.atLeast,
          kept: t.kept,
        });
      }
    }
    if (errors.length > 0) throw new Problem(422, "Check what you typed", errors.map((e) => e.message).join(" "), { errors });
  }
}

const writers = new WeakMap<object, EntryWriter>();

/** The database's writer, made at its first use. */
export function entryWriter(db: Database): EntryWriter {
  const known = writers.get(db) ?? new EntryWriter(db);
  writers.set(db, known);
  return known;
}
