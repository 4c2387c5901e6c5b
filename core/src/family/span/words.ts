import type { Caution, FamilyTier, Protocol, Said, Step, Symptom, When } from "../shape.ts";

const forms = (...is: readonly string[]): { readonly when: When } => ({ when: { field: "form", is } });
const sheetForms = forms("flat", "flat-bonded", "pleated", "sandwich", "tubes", "arch");

export const spanCautions: readonly Caution[] = [
  { id: "falling-load", words: "Add loads slowly and low, over a floor that may be hit. Keep toes and faces away from under the deck." },
  { id: "goggles", words: "Wear goggles when a bridge is loaded until it breaks: sticks and pasta snap." },
  { id: "adult-tools", words: "An adult stays with cutting, piercing and hot glue." },
];

export const spanSymptoms: readonly Symptom[] = [
  {
    id: "sags",
    words: "sags in the middle",
    question: "Where does it bend first?",
    nudge: "Make it deeper from top to bottom: that helps more than more of the same.",
  },
  {
    id: "slips",
    words: "the ends slip or crush",
    question: "What do the ends do just before it goes?",
    nudge: "Widen the ends, or anchor them outside the marks.",
  },
  { id: "twists", words: "twists over", question: "Does one side go down before the other?", nudge: "Tie the two sides together." },
  {
    id: "tape-tears",
    words: "the tape tears",
    question: "Which way is the tape being pulled?",
    nudge: "Overlap more, or wrap it all the way round.",
    ...forms("flat", "flat-bonded", "pleated", "sandwich", "tubes", "arch", "truss", "suspended"),
  },
  {
    id: "strut-snaps",
    words: "one strut snaps",
    question: "Is it the longest one?",
    nudge: "Try shorter struts and triangles.",
    ...forms("truss"),
  },
  {
    id: "joint-opens",
    words: "a joint opens",
    question: "Is it being pulled apart, or twisted?",
    nudge: "Let the pieces overlap more where they are pulled.",
    ...forms("truss", "bricks"),
  },
  {
    id: "feet-slide",
    words: "the feet of the arch slide out",
    question: "What pushes them outward?",
    nudge: "Tie the feet together, or hold them against the supports.",
    ...forms("arch"),
  },
  {
    id: "kinks",
    words: "a fold or a tube kinks",
    question: "On which side is it pushed together?",
    nudge: "More of it where it kinks: a second layer there, not everywhere.",
    ...forms("pleated", "sandwich", "tubes"),
  },
  {
    id: "line-slips",
    words: "a line slips or comes undone",
    question: "Which way does the line pull at its end?",
    nudge: "Wrap it round before you knot it, and let it hang lower.",
    ...forms("suspended"),
  },
];

export const spanProtocol: Protocol = {
  before: "Supports stay on their marks. The load sits between them and touches nothing else.",
  starts: "The clock starts when the hand leaves the last load.",
  stops: "The clock stops when the deck, or the load, touches the floor, or after {holdS}.",
  order: "One object at a time, so that the last load held is known; then weigh what it held.",
  trials: 3,
};

export const spanRules: readonly Said[] = [
  { words: "Is the gap between the supports {gapM} wide and clear, with nothing touching the floor?" },
  { words: "Does the deck rest only on or outside the marks?", when: { field: "supports", is: ["outside"] } },
  { words: "Is the deck no higher above the floor than {deckHeightM}?" },
];

export const spanHowTo: readonly Step[] = [
  { words: "Set two supports of the same height at the marks, {gapM} apart. Measure the clear gap." },
  { words: "Lay one flat sheet across and push it gently in the middle. See how little it takes.", ...sheetForms },
  { words: "Lay the sheets on top of each other, glue them all over, and press them until they are dry.", ...forms("flat-bonded") },
  { words: "Fold the same sheet into even pleats, like a fan, along the way it crosses.", ...forms("pleated", "sandwich") },
  { words: "Cut two faces of the same length, and join them to the pleats, above and below.", adult: true, ...forms("sandwich") },
  { words: "Roll sheets round a pencil into tubes, tape their edges, and tie the tubes side by side.", ...forms("tubes") },
  { words: "Bend it into an arch about {riseM} high, and hold its feet so that they can't slide apart.", ...forms("arch") },
  { words: "Lay out a row of triangles with corners about {spacingM} apart, and join the corners.", ...forms("truss") },
  { words: "Make a second side like it, stand both up, and join them by short pieces across.", ...forms("truss") },
  { words: "Cut points off, and cut what is stiff.", adult: true, ...forms("truss") },
  { words: "Tie the lines from one support to the other, dipping about {dipM}, and lay a deck on them.", ...forms("suspended") },
  { words: "Lay the bricks in layers, each brick over the joint of two below it, all along the way.", ...forms("bricks") },
  { words: "Lay it across, load it slowly in the middle. How deep, how wide, how it is joined: these choices are yours." },
];

export const spanIdea =
  "A flat sheet bends easily because all of it is close to its middle. Move material away from the middle, up and down, and the same sheet grows stiff: stiffness goes with depth. You can feel it when you hold a slice of bread or a cardboard box: flat it droops, folded it stands.";

export const spanQuestions = {
  before: ["What makes a plank across a ditch feel safe?", "Which will hold more: the same paper flat, or folded?"],
  during: ["Where does it give way first?", "What one thing will you change?"],
  after: ["What held the load in the end: more material, or a better shape?", "Where have you seen this shape in a real bridge?"],
} as const;

export const spanTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Any paper and card from the box" },
  { kind: "limited materials", words: "The kit's sheets and a hand of tape" },
  { kind: "limited time", words: "{minutes, plural, one {# minute} other {# minutes}} of building" },
  { kind: "stretch", words: "Hold {stretch}", times: 1.5 },
];
