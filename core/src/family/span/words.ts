import type { Caution, FamilyTier, Protocol, Step, Symptom } from "../shape.ts";

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
    nudge: "Fold it, layer it, or make it deeper from top to bottom.",
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
  },
  { id: "strut-snaps", words: "one strut snaps", question: "Is it the longest one?", nudge: "Try shorter struts and triangles." },
];

export const spanProtocol: Protocol = {
  before: "Supports stay on their marks. The load sits between them and touches nothing else.",
  starts: "The clock starts when the hand leaves the last load.",
  stops: "The clock stops when the deck, or the load, touches the floor, or when the hold time is over.",
  order: "One object at a time, so that the last load held is known; then weigh what it held.",
  trials: 3,
};

export const spanRules: readonly string[] = [
  "Is the gap between the supports clear, with nothing touching the floor?",
  "Does the deck rest only on or outside the marks?",
  "Is the deck no higher above the floor than the brief says?",
];

export const spanHowTo: readonly Step[] = [
  { words: "Set two supports of the same height at the marks. Measure the clear gap." },
  { words: "Lay one flat sheet across and push it gently in the middle. See how little it takes." },
  { words: "Fold the same sheet into even pleats, like a fan, along the way it crosses." },
  { words: "Cut two faces of the same length, if your kit has card.", adult: true },
  { words: "Join the faces to the pleats, or leave them off: this choice is yours." },
  { words: "Lay it across, the same length on each side, and load it slowly in the middle." },
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
  { kind: "limited time", words: "Fifteen minutes of building" },
  { kind: "stretch", words: "Half as much again", times: 1.5 },
];
