import type { EntryInput } from "@lampcrate/contract";
import { aliasOf } from "@lampcrate/core";
import { consentWords } from "@lampcrate/words/all";
import { and, eq, sql } from "drizzle-orm";
import { Compiled } from "../../db/compiled.ts";
import type { Database } from "../../db/open.ts";
import { consent, entry, erasedEntry, trial, version } from "../../db/schema/index.ts";
import { hashOf } from "../secrets.ts";
import type { ReadVersion } from "./readVersions.ts";

const p = sql.placeholder;

/** The leader's sheet that an entry comes on, and its row there, from 1. */
export interface InGroup {
  readonly id: string;
  readonly row: number;
}

/** How an entry came, where it wasn't from its own family's device. */
interface HowItCame {
  readonly group?: InGroup | null;
  readonly keyedIn?: boolean;
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
        language: p("language"),
        groupId: p("groupId"),
        groupRow: p("groupRow"),
        said: p("said"),
        tokens: p("tokens"),
        timer: p("timer"),
        answers: p("answers"),
        source: p("source"),
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
        guessed: p("guessed"),
        place: p("place"),
        pictures: p("pictures"),
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
        rung: p("rung"),
        setting: p("setting"),
        settingValue: p("settingValue"),
        further: p("further"),
        furtherValues: p("furtherValues"),
      }),
    );
    this.putConsents = compile(
      db.insert(consent).values([
        { entryKey: p("entryKey"), to: "keep", given: p("keep"), at: p("at"), words: p("keepWords") },
        { entryKey: p("entryKey"), to: "photo", given: p("photo"), at: p("at"), words: p("photoWords") },
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
  write(
    runId: string,
    briefVersion: number,
    input: EntryInput,
    versions: readonly ReadVersion[],
    at: number,
    { group = null, keyedIn = false }: HowItCame = {},
  ): string {
    const alias = this.freeAlias(runId, input.id);
    const entryKey = this.putEntry.run({
      id: input.id,
      runId,
      briefVersion,
      alias,
      linkHash: hashOf(input.secret),
      ageBand: input.ageBand,
      source: keyedIn ? "keyed in" : "home",
      groupId: group?.id ?? null,
      groupRow: group?.row ?? null,
      language: input.consentVersion.split("-")[0] ?? "en",
      said: input.said,
      tokens: input.tokens,
      timer: input.timer,
      answers: input.answers,
      sentAt: at,
    });
    this.writeVersions(entryKey, versions);
    const words = consentWords[input.consentVersion];
    const keepWords = (group === null ? words?.keep : words?.group) ?? "";
    const given = keyedIn ? (agreed: string): string => `On paper: ${agreed}` : (agreed: string): string => agreed;
    this.putConsents.run({
      entryKey,
      keep: input.consentKeep,
      keepWords: given(keepWords),
      photo: input.consentPhoto,
      photoWords: given(words?.photo ?? ""),
      at,
    });
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
