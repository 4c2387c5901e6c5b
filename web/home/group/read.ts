import { blankTrial, type GroupInput, type GroupRow, type SheetDoc, type VersionInput } from "@lampcrate/contract";
import {
  type CellTrial,
  type CheckedTrial,
  checkVersion,
  type Family,
  type Field,
  parseQuantity,
  readCell,
  refusalWords,
  settingUnit,
} from "@lampcrate/core";
import { consentNow } from "@lampcrate/words";
import { blankVersion, plainVariables } from "../../shared/logbook/versions.ts";
import { type Column, columnsOf } from "./columns.ts";
import type { GroupDraft, GroupLine } from "./draft.ts";

/** A cell that the sheet asks about: it can't be read, or what stands there is odd. */
export interface AskedCell {
  /** From 0. */
  readonly line: number;
  readonly column: Column;
  readonly trouble: string | null;
  readonly checked: CheckedTrial | null;
}

/** A sheet as it can be sent, and what it asks about. */
export interface ReadGroup {
  readonly rows: readonly GroupRow[];
  readonly asked: readonly AskedCell[];
}

/** Reads every cell of a leader's sheet; a builder without any result is left out. */
export function readGroup(sheet: SheetDoc, family: Family, draft: GroupDraft): ReadGroup {
  const columns = columnsOf(sheet, draft);
  const lines = draft.lines.map((line, at) => readLine(sheet, family, draft, columns, line, at));
  return { rows: lines.flatMap(({ row }) => row ?? []), asked: lines.flatMap(({ asked }) => asked) };
}

/** What goes over the wire. */
export const groupOf = (draft: GroupDraft, rows: readonly GroupRow[]): GroupInput => ({
  id: draft.id,
  secret: draft.secret,
  ageBand: draft.ageBand,
  consentKeep: draft.keep,
  consentVersion: consentNow().version,
  rows,
});

function readLine(
  sheet: SheetDoc,
  family: Family,
  draft: GroupDraft,
  columns: readonly Column[],
  line: GroupLine,
  at: number,
): { readonly row: GroupRow | null; readonly asked: readonly AskedCell[] } {
  const asked: AskedCell[] = [];
  const versions: VersionInput[] = [];
  for (let version = 1; version <= draft.versions; version += 1) {
    const own = columns.filter((column) => column.version === version);
    const read = readVersion(sheet, family, draft, own, line);
    for (const [column, trouble] of read.troubles) asked.push({ line: at, column, trouble, checked: null });
    if (read.version.trials.length === 0) continue;
    versions.push(read.version);
    for (const [i, checked] of checkVersion(family, sheet.brief.spec, sheet.brief.design, read.version).entries()) {
      const column = read.columns[i];
      const isOdd = checked.verdict.flag === "impossible" || checked.verdict.offers.length > 0;
      if (column && isOdd && !line.kept.includes(column.id)) asked.push({ line: at, column, trouble: null, checked });
    }
  }
  return { row: versions.length === 0 ? null : { id: line.id, row: at + 1, versions }, asked };
}

function readVersion(sheet: SheetDoc, family: Family, { varied }: GroupDraft, columns: readonly Column[], line: GroupLine) {
  const { spec, design } = sheet.brief;
  const [measure] = family.measures(spec);
  const troubles: (readonly [Column, string])[] = [];
  const filled: Column[] = [];
  const trials: CellTrial[] = [];
  const isFirst = columns[0]?.version === 1;
  // Of a later version whose change nobody named nothing is declared: it is no repeat of the first.
  let variables: VersionInput["variables"] = isFirst || varied !== null ? plainVariables(family, spec, design) : {};
  for (const column of columns) {
    const text = line.cells[column.id] ?? "";
    if (column.trial === null) {
      const read = readVaried(
        text,
        family.variables.find(({ id }) => id === varied),
      );
      if (read.trouble !== null) troubles.push([column, read.trouble]);
      const { [varied ?? ""]: _, ...others } = variables;
      variables = read.value === null ? (isFirst ? variables : others) : { ...variables, [varied ?? ""]: read.value };
      continue;
    }
    const cell = readCell(text, measure);
    if (!cell.ok) troubles.push([column, cell.trouble]);
    else if (cell.trial) {
      filled.push(column);
      trials.push(cell.trial);
    }
  }
  const instrument = measure.instruments[0] ?? "";
  const version: VersionInput = {
    ...blankVersion(family, sheet.brief, 0, "build"),
    variables,
    trials: trials.map((one, i) => ({ ...blankTrial(instrument), ...one, kept: line.kept.includes(filled[i]?.id ?? "") })),
  };
  return { version, troubles, columns: filled };
}

/** What was changed, as a cell says it: a choice by its words, a number with or without its unit; null where nothing stands there. */
function readVaried(text: string, field: Field | undefined): { readonly value: number | string | null; readonly trouble: string | null } {
  const typed = text.trim();
  if (typed === "" || !field) return { value: null, trouble: null };
  if (field.kind === "choice") {
    const found = field.options.find(({ words }) => words.toLowerCase() === typed.toLowerCase());
    return found ? { value: found.id, trouble: null } : { value: null, trouble: `${field.options.map(({ words }) => words).join(", ")}?` };
  }
  const asked = { dimension: field.dimension, defaultUnit: settingUnit(field) };
  const read = parseQuantity(typed, asked);
  return read.ok ? { value: read.si, trouble: null } : { value: null, trouble: refusalWords(read.reason, typed, asked) };
}
