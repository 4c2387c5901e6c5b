import { blankTrial, type SheetDoc, type VersionInput } from "@lampcrate/contract";
import {
  type CellTrial,
  type Family,
  type Field,
  furtherOf,
  type Measure,
  parseQuantity,
  readCell,
  readSetting,
  readTrial,
  refusalWords,
  settingMissing,
  settingUnit,
} from "@lampcrate/core";
import { blankVersion, plainVariables } from "../../shared/logbook/versions.ts";
import { besideOf, type Column, settingOf } from "./columns.ts";
import type { GroupDraft, GroupLine } from "./draft.ts";

type Trouble = readonly [column: Column, trouble: string];

/** A builder's version as a leader's sheet has it, the cells of it that can't be read, and the columns that its trials stand in. */
export interface ReadVersionCells {
  readonly version: VersionInput;
  readonly troubles: readonly Trouble[];
  readonly columns: readonly Column[];
}

/** Reads one version of a builder: `columns` are its own. */
export function readVersion(
  sheet: SheetDoc,
  family: Family,
  draft: GroupDraft,
  columns: readonly Column[],
  line: GroupLine,
): ReadVersionCells {
  const { spec } = sheet.brief;
  const [measure] = family.measures(spec);
  const isBare = columns[0]?.version === 0;
  const declared = readDeclared(sheet, family, draft, columns, line);
  const results = columns.flatMap((column) => (column.holds === "result" ? readResult(measure, draft, columns, line, column) : []));
  const filled = results.filter(({ trial }) => trial !== null);
  const beside = readBeside(furtherOf(family, spec, sheet.brief.outcomes), columns, line);
  const instrument = measure.instruments[0] ?? "";
  return {
    version: {
      ...blankVersion(family, sheet.brief, 0, isBare ? "control" : "build"),
      variables: declared.variables,
      trials: filled.map(({ trial, column }, i) => ({
        ...blankTrial(instrument),
        ...trial,
        // Of a version as a whole: it stands with its first trial.
        further: i === 0 ? beside.further : {},
        kept: line.kept.includes(column.id),
      })),
    },
    troubles: [...declared.troubles, ...results.flatMap(({ troubles }) => troubles), ...beside.troubles],
    columns: filled.map(({ column }) => column),
  };
}

/** What is declared of a version: the plain build, and what varied laid over it. */
function readDeclared(
  sheet: SheetDoc,
  family: Family,
  { varied }: GroupDraft,
  columns: readonly Column[],
  line: GroupLine,
): { readonly variables: VersionInput["variables"]; readonly troubles: readonly Trouble[] } {
  const { spec, design } = sheet.brief;
  const version = columns[0]?.version;
  // Of a later version whose change nobody named nothing is declared: it is no repeat of the first.
  if (version === 0 || (version !== 1 && varied === null)) return { variables: {}, troubles: [] };
  const plain = plainVariables(family, spec, design);
  const column = columns.find(({ holds }) => holds === "varied");
  if (!column || varied === null) return { variables: plain, troubles: [] };
  const field = family.variables.find(({ id }) => id === varied);
  const { value, trouble } = readVaried(line.cells[column.id] ?? "", field);
  const { [varied]: _, ...others } = plain;
  const variables = value === null ? (version === 1 ? plain : others) : { ...plain, [varied]: value };
  return { variables, troubles: trouble === null ? [] : [[column, trouble]] };
}

interface ReadResult {
  readonly column: Column;
  /** null: nothing stands there, or it can't be read. */
  readonly trial: (CellTrial & { readonly setting: string | null }) | null;
  readonly troubles: readonly Trouble[];
}

/** A trial, with what it was tried at: the builder's own, else everyone's. */
function readResult(
  measure: Measure,
  { everyone }: GroupDraft,
  columns: readonly Column[],
  line: GroupLine,
  column: Column,
): readonly ReadResult[] {
  const cell = readCell(line.cells[column.id] ?? "", measure);
  if (!cell.ok) return [{ column, trial: null, troubles: [[column, cell.trouble]] }];
  if (!cell.trial) return [];
  const at = columns.find(({ id }) => id === settingOf(column.id));
  if (!at || !measure.setting) return [{ column, trial: { ...cell.trial, setting: null }, troubles: [] }];
  const own = rawSetting(line.cells[at.id] ?? "", measure.setting);
  const setting = own ?? rawSetting(everyone[at.id] ?? "", measure.setting);
  // What can't be read of everyone's is asked about once, in its own line.
  const trouble = setting === null ? settingMissing(measure) : readSetting(own, measure.setting).trouble;
  return [{ column, trial: { ...cell.trial, setting }, troubles: trouble === null ? [] : [[at, trouble]] }];
}

/** What else was measured of a version, by the measure's id. */
function readBeside(further: readonly Measure[], columns: readonly Column[], line: GroupLine) {
  const troubles: Trouble[] = [];
  const found: Record<string, string> = {};
  for (const one of further) {
    const column = columns.find(({ id, version }) => id === besideOf(version, one.id));
    const text = (column && line.cells[column.id])?.trim() ?? "";
    if (!column || text === "") continue;
    const read = readTrial(text, one);
    if (!read.ok) troubles.push([column, refusalWords(read.reason, text, { dimension: one.dimension, defaultUnit: one.unit })]);
    found[one.id] = text;
  }
  return { further: found, troubles };
}

/** What a trial was tried at, as an entry holds it: a number as it is typed, a choice by its id; null where nothing stands there. */
export function rawSetting(text: string, field: Field): string | null {
  const typed = text.trim();
  if (typed === "") return null;
  if (field.kind !== "choice") return typed;
  return optionSaid(field, typed) ?? typed;
}

/** A choice's option by its words; undefined where it has none of those. */
const optionSaid = ({ options }: Extract<Field, { readonly kind: "choice" }>, typed: string): string | undefined =>
  options.find(({ words }) => words.toLowerCase() === typed.toLowerCase())?.id;

/** What was changed, as a cell says it: a choice by its words, a number with or without its unit; null where nothing stands there. */
function readVaried(text: string, field: Field | undefined): { readonly value: number | string | null; readonly trouble: string | null } {
  const typed = text.trim();
  if (typed === "" || !field) return { value: null, trouble: null };
  if (field.kind === "choice") {
    const found = optionSaid(field, typed);
    return found !== undefined
      ? { value: found, trouble: null }
      : { value: null, trouble: `${field.options.map(({ words }) => words).join(", ")}?` };
  }
  const asked = { dimension: field.dimension, defaultUnit: settingUnit(field) };
  const read = parseQuantity(typed, asked);
  return read.ok ? { value: read.si, trouble: null } : { value: null, trouble: refusalWords(read.reason, typed, asked) };
}
