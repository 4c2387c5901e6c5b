import type { Caution, FamilyTier, Protocol, Step, Symptom } from "../shape.ts";

export const tallSymptoms: readonly Symptom[] = [
  {
    id: "leans",
    words: "leans over",
    question: "Where is its weight, seen from above?",
    nudge: "A wider base, and the same on every side.",
  },
  { id: "pulls-out", words: "a joint pulls out", question: "How deep does the stick sit?", nudge: "A smaller joint, pressed deeper." },
  { id: "splays", words: "the base splays", question: "What holds the feet together?", nudge: "Tie the feet in a ring." },
  {
    id: "snaps",
    words: "sticks snap",
    question: "Is it the longest one, pushed from its ends?",
    nudge: "Shorter sticks, or two side by side.",
  },
  { id: "sways", words: "sways and twists", question: "Which squares have no brace?", nudge: "Turn squares into triangles." },
];

export const tallProtocol: Protocol = {
  before: "Hands off, nothing leaning on it, table or floor that does not shake.",
  starts: "The clock starts when the last hand leaves it.",
  stops: "When it has stood for the time asked, measure from the floor it stands on to its highest point.",
  order: "Measure once it stands; then put a load on top, if the brief asks for one, and look again.",
  trials: 1,
};

export const tallRules: readonly string[] = [
  "Did it stand by itself, not tied or stuck to anything?",
  "Were no more sticks and joints used than the kit holds?",
  "Did it stand for the whole time, hands off?",
];

export const tallHowTo: readonly Step[] = [
  { words: "Lay three sticks in a triangle and join its corners: this is the base." },
  { words: "Stand one stick up at each corner, and brace each side with a slanted one." },
  { words: "Tie their tops in a ring of three: that is a layer." },
  { words: "Cut sticks only if the brief lets you; points stay away from eyes.", adult: true },
  { words: "Let go and count to ten before the next layer." },
  { words: "Wide or slim, many layers or few: these choices are yours." },
];

export const tallIdea =
  "A square of sticks can be pushed over with one finger; a triangle can't, unless a stick breaks. Tall things fall when their weight comes over the edge of their feet, so low weight and wide feet buy height. That is how a crane and a giraffe stand.";

export const tallQuestions = {
  before: ["Why do pylons have slanted bars?", "How many sticks high do you think it will be?"],
  during: ["Which stick is pushed, and which is pulled?", "What will you change before the next layer?"],
  after: ["What did each stick do for you?", "What gave way first: a stick, a joint, or its balance?"],
} as const;

export const tallTiers: readonly FamilyTier[] = [
  { kind: "limited materials", words: "The counted sticks and joints" },
  { kind: "limited time", words: "Twenty minutes of building" },
  { kind: "stretch", words: "A quarter higher", times: 1.25 },
];

export const tallCautions: readonly Caution[] = [
  { id: "goggles", words: "Goggles near pasta and sticks under load: they snap, and ends fly." },
  { id: "points", words: "Cut the points off skewers. Nobody runs or plays with sticks." },
  { id: "no-furniture", words: "Nobody stands on chairs or tables to build higher: people fall off them." },
  { id: "falling", words: "Keep faces away from under a load on top." },
];
