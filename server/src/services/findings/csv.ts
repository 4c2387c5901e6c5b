import { familyOfBrief } from "@lampcrate/core";
import { and, asc, eq, gt, notInArray } from "drizzle-orm";
import Papa from "papaparse";
import type { Database } from "../../db/open.ts";
import { entry } from "../../db/schema/index.ts";
import { entryDocs } from "../entries/entryDoc.ts";
import type { FilePart } from "../filePart.ts";
import { frozenVersion } from "../runs/briefs.ts";
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
  "guess_made",
  "place",
  "trial",
  "raw",
  "value_si",
  "outcome",
  "broke_raw",
  "broke_si",
  "rung",
  "setting_raw",
  "setting_si",
  "further",
  "instrument",
  "seen",
  "flag",
];

/**
 * Some of a run's trials, one row a trial, columns with units: docs/formats.md; the first part has the headings.
 * `after` is the place of the last entry of the part before, 0 for none. Text that a spreadsheet would take for a
 * formula is quoted by a leading apostrophe.
 */
export function trialsCsvPart(db: Database, runId: string, after: number): FilePart {
  const run = runRow(db, runId);
  const entries = db
    .select()
    .from(entry)
    .where(and(eq(entry.runId, runId), gt(entry.key, after), notInArray(entry.state, ["withdrawn", "house trial"])))
    .orderBy(asc(entry.key))
    .limit(chunk)
    .all();
  const known = new Map<number, readonly string[]>();
  const rungs = (version: number): readonly string[] => {
    const { brief } = frozenVersion(db, run.briefId, version);
    const steps = known.get(version) ?? familyOfBrief(brief).measures(brief.spec)[0].rungs?.steps ?? [];
    known.set(version, steps);
    return steps;
  };
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
        guess_made: version.guessed ?? "",
        place: version.place ?? "",
        trial: trial.number,
        raw: trial.raw ?? "",
        value_si: trial.value ?? "",
        outcome: trial.outcome,
        broke_raw: trial.broke ?? "",
        broke_si: trial.brokeValue ?? "",
        rung: trial.rung === null ? "" : (rungs(doc.briefVersion)[trial.rung] ?? trial.rung),
        setting_raw: trial.setting ?? "",
        setting_si: typeof trial.at === "number" ? trial.at : "",
        further: Object.keys(trial.furtherValues).length === 0 ? "" : JSON.stringify(trial.furtherValues),
        instrument: trial.instrument,
        seen: trial.seen.join("; "),
        flag: trial.flag ?? "",
      })),
    ),
  );
  const text = Papa.unparse({ fields: columns, data: rows }, { columns, header: after === 0, escapeFormulae: true, newline: "\r\n" });
  return { text: text === "" ? "" : `${text}\r\n`, next: entries.length === chunk ? (entries.at(-1)?.key ?? null) : null };
}
