import type { Caution, FamilyTier, Protocol, Said, Step, Symptom, When } from "../shape.ts";

const from = (...is: readonly string[]): { readonly when: When } => ({ when: { field: "from", is } });

export const floatCautions: readonly Caution[] = [
  { id: "tub", words: "Never leave a tub of water with a small child; empty it when testing ends." },
  { id: "wet-floor", words: "Wet floors are slippery: lay towels, wipe spills at once, keep a dry way round." },
  { id: "adult-tools", words: "An adult stays with cutting and piercing. Foil has sharp edges." },
];

export const floatSymptoms: readonly Symptom[] = [
  { id: "slides", words: "the load slides off", question: "Which way did it slide first?", nudge: "Give it a rim." },
  {
    id: "corner",
    words: "one corner goes under",
    question: "Where was the load sitting?",
    nudge: "Spread the load, and place it from the middle.",
  },
  {
    id: "seeps",
    words: "water seeps in",
    question: "Where is the first drop?",
    nudge: "Fold the corners, don't cut them.",
    ...from("sheet"),
  },
  {
    id: "apart",
    words: "it comes apart",
    question: "Which part left first?",
    nudge: "Tie it crosswise, at both ends of each part.",
    ...from("bag"),
  },
  {
    id: "cracks",
    words: "the wall cracks",
    question: "Where is it thinnest?",
    nudge: "Work it warm in the hand, and smooth the crack with a wet finger.",
    ...from("clay"),
  },
  { id: "soaks", words: "it soaks through", question: "How long did it stay dry?", nudge: "Try another material, or a second layer." },
  { id: "tips", words: "it tips over", question: "Is the load higher than it is wide?", nudge: "Make it wider and lower." },
];

export const floatProtocol: Protocol = {
  before: "Fill the tub to the mark, deeper than the boat is high. The boat is dry and empty.",
  starts: "Counting starts when the boat floats by itself, no hand on it.",
  stops: "Counting stops when water comes over the edge or the deck, or the boat touches the bottom; the last token does not count.",
  order: "One token at a time, from the middle outward, no dropping.",
  trials: 3,
};

export const floatRules: readonly Said[] = [
  { words: "Is the boat made of no more than the one square that everyone gets?", ...from("sheet") },
  { words: "Is the boat made of no more than what was in the bag?", ...from("bag") },
  { words: "Is the boat made of no more than the {clayKg} of clay?", ...from("clay") },
  { words: "Does it float free, touching neither wall nor bottom?" },
  { words: "Did every token go on singly, by hand?" },
];

export const floatHowTo: readonly Step[] = [
  { words: "Cut the sheet to a square of {sideM}, so that everyone starts equal.", adult: true, at: "home", ...from("sheet") },
  { words: "Fold up all four sides by the same height: {wallM} is a first try.", ...from("sheet") },
  { words: "Pinch the corners and fold them flat along a wall: fold, don't cut.", ...from("sheet") },
  { words: "Push each part under water and let go: which ones come back up?", ...from("bag") },
  { words: "Lay those that float side by side and tie them crosswise, at both ends.", ...from("bag") },
  { words: "Lay a deck across, wide enough that the load sits in the middle.", ...from("bag") },
  { words: "Roll the clay into a ball and drop it in: watch what it does.", ...from("clay") },
  { words: "Press it flat and thin, and pull up a wall of about {wallM} all round.", ...from("clay") },
  { words: "Float it empty and look for drops." },
  { words: "Where the tokens go, how high the walls are and whether there is a rim: these choices are yours.", ...from("sheet", "clay") },
  { words: "Where the tokens go, what carries the deck and how far out it sits: these choices are yours.", ...from("bag") },
];

export const floatIdea =
  "Water pushes up on a boat as hard as the water it pushes aside weighs. A wide boat with walls pushes much water aside before any comes over the edge. A bath toy and a ferry float for the same reason: they weigh less than the water they move.";

export const floatQuestions = {
  before: ["How can a ship of steel float?", "How many tokens do you guess it will carry?"],
  during: ["Which edge goes under first?", "What one thing will you change?"],
  after: ["Did higher walls help, or a wider base?", "What would the best boat from the same material look like?"],
} as const;

export const floatTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Any sheet, any parts" },
  { kind: "limited materials", words: "Only what everyone gets, no tape" },
  { kind: "limited time", words: "{minutes, plural, one {# minute} other {# minutes}} of building" },
  { kind: "stretch", words: "Carry {stretch}", times: 1.5 },
];
