import type { EntryDoc, FindingsDoc, RevealDoc, RevealEntry } from "@lampcrate/contract";
import {
  type BuilderFound,
  type FindingEntry,
  families,
  findingsWords,
  isFamilyId,
  type RunFindings,
  runFindings,
  showQuantity,
} from "@lampcrate/core";
import Papa from "papaparse";
import type { Store } from "../db/open.ts";
import { notFound, Problem } from "../http/problem.ts";
import { frozenVersion, loadBrief } from "./briefs.ts";
import { houseDoc } from "./house.ts";
import type { RunRow } from "./runs.ts";
import { runRow } from "./runs.ts";
import { entriesOf } from "./sift.ts";

/** Values that count: accepted, read, and possible. */
function findingEntry(entry: EntryDoc): FindingEntry {
  return {
    id: entry.id,
    alias: entry.alias,
    versions: entry.versions.map((version) => {
      const counted = version.trials.filter((trial) => trial.value !== null && trial.flag !== "impossible");
      const values = (atLeast: boolean): number[] =>
        counted.flatMap((trial) => (trial.atLeast === atLeast && trial.value !== null ? [trial.value] : []));
      return {
        number: version.number,
        role: version.role,
        variables: version.variables,
        place: version.place,
        instrument: version.trials[0]?.instrument ?? "",
        values: values(false),
        atLeast: values(true),
      };
    }),
  };
}

function findingsOf(db: Store, row: RunRow, entries: readonly EntryDoc[]): RunFindings {
  const brief = row.publishedVersion === null ? loadBrief(db, row.briefId).doc : frozenVersion(db, row.briefId, row.publishedVersion).brief;
  if (!isFamilyId(brief.family)) throw notFound("family");
  return runFindings(families[brief.family], brief.spec, entries.filter((entry) => entry.state === "accepted").map(findingEntry));
}

/** What the run's accepted entries show, and how many still wait. */
export function findingsDoc(db: Store, runId: string): FindingsDoc {
  const entries = entriesOf(db, runId);
  return { ...findingsOf(db, runRow(db, runId), entries), waiting: entries.filter((entry) => entry.state === "waiting").length };
}

/** One row a trial, columns with units: docs/formats.md. Text that a spreadsheet would take for a formula is quoted by a leading apostrophe. */
export function trialsCsv(db: Store, runId: string): string {
  const rows = entriesOf(db, runId).flatMap((entry) =>
    entry.versions.flatMap((version) =>
      version.trials.map((trial) => ({
        alias: entry.alias,
        entry_state: entry.state,
        age_band: entry.ageBand ?? "",
        brief_version: entry.briefVersion,
        version: version.number,
        role: version.role,
        changed: version.changed,
        made_of: version.madeOf,
        variables: JSON.stringify(version.variables),
        guess_raw: version.guess ?? "",
        place: version.place ?? "",
        trial: trial.number,
        raw: trial.raw ?? "",
        value_si: trial.value ?? "",
        at_least: trial.atLeast,
        instrument: trial.instrument,
        seen: trial.seen.join("; "),
        flag: trial.flag ?? "",
      })),
    ),
  );
  return Papa.unparse(rows, { columns: csvColumns, escapeFormulae: true, newline: "\r\n" });
}

const csvColumns = [
  "alias",
  "entry_state",
  "age_band",
  "brief_version",
  "version",
  "role",
  "changed",
  "made_of",
  "variables",
  "guess_raw",
  "place",
  "trial",
  "raw",
  "value_si",
  "at_least",
  "instrument",
  "seen",
  "flag",
];

/** What everyone may see on the reveal: aliases only, ranks only when the run's scoring says so. Throws 403 before its day. */
export function revealDoc(db: Store, row: RunRow, today: string): RevealDoc {
  if (row.revealOn === null || today < row.revealOn) {
    const message = row.revealOn === null ? "The reveal has no day yet." : "The reveal is still to come.";
    throw new Problem(403, "Not yet", message, { errors: [{ field: "code", message }] });
  }
  return revealOf(db, row);
}

/** The same, before its day: for the planner. */
export function revealOf(db: Store, row: RunRow): RevealDoc {
  const found = findingsOf(db, row, entriesOf(db, row.id));
  const brief = frozenVersion(db, row.briefId, row.publishedVersion ?? 0).brief;
  if (!isFamilyId(brief.family)) throw notFound("family");
  const standings = row.scoring !== "celebrate";
  const ranks = ranksOf(found.builders, row.scoring, found.measure.better);
  const builders: RevealEntry[] = found.builders.map((b) => ({
    alias: b.alias,
    metGoal: b.metGoal,
    first: b.first,
    last: b.last,
    best: standings ? b.best : null,
    improved: standings ? b.improved : null,
    rank: ranks.get(b.alias) ?? null,
  }));
  return {
    title: row.title,
    house: houseDoc(db).name,
    scoring: row.scoring,
    measure: found.measure.words,
    unit: found.measure.unit,
    goalWords: families[brief.family].goalWords(brief.spec, (si, dimension) => showQuantity(si, dimension, row.units)),
    goalMet: found.goalMet,
    entries: found.entries,
    plain: findingsWords(found, row.units).slice(0, 3),
    builders: builders.sort((a, b) => (a.rank ?? 0) - (b.rank ?? 0) || a.alias.localeCompare(b.alias, "en")),
  };
}

/** 1, 2, 2, 4: 1 + the number with a strictly better score; none unless the scoring ranks. */
function ranksOf(builders: readonly BuilderFound[], scoring: RunRow["scoring"], better: "more" | "less"): ReadonlyMap<string, number> {
  if (scoring !== "best" && scoring !== "mean") return new Map();
  const scored = builders.flatMap((b) => {
    const score = scoring === "best" ? b.best : b.last;
    return score === null ? [] : [{ alias: b.alias, score: better === "more" ? score : -score }];
  });
  return new Map(scored.map(({ alias, score }) => [alias, 1 + scored.filter((other) => other.score > score + 1e-9).length]));
}
