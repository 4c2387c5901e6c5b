import type { Caution, FamilyTier, Protocol, Said, Step, Symptom } from "../shape.ts";

export const bandSymptoms: readonly Symptom[] = [
  {
    id: "floor",
    words: "shoots into the floor",
    question: "Where is the arm when it lets go?",
    nudge: "It releases late: stop the arm sooner, or tilt the base back.",
  },
  {
    id: "up",
    words: "goes straight up",
    question: "Where is the arm when it lets go?",
    nudge: "It releases early: let the arm come farther before it stops.",
  },
  {
    id: "falls-off",
    words: "falls off before it flies",
    question: "What holds it while the arm moves?",
    nudge: "Give it a cradle or a shallow cup.",
  },
  {
    id: "jumps",
    words: "the base jumps",
    question: "What moves the other way when the arm goes?",
    nudge: "Widen the base, hold it, or tape it down.",
  },
  {
    id: "snaps",
    words: "a band snaps",
    question: "Was it pulled past what it bears, or rubbed on an edge?",
    nudge: "A shorter stretch, or two bands side by side. New band, goggles on.",
  },
];

export const bandProtocol: Protocol = {
  before: "Base on the launch line, behind it everybody. Goggles on. The same thing is flung every time.",
  starts: "Pull back to the mark, call the launch, let go.",
  stops: "Measure to the first touch, not to where it rolls, and how far to a side of the lane's middle.",
  order: "Launch each version {trials, plural, one {once} other {# times}} before you change anything.",
  trials: 5,
};

export const bandRules: readonly Said[] = [
  { words: "Is only the soft thing of the kit flung?" },
  { words: "Is the base behind the line, and was it not thrown by hand?" },
  {
    words:
      "Does it use no more than {mostBands, plural, one {# band} other {# bands}}, none stretched more than {mostStretchM} beyond slack?",
  },
];

export const bandHowTo: readonly Step[] = [
  { words: "Put a stiff base together and mark where it stands on the launch line." },
  { words: "Hinge an arm on it so that it swings freely, and fix a small cup at its end." },
  { words: "Hook {bands, plural, one {# band} other {# bands}} from the base to the arm so that it pulls the arm up." },
  { words: "Pierce, cut and glue what needs it.", adult: true },
  { words: "Fix a stop that the arm hits, so that it lets go on the way up." },
  { words: "Where the stop sits, how many bands, how long the arm: these choices are yours." },
];

export const bandIdea =
  "A stretched band stores work, and gives it back all at once. Twice the stretch stores four times as much. How it leaves decides the rest: too flat and the ground comes soon, too steep and it only goes up. Light things start fast but the air soon stops them, as you know from throwing a feather.";

export const bandQuestions = {
  before: ["Which goes farther, twice the bands or twice the stretch?", "How far do you guess, in steps?"],
  during: ["Which way did it leave the cup?", "What one thing will you change?"],
  after: ["Did more bands help as much as you guessed?", "Why did the light one stop so soon?"],
} as const;

export const bandTiers: readonly FamilyTier[] = [
  { kind: "limited materials", words: "{mostBands, plural, one {# band} other {# bands}}, sticks and a cup" },
  { kind: "limited time", words: "{minutes, plural, one {# minute} other {# minutes}} of building" },
  { kind: "stretch", words: "Fly {stretch}", times: 1.5 },
];

export const bandCautions: readonly Caution[] = [
  { id: "goggles", words: "Goggles for everybody near the line: bands snap and things fly." },
  {
    id: "lane",
    words: "Keep the marked lane clear, its margins too. Nobody down range; everybody behind the line until the launcher says so.",
  },
  { id: "face", words: "Never toward a face or an animal. Fling only the soft things of the list, nothing hard, sharp or heavy." },
  { id: "adult-launch", words: "An adult is present at every launch, and at cutting, piercing and hot glue." },
  { id: "bands", words: "Look at each band before you pull it: a nicked one is thrown away. Pick up every snapped piece." },
];
