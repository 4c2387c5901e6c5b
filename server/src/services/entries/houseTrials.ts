import type { BriefDoc, HouseTrialDoc, HouseTrialInput, OwnBuild } from "@lampcrate/contract";
import { countedIntervals, familyOfBrief, intervalWords, ownBuildWords, said, showOf, type UnitChoice } from "@lampcrate/core";
import { and, asc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, practice, run, staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { loadBrief } from "../runs/briefs.ts";
import { runRow } from "../runs/runs.ts";
import { followRevision, remember } from "../runs/undo.ts";
import { outcomesOf, versionDocs } from "./entryDoc.ts";
import { entryWriter } from "./entryWriter.ts";
import { readVersions } from "./readVersions.ts";

/** A house trial with the brief as it was tried. */
export interface Tried {
  readonly doc: HouseTrialDoc;
  readonly brief: BriefDoc;
}

/** A run's house trials, oldest first. */
export function houseTrials(db: Store, runId: string): readonly Tried[] {
  const of = runRow(db, runId);
  const rows = db
    .select({ entry, practice, by: staff.name })
    .from(practice)
    .innerJoin(entry, eq(entry.key, practice.entryKey))
    .leftJoin(staff, eq(staff.id, practice.staffId))
    .where(and(eq(entry.runId, runId), eq(entry.state, "house trial")))
    .orderBy(asc(entry.key))
    .all();
  return rows.map(({ entry: row, practice: { buildMinutes, rebuilds, broke, note, shown, tried }, by }) => ({
    brief: tried,
    doc: {
      id: row.id,
      at: row.sentAt,
      by: by ?? "",
      buildMinutes,
      rebuilds,
      broke,
      note,
      shown,
      versions: versionDocs(db, row.key, tried, of.units),
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

/** Shows a house trial to families as the house's own build, or takes it off again. Throws 404. */
export function showHouseTrial(deps: Deps, runId: string, id: string, shown: boolean): void {
  deps.db.transaction((tx) => {
    const of = runRow(tx, runId);
    const row = tx
      .select({ key: entry.key })
      .from(entry)
      .where(and(eq(entry.id, id), eq(entry.runId, runId), eq(entry.state, "house trial")))
      .get();
    if (!row) throw notFound("house trial");
    tx.update(practice).set({ shown }).where(eq(practice.entryKey, row.key)).run();
    // The sheet that families have is another one from now on.
    tx.update(run)
      .set({ revision: of.revision + 1 })
      .where(eq(run.id, runId))
      .run();
    followRevision(tx, runId, of.revision, of.revision + 1);
  });
}

/** The builds that a house shows as its own, best measured value and words in the language that is spoken, oldest first. */
export function ownBuilds(db: Store, runId: string, units: UnitChoice): readonly OwnBuild[] {
  return houseTrials(db, runId)
    .filter(({ doc }) => doc.shown)
    .map(({ doc, brief }) => {
      const [measure] = familyOfBrief(brief).measures(brief.spec);
      const found = doc.versions
        .filter(({ role }) => role === "build")
        .flatMap(({ trials }) => countedIntervals(measure, outcomesOf(trials)));
      const best = found.sort((a, b) => (measure.better === "more" ? b.low - a.low : a.low - b.low))[0];
      const what = said(ownBuildWords(doc.versions));
      return { id: doc.id, best: best === undefined ? null : intervalWords(best, showOf(measure, units)), what };
    });
}
