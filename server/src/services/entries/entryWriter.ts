import type { BriefDoc, EntryInput, TrialInput, VersionInput } from "@lampcrate/contract";
import { aliasOf, type Field, families, type Measure, readGuess, readTrial, refusalWords } from "@lampcrate/core";
import { and, eq, sql } from "drizzle-orm";
import { Compiled } from "../../db/compiled.ts";
import type { Database } from "../../db/open.ts";
import { consent, entry, erasedEntry, trial, version } from "../../db/schema/index.ts";
import { Problem } from "../../http/problem.ts";
import { hashOf } from "../secrets.ts";

const p = sql.placeholder;

/** A version of an entry with its trials, read into SI and ready to be written. */
export interface ReadVersion extends Omit<VersionInput, "trials" | "guess"> {
  readonly number: number;
  readonly guessRaw: string | null;
  readonly guessValue: number | null;
  readonly trials: readonly (TrialInput & {
    readonly value: number | null;
    readonly brokeRaw: string | null;
    readonly brokeValue: number | null;
  })[];
}

/** Reads every trial's words into SI. Throws 422 naming each field that can't be read, before anything is written. */
export function readVersions(versions: readonly VersionInput[], brief: BriefDoc): readonly ReadVersion[] {
  const family = families[brief.family];
  const [measure] = family.measures(brief.spec);
  const variables = new Map(family.variables.map((field) => [field.id, field]));
  const symptoms = new Set(family.symptoms.map((symptom) => symptom.id));
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
  const rows = versions.map(({ guess, trials, ...input }, v) => {
    if (input.role === "build") builds += 1;
    for (const [name, value] of Object.entries(input.variables)) {
      const message = variableTrouble(variables.get(name), value);
      if (message !== null) errors.push({ field: `versions[${v}].variables.${name}`, message });
    }
    const guessed = readGuess(guess, measure, builds < 2);
    if (guessed.trouble !== null) errors.push({ field: `versions[${v}].guess`, message: guessed.trouble });
    return {
      ...input,
      number: builds,
      guessRaw: guess,
      guessValue: guessed.value,
      trials: trials.map((t, i) => {
        if (!measure.instruments.includes(t.instrument))
          errors.push({
            field: `versions[${v}].trials[${i}].instrument`,
            message: `Measure this with one of: ${measure.instruments.join(", ")}.`,
          });
        const kind = kindTrouble(t.outcome, measure);
        if (kind !== null) errors.push({ field: `versions[${v}].trials[${i}].outcome`, message: kind });
        for (const [s, seen] of t.seen.entries())
          if (!symptoms.has(seen))
            errors.push({
              field: `versions[${v}].trials[${i}].seen[${s}]`,
              message: "This challenge has nothing of that name to be seen.",
            });
        const value = read(t.raw, `versions[${v}].trials[${i}].raw`);
        const brokeValue = read(t.broke, `versions[${v}].trials[${i}].broke`);
        if (value !== null && brokeValue !== null && brokeValue <= value)
          errors.push({ field: `versions[${v}].trials[${i}].broke`, message: "What it gave way at is more than what it held." });
        return { ...t, value, brokeRaw: t.broke, brokeValue };
      }),
    };
  });
  if (errors.length > 0) throw new Problem(422, "Check what you typed", errors.map((e) => e.message).join(" "), { errors });
  return rows;
}

/** What is wrong with a kind of result for what is measured; null when nothing is. */
function kindTrouble(outcome: TrialInput["outcome"], { passes, steps, words }: Measure): string | null {
  if (outcome === "passed") return passes ? null : `${words} is a number: write it, or say that it failed.`;
  const isStepped = outcome === "atLeast" || outcome === "between" || outcome === "below";
  return isStepped && !steps ? `${words} isn't found step by step: write one number, or say that it failed.` : null;
}

/** What is wrong with a declared variable; null when nothing is. Numbers are not held to the brief's bounds: people build what they build. */
function variableTrouble(field: Field | undefined, value: number | string): string | null {
  if (!field) return "This challenge has no such variable.";
  if (field.kind === "number") return typeof value === "number" ? null : "This one is a number.";
  if (field.options.some((option) => option.id === value)) return null;
  return `Choose one of: ${field.options.map((option) => option.words).join(", ")}.`;
}

/** Writes entries with statements that are prepared once: building them anew took ten times as long as running them. */
export class EntryWriter {
  private readonly known;
  private readonly entryWithId;
  private readonly entryWithAlias;
  private readonly erasedWithId;
  private readonly putEntry;
  private readonly putVersion;
  private readonly putTrial;
  private readonly putConsents;

  constructor(db: Database) {
    const compile = (query: ConstructorParameters<typeof Compiled>[1]): Compiled => new Compiled(db.$client, query);
    const one = { id: entry.id };
    this.known = db
      .select()
      .from(entry)
      .where(eq(entry.id, p("id")))
      .prepare();
    this.entryWithId = compile(
      db
        .select(one)
        .from(entry)
        .where(eq(entry.id, p("id"))),
    );
    this.entryWithAlias = compile(
      db
        .select(one)
        .from(entry)
        .where(and(eq(entry.runId, p("runId")), eq(entry.alias, p("alias")))),
    );
    this.erasedWithId = compile(
      db
        .select({ at: erasedEntry.at })
        .from(erasedEntry)
        .where(eq(erasedEntry.idHash, p("idHash"))),
    );
    this.putEntry = compile(
      db.insert(entry).values({
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
      }),
    );
    this.putVersion = compile(
      db.insert(version).values({
        entryKey: p("entryKey"),
        number: p("number"),
        role: p("role"),
        changed: p("changed"),
        madeOf: p("madeOf"),
        variables: p("variables"),
        guessRaw: p("guessRaw"),
        guessValue: p("guessValue"),
        place: p("place"),
      }),
    );
    this.putTrial = compile(
      db.insert(trial).values({
        versionId: p("versionId"),
        number: p("number"),
        raw: p("raw"),
        value: p("value"),
        instrument: p("instrument"),
        seen: p("seen"),
        outcome: p("outcome"),
        brokeRaw: p("brokeRaw"),
        brokeValue: p("brokeValue"),
        kept: p("kept"),
      }),
    );
    this.putConsents = compile(
      db.insert(consent).values([
        { entryKey: p("entryKey"), to: "keep", given: p("keep"), at: p("at"), words: "keep these measurements" },
        { entryKey: p("entryKey"), to: "photo", given: p("photo"), at: p("at"), words: "show the photo" },
      ]),
    );
  }

  /** The entry with this id, if there is one. */
  find(id: string): typeof entry.$inferSelect | undefined {
    return this.entryWithId.finds({ id }) ? this.known.get({ id }) : undefined;
  }

  /** True when an entry of this id was here and has been erased. */
  wasErased(id: string): boolean {
    return this.erasedWithId.finds({ idHash: hashOf(id) });
  }

  /** Keeps a new entry with its versions, trials and consents; gives its alias. */
  write(runId: string, briefVersion: number, input: EntryInput, versions: readonly ReadVersion[], at: number): string {
    const alias = this.freeAlias(runId, input.id);
    const entryKey = this.putEntry.run({
      id: input.id,
      runId,
      briefVersion,
      alias,
      linkHash: hashOf(input.secret),
      ageBand: input.ageBand,
      said: input.said,
      sentAt: at,
    });
    this.writeVersions(entryKey, versions);
    this.putConsents.run({ entryKey, keep: input.consentKeep, photo: input.consentPhoto, at });
    return alias;
  }

  /** Writes an entry's versions and their trials. */
  writeVersions(entryKey: number, versions: readonly ReadVersion[]): void {
    for (const row of versions) {
      const versionId = this.putVersion.run({ ...row, entryKey });
      for (const [i, t] of row.trials.entries()) this.putTrial.run({ ...t, versionId, number: i + 1 });
    }
  }

  private freeAlias(runId: string, id: string): string {
    for (let attempt = 0; ; attempt += 1) {
      const alias = aliasOf(id, attempt);
      if (!this.entryWithAlias.finds({ runId, alias })) return alias;
    }
  }
}

const writers = new WeakMap<object, EntryWriter>();

/** The database's writer, made at its first use. */
export function entryWriter(db: Database): EntryWriter {
  const known = writers.get(db) ?? new EntryWriter(db);
  writers.set(db, known);
  return known;
}
