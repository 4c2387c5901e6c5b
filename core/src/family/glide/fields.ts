import { choiceField, countField, lengthField, massField, timeField } from "../fields.ts";
import type { Field } from "../shape.ts";

const when = (...is: string[]) => ({ field: "best", is });

/** The goal's numbers; which of them stands depends on what best means. */
export const glideSpec: readonly Field[] = [
  choiceField("best", "Best means", [
    ["farthest", "farthest"],
    ["aloft", "longest aloft"],
    ["straightest", "straightest"],
    ["tricks", "most loops and turns"],
    ["target", "nearest to the target"],
  ]),
  lengthField("goalM", "Distance", [1, 40, 0.25, 8], "m", when("farthest", "straightest", "target")),
  timeField("goalS", "Time aloft", [0.5, 15, 0.1, 2.5], "s", when("aloft")),
  lengthField("withinM", "Within", [0.1, 4, 0.1, 1], "m", when("straightest", "target")),
  countField("goalCount", "Loops and turns", 1, 10, 2, when("tricks")),
  choiceField("thrower", "Thrown by", [
    ["child", "a child"],
    ["grown-up", "a grown-up"],
  ]),
  lengthField("releaseM", "Released above the floor", [0.5, 3, 0.05, 1.4], "m"),
  choiceField("place", "Where", [
    ["indoors", "indoors, still air"],
    ["outdoors", "outdoors"],
  ]),
];

const kind = choiceField("kind", "Flyer", [
  ["dart", "narrow dart"],
  ["wide", "wide wings"],
]);

/** The plain build. */
export const glideDesign: readonly Field[] = [kind, massField("massKg", "Mass", [0.0015, 0.02, 0.0005, 0.005], "g")];

/** What builders say they changed. */
export const glideVariables: readonly Field[] = [
  kind,
  countField("noseFolds", "Nose folds", 0, 8, 2),
  choiceField("paper", "Paper", [
    ["copy", "copy paper"],
    ["newsprint", "newsprint"],
    ["construction", "construction paper"],
    ["card", "thin card"],
  ]),
  choiceField("flaps", "Back edge", [
    ["flat", "flat"],
    ["up", "bent up"],
    ["down", "bent down"],
  ]),
  choiceField("clip", "Nose weight", [
    ["none", "none"],
    ["one", "one clip"],
    ["two", "two clips"],
  ]),
];
