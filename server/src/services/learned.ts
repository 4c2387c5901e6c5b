import type { BriefDoc, Checked, LearnedDoc, PracticeAdvice, VersionDoc } from "@lampcrate/contract";
import { type Family, families, learnRebuild, learnSpoil, mean, type Values } from "@lampcrate/core";
import { and, desc, eq } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import { brief, run } from "../db/schema.ts";
import { frozenVersion, loadBrief } from "./briefs.ts";
import { houseTrials, type Tried } from "./houseTrials.ts";
import { runRow } from "./runs.ts";
import { entriesOf } from "./sift.ts";

/** Runs of a family looked back on, newest first: older ones have been learned from long ago. */
const mostRuns = 40;

/** What house trials and earlier runs have taught about a run's brief. */
export function learnedDoc(db: Store, runId: string): LearnedDoc {
  const row = runRow(db, runId);
  const { doc } = loadBrief(db, row.briefId);
  const family = families[doc.family];
  const form = family.formOf(doc.spec, doc.design);
  const tried = houseTrials(db, runId);
  const siblings = db
    .select({ id: run.id })
    .from(run)
    .innerJoin(brief, eq(brief.id, run.briefId))
    .where(and(eq(brief.family, doc.family)))
    .orderBy(desc(run.createdAt))
    .limit(mostRuns)
    .all();
  const [measure] = family.measures(doc.spec);
  const ofForm = (of: BriefDoc, versions: readonly VersionDoc[], from: Checked["from"]): readonly Checked[] =>
    of.family === doc.family ? checkedOf(family, of, versions, form, measure.id, from) : [];
  const checked = siblings.flatMap(({ id }) => {
    const trials = id === runId ? tried : houseTrials(db, id);
    return [...trials.flatMap(({ doc: d, brief: b }) => ofForm(b, d.versions, "house trial")), ...entryResults(db, id, ofForm)];
  });
  const own = [...tried.flatMap((t) => t.doc.versions), ...acceptedVersions(db, runId)];
  return {
    trials: tried.map((t) => t.doc),
    checked,
    marks: tried.flatMap((t) => t.doc.versions.filter((v) => v.role === "build").flatMap(valuesOf)),
    seen: pooledSd(own),
    advice: adviceOf(tried, doc),
  };
}

type OfForm = (of: BriefDoc, versions: readonly VersionDoc[], from: Checked["from"]) => readonly Checked[];

function entryResults(db: Store, runId: string, ofForm: OfForm): readonly Checked[] {
  const row = runRow(db, runId);
  return entriesOf(db, runId)
    .filter((entry) => entry.state === "accepted")
    .flatMap((entry) => ofForm(frozenVersion(db, row.briefId, entry.briefVersion).brief, entry.versions, "entry"));
}

function acceptedVersions(db: Store, runId: string): readonly VersionDoc[] {
  return entriesOf(db, runId)
    .filter((entry) => entry.state === "accepted")
    .flatMap((entry) => entry.versions);
}

/** One result for a build: the mean of its possible values against what was predicted for what it declares. Its first build of the form counts. */
function checkedOf(
  family: Family,
  of: BriefDoc,
  versions: readonly VersionDoc[],
  form: string,
  measureId: string,
  from: Checked["from"],
): readonly Checked[] {
  for (const version of versions) {
    const design: Values = { ...of.design, ...version.variables };
    if (version.role !== "build" || family.formOf(of.spec, design) !== form) continue;
    const values = valuesOf(version);
    const mid = family.predict(of.spec, design).find((p) => p.id === measureId)?.band.mid ?? 0;
    if (values.length === 0 || mid <= 0 || mean(values) <= 0) continue;
    return [{ ratio: mean(values) / mid, measured: mean(values), from }];
  }
  return [];
}

const valuesOf = (version: VersionDoc): readonly number[] =>
  version.trials.flatMap((trial) => (trial.value !== null && trial.flag !== "impossible" && !trial.atLeast ? [trial.value] : []));

/** Pooled standard deviation within versions; null until one has two values. */
function pooledSd(versions: readonly VersionDoc[]): number | null {
  let [squares, freedom] = [0, 0];
  for (const values of versions.map(valuesOf)) {
    if (values.length < 2) continue;
    const middle = mean(values);
    for (const value of values) squares += (value - middle) ** 2;
    freedom += values.length - 1;
  }
  return freedom > 0 ? Math.sqrt(squares / freedom) : null;
}

/** The run's numbers before its first house trial, and what the trials make of them. Defaults weigh as ten observations. */
function adviceOf(tried: readonly Tried[], now: BriefDoc): PracticeAdvice | null {
  const [first] = tried;
  if (!first) return null;
  const before = first.brief;
  const minutes = tried.map((t) => t.doc.buildMinutes).sort((a, b) => a - b);
  const sessions = tried.map((t) => ({ units: 1, rebuilds: Array.from({ length: before.loops }, (_, i) => (i < t.doc.rebuilds ? 1 : 0)) }));
  const spoil = now.lines
    .filter((line) => line.kind === "counted")
    .flatMap((line) => {
      const counts = tried.flatMap((t) => t.doc.broke.filter((b) => b.lineId === line.id));
      if (counts.length === 0) return [];
      const usual = before.lines.find((l) => l.id === line.id)?.spoilRate ?? line.spoilRate;
      const sum = (of: "spoilt" | "good"): number => counts.reduce((total, count) => total + count[of], 0);
      return [{ lineId: line.id, before: usual, learned: learnSpoil(usual, sum("spoilt"), sum("good")) }];
    });
  return {
    buildMinutes: { before: before.buildMinutes, after: minutes[Math.floor((minutes.length - 1) / 2)] ?? before.buildMinutes },
    rebuildRate: { before: before.rebuildRate, learned: learnRebuild(before.rebuildRate, before.loops, sessions) },
    spoil,
  };
}
