import type { SheetDoc } from "@lampcrate/contract";
import { applies, buildValues, type Family, type Field, type Measure } from "@lampcrate/core";

/** A column of a leader's sheet: what varied in a version, or one of its trials. */
export interface Column {
  readonly id: string;
  readonly version: number;
  /** null: what varied. */
  readonly trial: number | null;
}

/** Trials of one version that a sheet has room for. */
const mostTrials = 6;

/** The columns of a sheet, version by version. */
export function columnsOf({ brief }: SheetDoc, { versions, varied }: { readonly versions: number; readonly varied: string | null }) {
  const trials = Math.min(mostTrials, brief.trials);
  return Array.from({ length: versions }, (_, v) => v + 1).flatMap((version): Column[] => [
    ...(varied === null ? [] : [{ id: `${version}.v`, version, trial: null }]),
    ...Array.from({ length: trials }, (_, t) => ({ id: `${version}.${t + 1}`, version, trial: t + 1 })),
  ]);
}

/** What builders of this brief may declare that they changed. */
export function variedFields(family: Family, { spec, design }: SheetDoc["brief"]): readonly Field[] {
  return family.variables.filter(({ when }) => applies(when, buildValues(family, spec, design)));
}

/** Whether a result of this measure fits in one cell: what is tried at one setting after the other doesn't. */
export const fitsCells = ({ setting }: Measure): boolean => setting === undefined;
