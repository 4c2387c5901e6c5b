import type { CountInput } from "@lampcrate/contract";

/** What was left after the first two Saturdays of the boardwalk, line by line. */
export const boardwalkCounts: readonly CountInput[] = [
  {
    builders: 78,
    rebuilds: [19, 6],
    lines: [
      { lineId: "line-1-newsprint", putOut: 300, left: 46, spoilt: 14 },
      { lineId: "line-2-card", putOut: 140, left: 30, spoilt: 4 },
      { lineId: "line-3-tape", putOut: 90_000, left: 21_000, spoilt: 0 },
    ],
  },
  {
    builders: 91,
    rebuilds: [24, 9],
    lines: [
      { lineId: "line-1-newsprint", putOut: 360, left: 61, spoilt: 22 },
      { lineId: "line-2-card", putOut: 160, left: 28, spoilt: 7 },
      { lineId: "line-3-tape", putOut: 100_000, left: 17_500, spoilt: 0 },
    ],
  },
];
