import type { BriefDoc, Checked, LearnedDoc, PracticeAdvice, VersionDoc } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import {
  exactNumbers,
  type Family,
  type FindingVersion,
  familyOfBrief,
  type Grouping,
  learnAmount,
  learnRebuild,
  learnSpoil,
  likeness,
  mean,
  type RebuildSession,
  unitsFor,
  type Values,
} from "@lampcrate/core";
import { desc, eq } from "drizzle-orm";
import type { Database } from "../../db/open.ts";
import { brief, run } from "../../db/schema/index.ts";
import { outcomesOf } from "../entries/entryDoc.ts";
import { houseTrials, type Tried } from "../entries/houseTrials.ts";
import { frozenVersion, loadBrief } from "../runs/briefs.ts";
import { type RunRow, runRow } from "../runs/runs.ts";
import { type Counted, countsOf } from "../store/counts.ts";
import type { Digested } from "./digest.ts";
import type { Digests } from "./digests.ts";

/** Runs of a family looked back on, newest first: older ones have been learned from long ago. */
const mostRuns = 40;

/** Builds less alike than this teach nothing. */
const leastAlike = 0.1;

/** Results learned from, newest first: beyond a thousand the middle and its factor hardly move. */
const mostChecked = 1000;

/** What house trials and earlier runs have taught about a run's brief. */
export function learnedDoc(db: Database, digests: Digests, runId: string): LearnedDoc {
  const row = runRow(db, runId);
  const { doc } = loadBrief(db, row.briefId);
  const family = familyOfBrief(doc);
  const tried = houseTrials(db, runId);
  const counted = countsOf(db, runId);
  const siblings = db
    .select({ id: run.id })
    .from(run)
    .innerJoin(brief, eq(brief.id, run.briefId))
    .where(eq(brief.family, doc.family))
    .orderBy(desc(run.createdAt))
    .limit(mostRuns)
    .all();
  const [measure] = family.measures(doc.spec);
  const checked: Checked[] = [];
  const take = (of: BriefDoc, versions: readonly Tested[], from: Checked["from"]): void => {
    const ratio = of.family === doc.family && checked.length < mostChecked ? ratioOf(family, of, versions, doc, measure.id) : null;
    if (ratio !== null) checked.push({ ...ratio, from });
  };
  for (const { id } of siblings) {
    for (const { doc: d, brief: b } of id === runId ? tried : houseTrials(db, id)) take(b, d.versions.map(testedOf), "house trial");
    const sibling = runRow(db, id);
    const briefs = new Map<number, BriefDoc>();
    for (const one of newestAccepted(digests, sibling)) {
      const brief = briefs.get(one.briefVersion) ?? frozenVersion(db, sibling.briefId, one.briefVersion).brief;
      briefs.set(one.briefVersion, brief);
      take(brief, one.entry.versions.map(foundTested), "entry");
    }
  }
  const own = [
    ...tried.flatMap((t) => t.doc.versions.map(testedOf)),
    ...newestAccepted(digests, row).flatMap((one) => one.entry.versions.map(foundTested)),
  ];
  return {
    trials: tried.map((t) => t.doc),
    counts: counted.map((c) => c.doc),
    checked,
    marks: tried.flatMap((t) => t.doc.versions.filter((v) => v.role === "build").flatMap(valuesOf)),
    seen: pooledSd(own),
    advice: adviceOf(tried, counted, doc),
  };
}

/** A run's accepted entries, newest first. */
function newestAccepted(digests: Digests, row: RunRow): readonly Digested[] {
  const accepted = digests
    .of(row)
    .all()
    .filter((one) => one.state === "accepted");
  return accepted.slice(-mostChecked).reverse();
}

/** What a version's possible values teach. */
type Tested = Pick<FindingVersion, "role" | "variables"> & { readonly values: readonly number[] };

const foundTested = ({ role, variables, trials }: FindingVersion): Tested => ({ role, variables, values: exactNumbers(trials) });

const testedOf = ({ role, variables, trials }: VersionDoc): Tested => ({ role, variables, values: exactNumbers(outcomesOf(trials)) });

/** One result for a build: the mean of its possible values over what was predicted for what it declares. Its first build of the form counts; null when none does. */
function ratioOf(
  family: Family,
  of: BriefDoc,
  versions: readonly Tested[],
  now: BriefDoc,
  measureId: string,
): Pick<Checked, "ratio" | "weight"> | null {
  const form = family.formOf(now.spec, now.design);
  for (const { role, variables, values } of versions) {
    if (role !== "build" || values.length === 0 || mean(values) <= 0) continue;
    const predicted = predictedFor(family, of, variables, measureId);
    if (predicted.form !== form || predicted.mid <= 0) continue;
    const weight = likeness(family, now, { spec: of.spec, design: { ...of.design, ...variables } });
    return weight < leastAlike ? null : { ratio: mean(values) / predicted.mid, weight };
  }
  return null;
}

/** Predictions already made: some cost a simulation, and the same build is declared often. */
const predictions = new Map<string, { readonly form: string; readonly mid: number }>();
const mostPredictions = 5000;

function predictedFor(family: Family, of: BriefDoc, variables: Tested["variables"], measureId: string) {
  const design: Values = { ...of.design, ...variables };
  const key = JSON.stringify([family.id, of.spec, design, measureId]);
  const known = predictions.get(key);
  if (known) return known;
  const mid = family.predict(of.spec, design).find((p) => p.id === measureId)?.band.mid ?? 0;
  const made = { form: family.formOf(of.spec, design), mid };
  if (predictions.size >= mostPredictions) predictions.clear();
  predictions.set(key, made);
  return made;
}

const valuesOf = (version: VersionDoc): readonly number[] => exactNumbers(outcomesOf(version.trials));

/** Pooled standard deviation within versions; null until one has two values. */
function pooledSd(versions: readonly Tested[]): number | null {
  let [squares, freedom] = [0, 0];
  for (const { values } of versions) {
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

const lineOf = (brief: BriefDoc, id: string): KitLine | undefined => brief.lines.find((line) => line.id === id);

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
function amountOf(line: KitLine, counted: readonly Counted[], before: BriefDoc): PracticeAdvice["amounts"] {
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
