import type { BriefDoc, BriefLine, Checked, LearnedDoc, PracticeAdvice, VersionDoc } from "@lampcrate/contract";
import {
  type Family,
  families,
  type Grouping,
  learnAmount,
  learnRebuild,
  learnSpoil,
  mean,
  type RebuildSession,
  unitsFor,
  type Values,
} from "@lampcrate/core";
import { and, desc, eq } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import { brief, run } from "../db/schema/index.ts";
import { frozenVersion, loadBrief } from "./briefs.ts";
import { type Counted, countsOf } from "./counts.ts";
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
  const counted = countsOf(db, runId);
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
    counts: counted.map((c) => c.doc),
    checked,
    marks: tried.flatMap((t) => t.doc.versions.filter((v) => v.role === "build").flatMap(valuesOf)),
    seen: pooledSd(own),
    advice: adviceOf(tried, counted, doc),
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

/** The run's numbers before its first house trial or count, and what these make of them. Defaults weigh as ten observations, or three sessions. */
function adviceOf(tried: readonly Tried[], counted: readonly Counted[], now: BriefDoc): PracticeAdvice | null {
  const before = tried[0]?.brief ?? counted[0]?.brief;
  if (!before) return null;
  const minutes = tried.map((t) => t.doc.buildMinutes).sort((a, b) => a - b);
  const middle = minutes[Math.floor((minutes.length - 1) / 2)];
  return {
    buildMinutes: middle === undefined ? null : { before: before.buildMinutes, after: middle },
    rebuildRate: {
      before: before.rebuildRate,
      learned: learnRebuild(before.rebuildRate, before.loops, rebuildSessions(tried, counted, before)),
    },
    spoil: now.lines
      .filter((line) => line.kind === "counted")
      .flatMap(({ id, spoilRate }) => {
        const pieces = [
          ...tried.flatMap((t) => t.doc.broke.filter((b) => b.lineId === id)),
          ...counted.flatMap((c) =>
            c.doc.lines.filter((l) => l.lineId === id).map((l) => ({ spoilt: l.spoilt, good: l.putOut - l.left - l.spoilt })),
          ),
        ];
        if (pieces.length === 0) return [];
        const usual = lineOf(before, id)?.spoilRate ?? spoilRate;
        const sum = (of: "spoilt" | "good"): number => pieces.reduce((total, piece) => total + piece[of], 0);
        return [{ lineId: id, before: usual, learned: learnSpoil(usual, sum("spoilt"), sum("good")) }];
      }),
    amounts: now.lines.flatMap((line) => amountOf(line, counted, before)),
  };
}

const lineOf = (brief: BriefDoc, id: string): BriefLine | undefined => brief.lines.find((line) => line.id === id);

/** Each practice build is a session of one; a counted session has as many units as builders or teams. */
function rebuildSessions(tried: readonly Tried[], counted: readonly Counted[], before: BriefDoc): readonly RebuildSession[] {
  return [
    ...tried.map((t) => ({ units: 1, rebuilds: Array.from({ length: before.loops }, (_, i) => (i < t.doc.rebuilds ? 1 : 0)) })),
    ...counted.map((c) => ({ units: unitsFor(before.buildBy, c.doc.builders, groupingOf(before)), rebuilds: c.doc.rebuilds })),
  ];
}

const groupingOf = (brief: BriefDoc): Grouping => ({
  teamSize: brief.teamSize,
  seats: brief.seatsPerTable,
  share: brief.shareAtOnce,
  rigServes: brief.rigServes,
});

/** What a unit really takes of a line, clear of rebuilds and spoil; nothing for what is shared or was never counted. */
function amountOf(line: BriefLine, counted: readonly Counted[], before: BriefDoc): PracticeAdvice["amounts"] {
  if (line.kind === "reusable") return [];
  const usual = lineOf(before, line.id) ?? line;
  const builds = line.per === before.buildBy;
  const sessions = counted.flatMap(({ doc }) => {
    const found = doc.lines.find((l) => l.lineId === line.id);
    const units = unitsFor(line.per, doc.builders, groupingOf(before));
    const rebuilds = builds ? doc.rebuilds.reduce((sum, n) => sum + n, 0) : 0;
    return found && units > 0 ? [{ putOut: found.putOut, left: found.left, spoilt: found.spoilt, units, rebuilds }] : [];
  });
  if (sessions.length === 0) return [];
  const { amount, perRebuild } = usual;
  const learned = learnAmount({ kind: line.kind, amount, perRebuild, rebuildRate: before.rebuildRate, loops: before.loops }, sessions);
  return [{ lineId: line.id, before: amount, learned: { value: learned.value, interval: learned.interval } }];
}
