import type { Caution, FamilyTier, Protocol, Said, Step, Symptom } from "../shape.ts";

export const glideSymptoms: readonly Symptom[] = [
  {
    id: "dives",
    words: "dives to the floor",
    question: "Which way does the back edge of the wing point?",
    nudge: "Bend the back edge up a little.",
  },
  {
    id: "stalls",
    words: "rears up and drops back",
    question: "Where does it balance on a finger?",
    nudge: "A little weight at the nose, or bend the back edge less.",
  },
  {
    id: "turns",
    words: "turns to one side",
    question: "Are both wings the same when you look from the front?",
    nudge: "Match the wings, their fold and their angle.",
  },
  { id: "rolls", words: "rolls over", question: "Do the wing tips point down?", nudge: "Let the wings rise a little to their tips." },
  {
    id: "flutters",
    words: "flutters and loses way",
    question: "Do the folds stay shut?",
    nudge: "Crease them sharply; a bit of tape holds the body together.",
  },
];

export const glideProtocol: Protocol = {
  before: "Throw level from the line, from the same height, always by the same person. Everybody else behind the thrower.",
  starts: "It counts from the moment it leaves the hand.",
  stops: "It ends where and when it first touches the floor, a wall or a person; a throw that touches a wall is repeated.",
  order: "Throw old and new in turn, so that a tired arm or a draught is shared by both.",
  trials: 5,
};

export const glideRules: readonly Said[] = [
  { words: "Was it thrown from behind the line?" },
  { words: "Is it one sheet, folded, with nothing hard at its nose?" },
  { words: "Was it the same thrower as before?" },
];

export const glideHowTo: readonly Step[] = [
  { words: "Say together what counts here: {best}." },
  {
    words: "Fold one sheet lengthwise, and fold its corners to the middle again and again, to a narrow dart.",
    when: { field: "kind", is: ["dart"] },
  },
  {
    words: "Fold the top third of one sheet down, over itself, and then the sheet lengthwise: wide wings.",
    when: { field: "kind", is: ["wide"] },
  },
  { words: "Fold the wings so that both match, and look at it from the front." },
  { words: "Throw it level and gently, once, and watch what it does." },
  { words: "Bend the back edges, move weight, change the wing fold: these choices are yours, one at a time." },
];

export const glideIdea =
  "A glider always falls, but on its way down it trades height for distance: a narrow dart about four steps forward for each step down, wide wings about six. Where it balances decides whether it holds its line, and a small bend at the back edge is its tail. A thrown flyer first has to swoop off its extra speed, and half of that is lost.";

export const glideQuestions = {
  before: ["Why does a flat sheet flutter, and a folded one fly?", "How far do you guess?"],
  during: ["What did its nose do first?", "What one thing will you change?"],
  after: ["Which change made it hold its line?", "Which flyer would you choose for far, and which for long?"],
} as const;

export const glideTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Any paper, any fold" },
  { kind: "limited materials", words: "One sheet, no tape, no clip" },
  { kind: "stretch", words: "{stretch}", times: 1.5 },
];

export const glideCautions: readonly Caution[] = [
  { id: "behind", words: "Everybody stands behind the thrower, and fetches only when the line is closed." },
  { id: "face", words: "Never toward a face or an animal. Blunt noses: fold a sharp tip back." },
  { id: "no-furniture", words: "Nobody throws from chairs, tables or railings: people fall off them." },
];
