import type { BuilderPage, FindingsDoc, FirstLastPair } from "@lampcrate/contract";
import {
  clearest,
  comparisonWords,
  exactNumbers,
  type FindingEntry,
  findingsWords,
  furtherOf,
  guessesSeen,
  guessWords,
  joinFindings,
  ladderSeen,
  ladderWords,
  type Measure,
  type Outcome,
  outcomeOf,
  type RunFindings,
  runSays,
  runSaysWords,
  symptomsSeen,
  symptomWords,
  versionPrediction,
} from "@lampcrate/core";
import type { Database } from "../../db/open.ts";
import { type RunRow, runRow } from "../runs/runs.ts";
import { byAlias } from "./byAlias.ts";
import type { Digests } from "./digests.ts";
import { pageFrom } from "./page.ts";

/** Builders drawn first against last. */
const mostDrawn = 24;

/** What a run's accepted entries show, all of it: kept until an entry, a decision or the goal changes. */
export function foundIn(digests: Digests, row: RunRow): RunFindings {
  const digest = digests.of(row);
  const { family, spec } = digest.goal;
  return digests.answer(`found ${row.id}`, `${digest.stamp}`, () => joinFindings(family, spec, digest.accepted()));
}

/** What the run's accepted entries show, and how many still wait. */
export function findingsDoc(db: Database, digests: Digests, runId: string): FindingsDoc {
  const row = runRow(db, runId);
  const found = foundIn(digests, row);
  const { measure, goal, entries, goalMet, otherGoals } = found;
  const digest = digests.of(row);
  const shown = digests.answer(`findings ${runId}`, `${digest.stamp} ${row.revision}`, () => ({
    measure,
    further: furtherOf(digest.goal.family, digest.goal.spec, digest.goal.outcomes),
    goal,
    entries,
    goalMet,
    otherGoals,
    plain: findingsWords(found, row.units).slice(0, 3),
    firstLast: firstLastOf(found),
    clearest: clearest(found.comparisons),
    together: togetherOf(digest, found),
    symptoms: symptomsOf(digest, found),
    guesses: guessWords(guessesSeen(measure, alikeIn(digest, measure))),
    ladder: ladderOf(digest, found, row),
    outcome: outcomeFor(digest),
    table: pageOf(found, row, 0),
  }));
  return { ...shown, waiting: digest.waits };
}

/** Accepted entries that measured what the run does today. */
const alikeIn = (digest: ReturnType<Digests["of"]>, { id }: Measure): readonly FindingEntry[] =>
  digest.all().flatMap(({ state, found, entry }) => (state === "accepted" && found?.measure.id === id ? [entry] : []));

/** Reckons what runs show before anybody asks: those that nothing has happened to are not reckoned anew. */
export function findingsAhead(db: Database, digests: Digests): void {
  for (const { id } of digests.gathering()) findingsDoc(db, digests, id);
}

/** What all builders together show of what they changed. */
function togetherOf(digest: ReturnType<Digests["of"]>, { measure }: RunFindings): FindingsDoc["together"] {
  const { family, spec } = digest.goal;
  const says = runSays(family, spec, measure, alikeIn(digest, measure));
  const { rows, builders, leftOut } = says.model;
  return { plain: runSaysWords(family, measure, says), rows, builders, leftOut, blank: says.blank };
}

function symptomsOf(digest: ReturnType<Digests["of"]>, { measure }: RunFindings): readonly string[] {
  const { family, spec } = digest.goal;
  return symptomsSeen(family, spec, measure, alikeIn(digest, measure)).map(symptomWords);
}

/** What came through at each setting of a ladder. */
function ladderOf(digest: ReturnType<Digests["of"]>, { measure }: RunFindings, { units }: RunRow): FindingsDoc["ladder"] {
  const seen = ladderSeen(digest.goal.family, digest.goal, measure, alikeIn(digest, measure));
  return seen && { ...seen, plain: ladderWords(seen, measure, units) };
}

/** First builds of the sheet that stands, against what its plain build was predicted to give. */
function outcomeFor(digest: ReturnType<Digests["of"]>): Outcome {
  const { family, spec, design, version } = digest.goal;
  const plain = { role: "build", variables: {}, place: null } as const;
  const first = digest
    .all()
    .filter((one) => one.state === "accepted" && (version === null || one.briefVersion === version))
    .flatMap((one) => exactNumbers(one.entry.versions.find((v) => v.role === "build")?.trials ?? []));
  return outcomeOf(versionPrediction(family, spec, design, plain), first);
}

/** More of the table, from a place on. */
export function builderPage(db: Database, digests: Digests, runId: string, from: number): BuilderPage {
  const row = runRow(db, runId);
  return pageOf(foundIn(digests, row), row, from);
}

function pageOf(found: RunFindings, { units }: RunRow, from: number): BuilderPage {
  const { builders, comparisons } = found;
  const { some, total, next } = pageFrom(builders, from);
  const ids = new Set(some.map((builder) => builder.entryId));
  const lastChange = new Map(comparisons.filter((c) => ids.has(c.entryId) && !c.control).map((c) => [c.entryId, c]));
  return {
    builders: some.map((builder) => {
      const last = lastChange.get(builder.entryId);
      return { ...builder, words: last ? comparisonWords(last, units) : null };
    }),
    total,
    next,
  };
}

function firstLastOf({ builders }: RunFindings): FindingsDoc["firstLast"] {
  const highestFirst = (a: FirstLastPair, b: FirstLastPair): number => b.last.low - a.last.low || byAlias(a, b);
  let pairs: FirstLastPair[] = [];
  let total = 0;
  for (const { alias, first, last, measure } of builders) {
    if (first === null || last === null || measure !== null) continue;
    const pair = { alias, first, last };
    total += 1;
    // Tens of thousands need no order among themselves: only those that are drawn do.
    if (pairs.length >= mostDrawn && highestFirst(pair, pairs[mostDrawn - 1] ?? pair) >= 0) continue;
    pairs = [...pairs, pair].sort(highestFirst).slice(0, mostDrawn);
  }
  return { pairs, total };
}
