import type { BriefDoc, HouseTrialDoc, HouseTrialInput } from "@lampcrate/contract";
import { and, asc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, practice, staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { loadBrief } from "../runs/briefs.ts";
import { runRow } from "../runs/runs.ts";
import { remember } from "../runs/undo.ts";
import { versionDocs } from "./entryDoc.ts";
import { entryWriter } from "./entryWriter.ts";
import { readVersions } from "./readVersions.ts";

/** A house trial with the brief as it was tried. */
export interface Tried {
  readonly doc: HouseTrialDoc;
  readonly brief: BriefDoc;
}

/** A run's house trials, oldest first. */
export function houseTrials(db: Store, runId: string): readonly Tried[] {
  const run = runRow(db, runId);
  const rows = db
    .select({ entry, practice, by: staff.name })
    .from(practice)
    .innerJoin(entry, eq(entry.key, practice.entryKey))
    .leftJoin(staff, eq(staff.id, practice.staffId))
    .where(and(eq(entry.runId, runId), eq(entry.state, "house trial")))
    .orderBy(asc(entry.key))
    .all();
  return rows.map(({ entry: row, practice: { buildMinutes, rebuilds, broke, note, tried }, by }) => ({
    brief: tried,
    doc: {
      id: row.id,
      at: row.sentAt,
      by: by ?? "",
      buildMinutes,
      rebuilds,
      broke,
      note,
      versions: versionDocs(db, row.key, tried, run.units),
    },
  }));
}

/** Keeps a practice build; it can be undone. Throws 422 naming the field that can't be read. */
export function addHouseTrial(deps: Deps, person: Person, runId: string, input: HouseTrialInput): void {
  const { versions: typed, ...own } = input;
  deps.db.transaction((tx) => {
    const row = runRow(tx, runId);
    const { doc, revision } = loadBrief(tx, row.briefId);
    const known = new Set(doc.lines.map((line) => line.id));
    for (const [i, { lineId }] of own.broke.entries())
      if (!known.has(lineId)) throw badField(`broke[${i}].lineId`, "The crate has no such line any more.");
    const versions = readVersions(typed, doc);
    const id = newId();
    const at = deps.clock();
    const kept = tx
      .insert(entry)
      .values({
        id,
        runId,
        briefVersion: 0,
        alias: `house trial ${id}`,
        ageBand: null,
        said: "",
        source: "house trial",
        state: "house trial",
        sentAt: at,
        revision: 1,
      })
      .returning()
      .get();
    entryWriter(deps.db).writeVersions(kept.key, versions);
    tx.insert(practice)
      .values({ ...own, entryKey: kept.key, staffId: person.id, tried: doc })
      .run();
    remember(tx, person, at, {
      runId,
      kind: "house trial",
      subject: id,
      words: "logged a house trial",
      before: null,
      revisionBefore: revision,
      revisionAfter: 1,
    });
  });
}
