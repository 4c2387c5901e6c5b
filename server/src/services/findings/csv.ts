import { and, asc, eq, gt, notInArray } from "drizzle-orm";
import Papa from "papaparse";
import type { Database } from "../../db/open.ts";
import { entry } from "../../db/schema/index.ts";
import { entryDocs } from "../entries/entryDoc.ts";
import { runRow } from "../runs/runs.ts";

/** Entries written out at a time. */
const chunk = 150;

const columns = [
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
  "outcome",
  "broke_raw",
  "broke_si",
  "instrument",
  "seen",
  "flag",
];

/** A part of a table, and where the next one begins; null on the last. */
export interface CsvPart {
  readonly text: string;
  readonly next: number | null;
}

/**
 * Some of a run's trials, one row a trial, columns with units: docs/formats.md; the first part has the headings.
 * `after` is the place of the last entry of the part before, 0 for none. Text that a spreadsheet would take for a
 * formula is quoted by a leading apostrophe.
 */
export function trialsCsvPart(db: Database, runId: string, after: number): CsvPart {
  const run = runRow(db, runId);
  const entries = db
    .select()
    .from(entry)
    .where(and(eq(entry.runId, runId), gt(entry.key, after), notInArray(entry.state, ["withdrawn", "house trial"])))
    .orderBy(asc(entry.key))
    .limit(chunk)
    .all();
  const rows = entryDocs(db, run, entries).flatMap((doc) =>
    doc.versions.flatMap((version) =>
      version.trials.map((trial) => ({
        alias: doc.alias,
        entry_state: doc.state,
        age_band: doc.ageBand ?? "",
        brief_version: doc.briefVersion,
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
        outcome: trial.outcome,
        broke_raw: trial.broke ?? "",
        broke_si: trial.brokeValue ?? "",
        instrument: trial.instrument,
        seen: trial.seen.join("; "),
        flag: trial.flag ?? "",
      })),
    ),
  );
  const text = Papa.unparse({ fields: columns, data: rows }, { columns, header: after === 0, escapeFormulae: true, newline: "\r\n" });
  return { text: text === "" ? "" : `${text}\r\n`, next: entries.length === chunk ? (entries.at(-1)?.key ?? null) : null };
}
