import { angleField, choiceField, countField, lengthField, timeField } from "../fields.ts";
import { balls } from "../materials/things.ts";
import type { Field, When } from "../shape.ts";

/** Parts that a track may have. */
export const mostParts = 6;

/** The goal's numbers. */
export const rollSpec: readonly Field[] = [
  choiceField("aim", "What counts", [
    ["finish", "the ball ends in the cup"],
    ["slow", "it takes its time, and ends in the cup"],
  ]),
  timeField("goalS", "Time to reach", [0.5, 30, 0.1, 3], "s", { field: "aim", is: ["slow"] }),
  choiceField(
    "ball",
    "Ball",
    balls.map((b) => [b.id, b.words] as const),
  ),
  lengthField("startM", "Start height above the cup", [0.05, 2, 0.05, 0.3], "m"),
  countField("parts", "Parts allowed", 1, 12, 6),
];

const kinds = [
  ["slope", "slope"],
  ["flat", "flat"],
  ["covered", "covered, a tunnel"],
  ["rise", "rise"],
  ["curve", "curve"],
  ["spiral", "spiral"],
  ["drop", "drop through a hole"],
  ["bump", "part of your own: a bump"],
  ["none", "nothing more"],
] as const;

const start: readonly { readonly kind: string; readonly length?: number; readonly slope?: number }[] = [
  { kind: "slope", length: 0.5, slope: 10 },
  { kind: "curve", slope: 3 },
  { kind: "covered", length: 0.4, slope: 5 },
  { kind: "bump" },
  { kind: "slope", length: 0.3, slope: 7 },
  { kind: "none" },
];

function part(n: number): readonly Field[] {
  const given = start[n - 1] ?? { kind: "none" };
  const of = (...is: string[]): When => ({ field: `kind${n}`, is });
  const name = `Part ${n}`;
  return [
    choiceField(`kind${n}`, name, kinds, given.kind),
    lengthField(`length${n}`, `${name}, length`, [0.05, 2, 0.01, given.length ?? 0.3], "mm", of("slope", "flat", "covered", "rise")),
    angleField(`slope${n}`, `${name}, down`, 0, 60, given.slope ?? 6, of("slope", "covered", "curve", "spiral")),
    angleField(`up${n}`, `${name}, up`, 1, 40, 8, of("rise")),
    lengthField(`radius${n}`, `${name}, radius`, [0.03, 0.5, 0.005, 0.12], "mm", of("curve", "spiral")),
    angleField(`turn${n}`, `${name}, turns`, 30, 1080, 180, of("curve", "spiral")),
    lengthField(`wall${n}`, `${name}, outer wall`, [0, 0.03, 0.001, 0.01], "mm", of("curve", "spiral")),
    lengthField(`drop${n}`, `${name}, drops`, [0.02, 0.5, 0.01, 0.1], "mm", of("drop")),
  ];
}

/** The plain build: its parts in order. */
export const rollDesign: readonly Field[] = [
  choiceField("channel", "Channel", [
    ["trough", "wide trough or floor"],
    ["vee", "folded V"],
  ]),
  ...Array.from({ length: mostParts }, (_, i) => part(i + 1)).flat(),
];

/** What builders say they changed. */
export const rollVariables: readonly Field[] = [
  countField("partsUsed", "Parts used", 1, 12, 5),
  lengthField("startM", "Start height", [0.05, 2, 0.01, 0.3], "cm"),
  lengthField("trackM", "Length of the track", [0.2, 10, 0.05, 1.5], "m"),
  choiceField("lining", "Lining", [
    ["bare", "bare"],
    ["cloth", "cloth or felt"],
    ["ridges", "ridges"],
  ]),
];
