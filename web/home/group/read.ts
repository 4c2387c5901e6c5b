import type { GroupInput, GroupRow, SheetDoc, VersionInput } from "@lampcrate/contract";
import { type CheckedTrial, checkVersion, type Family, readSetting } from "@lampcrate/core";
import { consentNow } from "@lampcrate/words";
import { type Column, columnsOf, everyone, versionsOn } from "./columns.ts";
import type { GroupDraft, GroupLine } from "./draft.ts";
import { rawSetting, readVersion } from "./readVersion.ts";

/** A cell that the sheet asks about: it can't be read, or what stands there is odd. */
export interface AskedCell {
  /** From 0; -1 is the line that holds for everyone. */
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
  const columns = columnsOf(family, sheet.brief, draft);
  const lines = draft.lines.map((line, at) => readLine(sheet, family, draft, columns, line, at));
  const forAll = settingsOf(family, sheet.brief.spec, columns, draft);
  return { rows: lines.flatMap(({ row }) => row ?? []), asked: [...forAll, ...lines.flatMap(({ asked }) => asked)] };
}

/** What can't be read of what was tried at by everyone. */
function settingsOf(family: Family, spec: SheetDoc["brief"]["spec"], columns: readonly Column[], draft: GroupDraft): readonly AskedCell[] {
  const [{ setting }] = family.measures(spec);
  if (!setting) return [];
  return columns.flatMap((column) => {
    const text = draft.everyone[column.id] ?? "";
    const trouble = column.holds === "setting" ? readSetting(rawSetting(text, setting), setting).trouble : null;
    return trouble === null ? [] : [{ line: everyone, column, trouble, checked: null }];
  });
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
  for (const version of versionsOn(family, draft)) {
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
