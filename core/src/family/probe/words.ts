import type { Caution, FamilyTier, Protocol, Said, Step, Symptom } from "../shape.ts";

export const probeSymptoms: readonly Symptom[] = [
  {
    id: "hangs",
    words: "hangs in the middle of the water",
    question: "Is there air caught in it?",
    nudge: "Squeeze the bubbles out under water and look again.",
  },
  {
    id: "soaks-slowly",
    words: "floats at first, then sinks",
    question: "What came out while it went down?",
    nudge: "Write down how long it took: that is a result.",
  },
  {
    id: "skin",
    words: "sits on the water's skin",
    question: "Does it still float after a push under?",
    nudge: "Push it under once, then let go.",
  },
  {
    id: "disagree",
    words: "two builders saw different things",
    question: "Was it the same piece, the same side, the same push?",
    nudge: "Do it again, together, and agree on what counts.",
  },
  {
    id: "springs-back",
    words: "bends but springs back",
    question: "How far did it go before it stayed bent?",
    nudge: "Fold it sharply once, and look after a minute.",
  },
];

export const probeProtocol: Protocol = {
  before: "Everybody writes a guess for every item before anything is touched. Tray and towel ready.",
  starts: "One test at a time, one item at a time.",
  stops: "Wait half a minute before writing what happened.",
  order: "All items through one test, then the next test.",
  trials: 1,
};

export const probeRules: readonly Said[] = [
  { words: "Was every guess written before the test?" },
  { words: "Was each item tested the same way?" },
  { words: "Was it looked at for half a minute?" },
];

export const probeHowTo: readonly Step[] = [
  { words: "Lay the {items, plural, one {# item} other {# items}} out and name them together." },
  { words: "Write a guess for each: floats or sinks, soaks or not, bends, holds a fold, magnetic." },
  { words: "Fill a tub {waterM} deep and stand it on a towel.", adult: true },
  { words: "Test one thing at a time, and write what happened beside the guess." },
  { words: "Sort the items by what you found: which would you build the next thing from?" },
];

export const probeIdea =
  "What a thing is made of matters more than what it is. Something floats when it is lighter than as much water as it pushes aside, however large it is: a log floats, a pebble sinks. Testing a material first saves a whole build.";

export const probeQuestions = {
  before: ["Which of these would you make a boat from?", "Which guess are you least sure of?"],
  during: ["Did it do the same when you tried it again?", "What surprised you?"],
  after: ["Which three will you use next time, and why?", "What else would you like to test?"],
} as const;

export const probeTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Bring things from home to test" },
  { kind: "limited materials", words: "The {items, plural, one {# item} other {# items}} on the tray" },
  { kind: "stretch", words: "{stretch} right guesses", times: 1.25 },
];

export const probeCautions: readonly Caution[] = [
  { id: "water", words: "Never leave a tub of water with a small child; empty it at once after. Wipe up: wet floors are slippery." },
  { id: "magnets", words: "Magnets stay away from under-threes: two swallowed ones do great harm." },
  { id: "edges", words: "Look at edges and points before things are handed round." },
];
