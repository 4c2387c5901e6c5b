import type { Caution, FamilyTier, Protocol, Said, Step, Symptom, When } from "../shape.ts";

const canopy: { readonly when: When } = { when: { field: "kind", is: ["round", "square", "plate", "bag"] } };
const spinner: { readonly when: When } = { when: { field: "kind", is: ["spinner"] } };

export const descentSymptoms: readonly Symptom[] = [
  { id: "hard", words: "lands hard", question: "Is it too heavy, or too small?", nudge: "Less cargo or a larger canopy, one at a time." },
  {
    id: "streams",
    words: "streams and never opens",
    question: "Are all lines the same length?",
    nudge: "Even the lines, make them longer, or go higher.",
    ...canopy,
  },
  {
    id: "swings",
    words: "swings from side to side",
    question: "Where does the air get out?",
    nudge: "Try a vent in the middle, or more lines.",
    ...canopy,
  },
  { id: "drifts", words: "drifts away", question: "Is there a draught?", nudge: "Go indoors, or wait for still air." },
  {
    id: "no-spin",
    words: "does not spin",
    question: "Do both wings fold the same way?",
    nudge: "Fold the wings to opposite sides; a little more weight at the foot.",
    ...spinner,
  },
];

export const descentProtocol: Protocol = {
  before: "Hold the lowest point at the height of the mark, still air, nobody below. Same cargo every time.",
  starts: "The clock starts when the hand lets go.",
  stops: "The clock stops when the first part touches the floor.",
  order: "Drop the bare cargo first, from the same height. Go up in height only after the lower one worked.",
  control: "The bare cargo, from the same height, always first.",
  trials: 3,
};

export const descentRules: readonly Said[] = [
  { words: "Was it let go, not thrown?" },
  { words: "Was its lowest point at the mark, {heightM} above the floor?" },
  { words: "Was the cargo the same as before?" },
];

export const descentHowTo: readonly Step[] = [
  { words: "Mark {heightM} on a wall or door frame, measured from the floor." },
  { words: "Drop the bare cargo {trials, plural, one {once} other {# times}} and time it. This is what you compare with." },
  { words: "Cut the canopy, {sizeM} across, and tie lines of one length to its rim.", adult: true, ...canopy },
  { words: "Cut the strip down its middle into two wings of {sizeM}, and fold them to opposite sides.", adult: true, ...spinner },
  { words: "Fix the cargo at the foot, the same way each time." },
  { words: "Let it go from the mark. Watch what it does before you read the clock." },
  { words: "How wide, how many lines, how long: these choices are yours, one at a time.", ...canopy },
  { words: "How long the wings are, how wide, how heavy the foot: these choices are yours, one at a time.", ...spinner },
];

export const descentIdea =
  "Falling things push air out of the way. The wider they are, and the more air they meet, the harder the air pushes back, until the push balances the weight and the fall grows no faster. A maple seed and a sheet of paper do it; a key does not.";

export const descentQuestions = {
  before: ["Why does a leaf take longer than a pebble?", "How many seconds do you guess?"],
  during: ["What does it do in the first half second?", "What one thing will you change?"],
  after: ["Did the change slow it down, or was it luck?", "What would make it slower still from the same height?"],
} as const;

/** Cautions of dropping; above reach height more care is due. */
export function descentCautions(heightM: number): readonly Caution[] {
  const list: Caution[] = [
    {
      id: "no-furniture",
      words:
        "Nobody stands on chairs or tables to drop: people fall off them. Use reach, a pole release, or a stairwell with an adult at the top.",
    },
    { id: "under", words: "Nobody under or in front while something falls." },
    { id: "adult-tools", words: "An adult stays with cutting and piercing. Keep bags and film away from under-threes." },
  ];
  if (heightM > 2.2) list.unshift({ id: "adult-height", words: "An adult is present at every drop from above reach." });
  return list;
}

export const descentTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Any light material" },
  { kind: "limited materials", words: "One sheet, one length of line, the same cargo" },
  { kind: "stretch", words: "Stay up {stretch}", times: 1.6 },
];
