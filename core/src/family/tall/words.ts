import type { Caution, FamilyTier, Protocol, Said, Step, Symptom } from "../shape.ts";

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
  stops: "When it has stood for {standS}, measure from the floor it stands on to its highest point.",
  order: "Measure once it stands; then put the load on top, where this challenge has one, and look again.",
  trials: 1,
};

export const tallRules: readonly Said[] = [
  { words: "Did it stand by itself, not tied or stuck to anything?" },
  {
    words: "Were no more than {sticks, plural, one {# stick} other {# sticks}} and {joints, plural, one {# joint} other {# joints}} used?",
  },
  { words: "Did it stand for {standS}, hands off?" },
];

export const tallHowTo: readonly Step[] = [
  { words: "Lay three sticks in a triangle and join its corners: this is the base.", when: { field: "base", is: ["triangle"] } },
  {
    words: "Lay four sticks in a square, one across its corners, and join them: this is the base.",
    when: { field: "base", is: ["square"] },
  },
  { words: "Lay sticks in a ring of equal sides and join them: this is the base.", when: { field: "base", is: ["round"] } },
  { words: "Stand sticks up slanting from the corners, and brace each side with a slanted one.", when: { field: "braces", is: ["whole"] } },
  {
    words: "Stand one stick up at each corner, cut braces to length, and slant one across each side.",
    adult: true,
    when: { field: "braces", is: ["cut"] },
  },
  { words: "Tie their tops in a ring: that is a layer." },
  { words: "Let go and wait for {standS} before the next layer." },
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
  {
    kind: "limited materials",
    words: "{sticks, plural, one {# stick} other {# sticks}} and {joints, plural, one {# joint} other {# joints}}",
  },
  { kind: "limited time", words: "{minutes, plural, one {# minute} other {# minutes}} of building" },
  { kind: "stretch", words: "Stand {stretch} high", times: 1.25 },
];

export const tallCautions: readonly Caution[] = [
  { id: "goggles", words: "Goggles near pasta and sticks under load: they snap, and ends fly." },
  { id: "points", words: "Cut the points off skewers. Nobody runs or plays with sticks." },
  { id: "no-furniture", words: "Nobody stands on chairs or tables to build higher: people fall off them." },
  { id: "falling", words: "Keep faces away from under a load on top." },
];
