import type { UnitChoice } from "@lampcrate/core";
/** A sheet of labels: sizes in mm, from the page's upper left corner. */
export interface LabelSheet {
  readonly words: string;
  readonly paper: UnitChoice;
  readonly across: number;
  readonly down: number;
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  readonly gap: number;
}

/** Sheets of stick-on labels that shops sell, by their size. */
export const labelSheets = {
  "a4-21": {
    words: "63.5 × 38.1 mm, 21 on A4",
    paper: "metric",
    across: 3,
    down: 7,
    width: 63.5,
    height: 38.1,
    left: 7.2,
    top: 15.1,
    gap: 2.5,
  },
  "a4-10": { words: "99.1 × 57 mm, 10 on A4", paper: "metric", across: 2, down: 5, width: 99.1, height: 57, left: 4.7, top: 6, gap: 2.5 },
  "letter-10": {
    words: "4 × 2 in, 10 on Letter",
    paper: "imperial",
    across: 2,
    down: 5,
    width: 101.6,
    height: 50.8,
    left: 4,
    top: 12.7,
    gap: 4.8,
  },
  "letter-30": {
    words: "2 5/8 × 1 in, 30 on Letter",
    paper: "imperial",
    across: 3,
    down: 10,
    width: 66.7,
    height: 25.4,
    left: 4.8,
    top: 12.7,
    gap: 3.2,
  },
} as const satisfies Readonly<Record<string, LabelSheet>>;

export type LabelSheetId = keyof typeof labelSheets;

export const isLabelSheet = (id: string): id is LabelSheetId => Object.hasOwn(labelSheets, id);
