import type { EvidenceDoc, OpenRange } from "@lampcrate/contract";
import {
  type Bounds,
  countedIntervals,
  exactNumbers,
  familyOfBrief,
  type Measure,
  spreadOf,
  type TrialOutcome,
  versionBounds,
  versionPrediction,
} from "@lampcrate/core";
import { and, eq } from "drizzle-orm";
import type { Database } from "../../db/open.ts";
import { entry } from "../../db/schema/index.ts";
import { notFound } from "../../http/problem.ts";
import { entryDocs } from "../entries/entryDoc.ts";
import { frozenVersion } from "../runs/briefs.ts";
import { runRow } from "../runs/runs.ts";
import type { Digests } from "./digests.ts";

/** What one entry is judged beside, by the sheet it was built from. Throws 404. */
export function evidenceDoc(db: Database, digests: Digests, runId: string, entryId: string): EvidenceDoc {
  const row = runRow(db, runId);
  const found = db
    .select()
    .from(entry)
    .where(and(eq(entry.id, entryId), eq(entry.runId, runId)))
    .get();
  const [doc] = found && found.state !== "house trial" ? entryDocs(db, row, [found]) : [];
  if (!doc) throw notFound("entry");
  const { brief } = frozenVersion(db, row.briefId, doc.briefVersion);
  const { spec, design } = brief;
  const family = familyOfBrief(brief);
  const [measure] = family.measures(spec);
  // Numbers of a sheet with another measure say nothing beside these.
  const likeIt = new Map<number, boolean>();
  const isLike = (version: number): boolean => {
    const known = likeIt.get(version) ?? measureId(db, row.briefId, version) === measure.id;
    likeIt.set(version, known);
    return known;
  };
  const others = digests
    .of(row)
    .all()
    .filter((one) => one.entry.id !== entryId && one.state !== "set aside" && isLike(one.briefVersion))
    .flatMap((one) =>
      one.entry.versions.filter((version) => version.role === "build").flatMap((version) => valuesIn(version.trials, measure)),
    );
  return {
    entryId,
    measure,
    goal: family.goal(spec).value,
    versions: doc.versions.map((version) => {
      const { hard, soft } = versionBounds(family, spec, design, version, version.trials[0]?.instrument ?? "", doc.timer);
      return {
        number: version.number,
        role: version.role,
        hard: openEnded(hard),
        soft: openEnded(soft),
        predicted: versionPrediction(family, spec, design, version),
      };
    }),
    others: spreadOf(others),
  };
}

/** Values to draw of a version: its exact numbers, or what it came through where trials are a ladder, passes or rungs. */
function valuesIn(trials: readonly TrialOutcome[], measure: Measure): readonly number[] {
  return measure.rungs || measure.passes ? countedIntervals(measure, trials).map(({ low }) => low) : exactNumbers(trials);
}

function measureId(db: Database, briefId: string, number: number): string {
  const { brief } = frozenVersion(db, briefId, number);
  return familyOfBrief(brief).measures(brief.spec)[0].id;
}

/** JSON has no endless number. */
const openEnded = ([low, high]: Bounds["hard"]): OpenRange => [finite(low), finite(high)];
const finite = (end: number): number | null => (Number.isFinite(end) ? end : null);
