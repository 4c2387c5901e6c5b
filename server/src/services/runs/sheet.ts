import { type BriefDoc, hintRungs, type SheetDoc, type SheetLine, type SheetRung } from "@lampcrate/contract";
import {
  addDays,
  amountWords,
  dateOf,
  dateWords,
  endOfDay,
  fillBrief,
  inLanguage,
  inWords,
  keptUntil,
  type StockUnit,
  said,
  saying,
  showNumber,
  showQuantity,
  spokenNow,
  standInFor,
  startOfDay,
  type UnitChoice,
} from "@lampcrate/core";
import type { Store } from "../../db/open.ts";
import type { FrozenBrief } from "../../db/schema/index.ts";
import { notFound } from "../../http/problem.ts";
import { ownBuilds } from "../entries/houseTrials.ts";
import { houseDoc } from "../house/house.ts";
import { draftOf, frozenVersion } from "./briefs.ts";
import { cautionWords } from "./cautions.ts";
import type { RunRow } from "./runs.ts";
import { familyWords, fillingFor } from "./sheetWords.ts";

/** What families see of a run: the frozen version, never the draft. */
export function sheetDoc(db: Store, row: RunRow, now: number, version = row.publishedVersion): SheetDoc {
  if (row.code === null || version === null) throw notFound("challenge", "code");
  return sheetOf(db, row, now, frozenVersion(db, row.briefId, version), { code: row.code, version });
}

/** The sheet as it would be if the draft were published now; for the house alone. */
export function draftSheet(db: Store, row: RunRow, now: number): SheetDoc {
  const version = (row.publishedVersion ?? 0) + 1;
  return sheetOf(db, row, now, draftOf(db, row.briefId), { code: row.code ?? "CODE TO COME", version });
}

/** A sheet in the language that is spoken; the house's own words as it gave them in it. */
function sheetOf(db: Store, row: RunRow, now: number, frozen: FrozenBrief, of: Pick<SheetDoc, "code" | "version">): SheetDoc {
  const language = spokenNow();
  return inLanguage(language, () => sheetSaid(db, row, now, frozen, of), frozen.brief.translations[language.id]);
}

function sheetSaid(db: Store, row: RunRow, now: number, frozen: FrozenBrief, of: Pick<SheetDoc, "code" | "version">): SheetDoc {
  const house = houseDoc(db);
  const filling = fillingFor(frozen, row);
  const told = fillBrief(frozen.brief, filling);
  const { lines, hints, hintsOpen, translations: _, outcomes, ...brief } = told;
  return {
    ...of,
    language: spokenNow().id,
    title: said(row.title),
    house: house.name,
    kind: row.kind,
    brief: { ...brief, outcomes: inWords(outcomes) },
    ladder: ladderOf({ hints, hintsOpen }, row.opensOn, dateOf(now, house.zone)),
    scoring: row.scoring,
    toBeat: ownBuilds(db, row.id, row.units),
    words: familyWords(frozen.brief, row.kind, filling),
    lines: lines.map((line) => sheetLine(line, frozen, row.units)),
    cautions: cautionWords({ ...frozen, brief: told }),
    units: row.units,
    opensOn: row.opensOn,
    closesOn: row.closesOn,
    entries: entryDoor(row, house.zone, now),
    revealOn: row.revealOn,
    keeping: keepingWords(row, house.keepingDays),
  };
}

/** The ladder of hints on a day: what a planner keeps back until another one isn't sent. */
function ladderOf({ hints, hintsOpen }: Pick<BriefDoc, "hints" | "hintsOpen">, opens: string | null, today: string): readonly SheetRung[] {
  return hintRungs.map((rung) => {
    const { tries, days } = hintsOpen[rung];
    const own = hints.filter((hint) => hint.rung === rung).map(({ words }) => words);
    const opensOn = days === 0 || opens === null ? null : addDays(opens, days);
    const isOpen = opensOn === null || opensOn <= today;
    return { rung, tries, opensOn: isOpen ? null : opensOn, count: own.length, hints: isOpen ? own : [] };
  });
}

/** The next instant at which a rung opens by its day: until then a sheet that was made stays right. */
export function ladderChangesAt({ ladder }: SheetDoc, zone: string): number {
  const days = ladder.flatMap(({ opensOn }) => opensOn ?? []);
  return Math.min(...days.map((day) => startOfDay(day, zone) ?? Number.POSITIVE_INFINITY));
}

function sheetLine(line: FrozenBrief["brief"]["lines"][number], frozen: FrozenBrief, units: RunRow["units"]): SheetLine {
  const material = frozen.materials[line.materialId];
  const name = said(material?.name ?? "material");
  const each = line.per === "builder" || line.per === "team" ? "" : said(` for each ${line.per}`);
  const amount = line.kind === "reusable" ? "" : `${eachWords(line.amount, material?.unit ?? "piece", units)} `;
  const size = line.cut
    ? saying`, ${showQuantity(line.cut.widthM, "length", units)} by ${showQuantity(line.cut.heightM, "length", units)}`
    : "";
  const of = { words: line.standIn, ratio: line.standInRatio, unit: material?.unit ?? ("piece" as const) };
  const standIn = of.ratio === 1 || of.words === "" ? said(of.words) : standInFor(line.kind === "reusable" ? 1 : line.amount, of, units);
  return { words: `${amount}${name}${size}${each}`, source: line.source, standIn };
}

/** How much one takes; parts of a piece, such as learned amounts have, to one decimal. */
function eachWords(amount: number, unit: StockUnit, units: UnitChoice): string {
  if (unit !== "piece") return saying`${amountWords(amount, unit, units)} of`;
  const tenths = Math.max(1, Math.round(amount * 10));
  return `${showNumber(tenths / 10, tenths % 10 === 0 ? 0 : 1)} ×`;
}

/** The instants between which entries come in: from the first day to the end of the last, by the house's clock. */
export function openSpan(row: RunRow, zone: string): { readonly from: number; readonly until: number } {
  return {
    from: (row.opensOn === null ? null : startOfDay(row.opensOn, zone)) ?? Number.POSITIVE_INFINITY,
    until: (row.closesOn === null ? null : endOfDay(row.closesOn, zone)) ?? Number.POSITIVE_INFINITY,
  };
}

/** Whether entries may come in now. */
export function entryDoor(row: RunRow, zone: string, now: number): SheetDoc["entries"] {
  const { from, until } = openSpan(row, zone);
  if (now < from) return "not yet";
  return now >= until ? "closed" : "open";
}

function keepingWords(row: RunRow, keepingDays: number): string {
  const until = keptUntil(row, keepingDays);
  const when = until === null ? saying`${keepingDays} days after the reveal` : saying`on ${dateWords(until)}`;
  return row.afterwards === "erase"
    ? saying`Everything in this entry is erased ${when}.`
    : saying`The made-up name, the link and all words are erased ${when}; the numbers stay without them.`;
}
