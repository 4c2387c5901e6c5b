import type { SheetDoc } from "@lampcrate/contract";
import { applies, buildValues, type Family, type Field, furtherOf, settingUnit } from "@lampcrate/core";
import type { Words } from "@lampcrate/words";

/** A column of a leader's sheet: what varied in a version, a trial of it, what that trial was tried at, or what else was measured. */
export interface Column {
  readonly id: string;
  /** 0: the bare test, before all others. */
  readonly version: number;
  /** null: of the version as a whole. */
  readonly trial: number | null;
  readonly holds: "varied" | "setting" | "result" | "beside";
  /** What stands in it, in words, where that isn't the result. */
  readonly words: string | null;
  /** What a bare number is in. */
  readonly unit: string | null;
}

/** What a leader says of a whole sheet, as far as its columns go by it. */
export interface Layout {
  /** Versions that each builder has room for. */
  readonly versions: number;
  /** The variable that builders changed between their versions; null: each something of its own. */
  readonly varied: string | null;
  /** Whether the bare test is on it, where the challenge has one. */
  readonly bare: boolean;
}

/** Versions of a sheet, the bare test first as 0. */
export function versionsOn(family: Family, { versions, bare }: Layout): readonly number[] {
  const first = bare && family.protocol.control !== undefined ? 0 : 1;
  return Array.from({ length: versions + 1 - first }, (_, i) => first + i);
}

/** The columns of a sheet, version by version. */
export function columnsOf(family: Family, { spec, trials, outcomes }: SheetDoc["brief"], layout: Layout): readonly Column[] {
  const [{ setting, rungs, unit }] = family.measures(spec);
  const varied = family.variables.find(({ id }) => id === layout.varied);
  const further = furtherOf(family, spec, outcomes);
  return versionsOn(family, layout).flatMap((version): Column[] => [
    ...(varied && version > 0
      ? [{ id: `${version}.v`, version, trial: null, holds: "varied" as const, words: varied.words, unit: settingUnit(varied) }]
      : []),
    ...Array.from({ length: trials }, (_, t) => t + 1).flatMap((trial): Column[] => {
      const id = `${version}.${trial}`;
      return [
        ...(setting
          ? [{ id: settingOf(id), version, trial, holds: "setting" as const, words: setting.words, unit: settingUnit(setting) }]
          : []),
        { id, version, trial, holds: "result", words: null, unit: rungs ? null : unit },
      ];
    }),
    ...(version > 0 ? further : []).map((one) => ({
      id: besideOf(version, one.id),
      version,
      trial: null,
      holds: "beside" as const,
      words: one.words,
      unit: one.unit,
    })),
  ]);
}

/** The column of what else was measured of a version. */
export const besideOf = (version: number, measure: string): string => `${version}.b.${measure}`;

/** The column of what a result was tried at. */
export const settingOf = (result: string): string => `${result}.s`;

export const isSetting = (column: string): boolean => column.endsWith(".s");

/** What builders of this brief may declare that they changed. */
export function variedFields(family: Family, { spec, design }: SheetDoc["brief"]): readonly Field[] {
  return family.variables.filter(({ when }) => applies(when, buildValues(family, spec, design)));
}

export const versionName = (version: number, words: Words): string => (version === 0 ? words.log.control : words.log.version(version));

/** A column's own head, below its version's: "Trial 2, drop height". */
export const headOf = ({ trial, words: own }: Column, words: Words): string =>
  [...(trial === null ? [] : [words.log.trial(trial)]), ...(own === null ? [] : [own])].join(", ");

/** The line that holds for everyone, above the first. */
export const everyone = -1;

/** A cell as it is spoken of: "row 3, version 1, trial 2". */
export function cellName(line: number, column: Column, words: Words): string {
  const [version, head] = [versionName(column.version, words).toLowerCase(), headOf(column, words).toLowerCase()];
  return line === everyone ? words.group.cellOfAll(version, head) : words.group.cell(line + 1, version, head);
}
