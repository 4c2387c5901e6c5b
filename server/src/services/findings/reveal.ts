import type { BriefDoc, RevealDoc, RevealEntry, RevealPage } from "@lampcrate/contract";
import {
  type Better,
  type BuilderFound,
  families,
  findingsWords,
  type Interval,
  inLanguage,
  said,
  showQuantity,
  spokenNow,
} from "@lampcrate/core";
import type { Database } from "../../db/open.ts";
import { houseDoc } from "../house/house.ts";
import { frozenVersion } from "../runs/briefs.ts";
import { type RunRow, runRow } from "../runs/runs.ts";
import { byAlias } from "./byAlias.ts";
import type { Digests } from "./digests.ts";
import { foundIn } from "./findings.ts";
import { pageFrom } from "./page.ts";

/** Names listed as having met the goal. */
const mostMet = 60;
const mostImproved = 8;

/** What everyone may see on a run's reveal: aliases only, ranks only when the run's scoring says so. */
export function revealOf(db: Database, digests: Digests, runId: string): RevealDoc {
  const row = runRow(db, runId);
  const { name } = houseDoc(db);
  return digests.answer(`reveal doc ${runId} ${spokenNow().id}`, `${digests.of(row).stamp} ${row.revision} ${name}`, () =>
    reckoned(db, digests, row, name),
  );
}

function reckoned(db: Database, digests: Digests, row: RunRow, house: string): RevealDoc {
  const brief = frozenVersion(db, row.briefId, row.publishedVersion ?? 0).brief;
  const language = spokenNow();
  return inLanguage(language, () => revealSaid(digests, row, house, brief), brief.translations[language.id]);
}

function revealSaid(digests: Digests, row: RunRow, house: string, brief: BriefDoc): RevealDoc {
  const found = foundIn(digests, row);
  const listed = row.scoring !== "celebrate";
  const improved = found.builders
    .flatMap(({ alias, improved: by }) => (by !== null && by > 1 ? [{ alias, improved: by }] : []))
    .sort((a, b) => b.improved - a.improved || byAlias(a, b));
  return {
    title: said(row.title),
    house,
    scoring: row.scoring,
    measure: said(found.measure.words),
    unit: found.measure.unit,
    goalWords: families[brief.family].goalWords(brief.spec, (si, dimension) => showQuantity(si, dimension, row.units)),
    goalMet: found.goalMet,
    entries: found.entries,
    plain: findingsWords(found, row.units).slice(0, 3),
    met: listed ? found.builders.flatMap((b) => (b.metGoal ? [b.alias] : [])).slice(0, mostMet) : [],
    mostImproved: row.scoring === "goal-improved" ? improved.slice(0, mostImproved) : [],
    table: pageOf(revealEntries(digests, row), 0),
  };
}

/** More of a reveal's builders, from a place on, or those whose alias begins so. */
export function revealPage(db: Database, digests: Digests, runId: string, from: number, find: string): RevealPage {
  const all = revealEntries(digests, runRow(db, runId));
  const wanted = find.trim().toLowerCase();
  return pageOf(wanted === "" ? all : all.filter((b) => b.alias.toLowerCase().startsWith(wanted)), from);
}

function pageOf(builders: readonly RevealEntry[], from: number): RevealPage {
  const { some, ...rest } = pageFrom(builders, from);
  return { builders: some, ...rest };
}

function revealEntries(digests: Digests, row: RunRow): readonly RevealEntry[] {
  const found = foundIn(digests, row);
  return digests.answer(`reveal ${row.id}`, `${digests.of(row).stamp} ${row.revision}`, () => {
    const standings = row.scoring !== "celebrate";
    const ranks = ranksOf(found.builders, row.scoring, found.measure.better);
    return found.builders
      .map(
        (b): RevealEntry => ({
          alias: b.alias,
          metGoal: b.metGoal,
          // Numbers of another measure can't stand in this column.
          first: b.measure ? null : b.first,
          last: b.measure ? null : b.last,
          best: standings && !b.measure ? b.best : null,
          improved: standings ? b.improved : null,
          rank: ranks.get(b.alias) ?? null,
        }),
      )
      .sort((a, b) => (a.rank ?? 0) - (b.rank ?? 0) || byAlias(a, b));
  });
}

/** 1, 2, 2, 4: 1 + the number who surely did better; none unless the scoring ranks. */
export function ranksOf(
  builders: readonly Pick<BuilderFound, "alias" | "best" | "last" | "measure">[],
  scoring: RunRow["scoring"],
  better: Better,
): ReadonlyMap<string, number> {
  if (scoring !== "best" && scoring !== "mean") return new Map();
  const scored = builders.flatMap((b) => {
    const score = scoring === "best" ? b.best : b.last;
    return score === null || b.measure !== null ? [] : [{ alias: b.alias, score }];
  });
  const ahead = countAhead(
    scored.map(({ score }) => score),
    better,
  );
  return new Map(scored.map(({ alias, score }) => [alias, 1 + ahead(score)]));
}

/** How many of some values are surely better than one; by looking it up, as thousands are ranked. */
function countAhead(all: readonly Interval[], better: Better): (one: Interval) => number {
  const end = ({ high }: Interval): number => high ?? Number.POSITIVE_INFINITY;
  if (better === "more") {
    const lows = Float64Array.from(all.map(({ low }) => low)).sort();
    return (one) => lows.length - lowerBound(lows, one.open ? end(one) - near(end(one)) : end(one) + near(end(one)));
  }
  const closed = Float64Array.from(all.filter(({ open }) => !open).map(end)).sort();
  const open = Float64Array.from(all.filter((one) => one.open).map(end)).sort();
  return ({ low }) => lowerBound(closed, low - near(low)) + lowerBound(open, low + near(low));
}

/** What rounding leaves between equal values. */
const near = (value: number): number => (Number.isFinite(value) ? 1e-9 * Math.max(1, Math.abs(value)) : 0);

/** How many of ascending values are below a limit. */
function lowerBound(sorted: Float64Array, limit: number): number {
  let [from, to] = [0, sorted.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((sorted[middle] ?? 0) < limit) from = middle + 1;
    else to = middle;
  }
  return from;
}
