import type { AgeBand, EntryDoc, VersionDoc } from "@lampcrate/contract";
import {
  checkVersion,
  countedOutcomes,
  type Dimension,
  english,
  type Family,
  familyOfBrief,
  flagWords,
  showQuantity,
  type Timer,
  type TrialOutcome,
} from "@lampcrate/core";
import { isLanguage } from "@lampcrate/words";
import { allLanguages } from "@lampcrate/words/all";
import { asc, desc, eq, inArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, type FrozenBrief, siftDecision, staff, trial, version } from "../../db/schema/index.ts";
import { pictureRows } from "../pictures/rows.ts";
import { frozenVersion } from "../runs/briefs.ts";
import type { RunRow } from "../runs/runs.ts";
import { rulesIn } from "../runs/sheetWords.ts";
import { asksOf } from "./askRows.ts";
import { familyOfEntry } from "./readVersions.ts";

type EntryRow = typeof entry.$inferSelect;
type VersionRow = typeof version.$inferSelect;
type TrialRow = typeof trial.$inferSelect;

/** Entries read at a time: more keys than a statement takes would be refused. */
const chunk = 500;

/** Entries with every trial checked anew against the brief that the family saw. */
export function entryDocs(db: Store, run: RunRow, rows: readonly EntryRow[]): readonly EntryDoc[] {
  if (rows.length === 0) return [];
  if (rows.length > chunk) return [...entryDocs(db, run, rows.slice(0, chunk)), ...entryDocs(db, run, rows.slice(chunk))];
  const wanted = inArray(
    entry.key,
    rows.map((row) => row.key),
  );
  const versions = groupBy(
    db
      .select({ row: version })
      .from(version)
      .innerJoin(entry, eq(entry.key, version.entryKey))
      .where(wanted)
      .orderBy(asc(version.number))
      .all()
      .map(({ row }) => row),
    (v) => v.entryKey,
  );
  const trials = groupBy(
    db
      .select({ row: trial })
      .from(trial)
      .innerJoin(version, eq(version.id, trial.versionId))
      .innerJoin(entry, eq(entry.key, version.entryKey))
      .where(wanted)
      .orderBy(asc(trial.number))
      .all()
      .map(({ row }) => row),
    (t) => t.versionId,
  );
  const decisions = groupBy(
    db
      .select({ entryId: siftDecision.entryId, why: siftDecision.why, by: staff.name })
      .from(siftDecision)
      .innerJoin(entry, eq(entry.id, siftDecision.entryId))
      .leftJoin(staff, eq(staff.id, siftDecision.staffId))
      .where(wanted)
      .orderBy(desc(siftDecision.id))
      .all(),
    (d) => d.entryId,
  );
  const pictures = pictureRows(
    db,
    rows.map((row) => row.key),
  );
  const asks = asksOf(
    db,
    rows.map((row) => row.key),
  );
  const briefs = new Map<number, FrozenBrief>();
  const briefOf = (number: number): FrozenBrief => {
    const known = briefs.get(number) ?? frozenVersion(db, run.briefId, number);
    briefs.set(number, known);
    return known;
  };
  const inEnglish = rulesInEnglish(run, briefOf);
  const familyOf = ({ briefVersion, tokens }: EntryRow): Family => familyOfEntry(briefOf(briefVersion).brief, tokens);
  return rows.map((row) => {
    const decided = row.state === "accepted" || row.state === "set aside" ? decisions.get(row.id)?.[0] : undefined;
    return {
      id: row.id,
      alias: row.alias,
      state: sifted(row.state),
      revision: row.revision,
      sentAt: row.sentAt,
      ageBand: row.ageBand as AgeBand | null,
      language: row.language,
      groupRow: row.groupRow,
      source: row.source === "keyed in" ? "keyed in" : "home",
      said: row.said,
      tokens: row.tokens,
      timer: row.timer,
      answers: row.answers,
      rulesInEnglish: inEnglish(row),
      briefVersion: row.briefVersion,
      dimension: dimensionOf(briefOf(row.briefVersion).brief),
      versions: (versions.get(row.key) ?? []).map((v) =>
        versionDoc(v, trials.get(v.id) ?? [], pictures, familyOf(row), briefOf(row.briefVersion).brief, run.units, row.timer),
      ),
      decidedBy: decided?.by ?? null,
      why: decided?.why || null,
      asks: asks.get(row.key) ?? [],
    };
  });
}

/** Rules as an entry's family was asked them, by what they are in English; nothing where they were asked in that. */
function rulesInEnglish(run: RunRow, briefOf: (version: number) => FrozenBrief): (row: EntryRow) => EntryDoc["rulesInEnglish"] {
  const known = new Map<string, EntryDoc["rulesInEnglish"]>();
  return ({ language, briefVersion, answers }) => {
    if (answers.length === 0 || language === english.id || !isLanguage(language)) return {};
    const key = `${briefVersion} ${language}`;
    const before = known.get(key);
    if (before) return before;
    const own = rulesIn(run, briefOf(briefVersion), english);
    const found = Object.fromEntries(rulesIn(run, briefOf(briefVersion), allLanguages[language]).map((rule, i) => [rule, own[i] ?? rule]));
    known.set(key, found);
    return found;
  };
}

/** The versions of one entry, checked against a brief given. */
export function versionDocs(db: Store, entryKey: number, brief: FrozenBrief["brief"], units: RunRow["units"]): readonly VersionDoc[] {
  const rows = db.select().from(version).where(eq(version.entryKey, entryKey)).orderBy(asc(version.number)).all();
  return rows.map((row) => {
    const trials = db.select().from(trial).where(eq(trial.versionId, row.id)).orderBy(asc(trial.number)).all();
    return versionDoc(row, trials, new Map(), familyOfBrief(brief), brief, units);
  });
}

/** What came out of trials, but what is impossible. */
export function outcomesOf(trials: VersionDoc["trials"]): readonly TrialOutcome[] {
  return countedOutcomes(trials.map(({ brokeValue: broke, ...trial }) => ({ ...trial, broke })));
}

function versionDoc(
  row: VersionRow,
  trials: readonly TrialRow[],
  pictures: ReturnType<typeof pictureRows>,
  family: Family,
  { spec, design }: FrozenBrief["brief"],
  units: RunRow["units"],
  timer: Timer | null = null,
): VersionDoc {
  const checked = checkVersion(family, spec, design, { role: row.role, variables: row.variables, place: row.place, trials }, timer);
  const { dimension, setting } = family.measures(spec)[0];
  return {
    id: String(row.id),
    number: row.number,
    role: row.role,
    changed: row.changed,
    madeOf: row.madeOf,
    variables: row.variables,
    guess: row.guessRaw,
    guessValue: row.guessValue,
    guessed: row.guessed,
    place: row.place,
    pictures: row.pictures.map((one) => ({ ...one, size: null, hidden: false, ...pictures.get(one.id) })),
    trials: trials.map((t, i) => {
      const verdict = checked[i]?.verdict ?? { flag: null, offers: [] };
      return {
        id: String(t.id),
        number: t.number,
        raw: t.raw,
        value: t.value,
        instrument: t.instrument,
        seen: t.seen,
        outcome: t.outcome,
        broke: t.brokeRaw,
        brokeValue: t.brokeValue,
        rung: t.rung,
        setting: t.setting,
        at: setting?.kind === "choice" ? t.setting : t.settingValue,
        further: t.further,
        furtherValues: t.furtherValues,
        kept: t.kept,
        flag: verdict.flag,
        flagWords: t.value === null ? null : flagWords(verdict.flag, showQuantity(t.value, dimension, units)),
        offers: verdict.offers,
      };
    }),
  };
}

const dimensionOf = (brief: FrozenBrief["brief"]): Dimension => familyOfBrief(brief).measures(brief.spec)[0].dimension;

function groupBy<T, K>(rows: readonly T[], key: (row: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const row of rows) {
    const group = groups.get(key(row));
    if (group) group.push(row);
    else groups.set(key(row), [row]);
  }
  return groups;
}

/** A house trial is never asked for as an entry. */
function sifted(state: EntryRow["state"]): EntryDoc["state"] {
  if (state === "house trial") throw new Error("a house trial is no entry");
  return state;
}
