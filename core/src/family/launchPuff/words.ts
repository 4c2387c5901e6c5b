import type { Caution, FamilyTier, Protocol, Said, Step, Symptom, When } from "../shape.ts";

const breath: { readonly when: When } = { when: { field: "source", is: ["breath"] } };
const stomp: { readonly when: When } = { when: { field: "source", is: ["stomp"] } };

export const puffSymptoms: readonly Symptom[] = [
  {
    id: "veers",
    words: "veers off to a side",
    question: "Are all fins the same size, and evenly round the body?",
    nudge: "Make the fins even, and set them lower down the body.",
  },
  {
    id: "tumbles",
    words: "tumbles over",
    question: "Where does it balance on a finger?",
    nudge: "Add a little weight at the nose, or larger fins at the tail.",
  },
  {
    id: "stuck",
    words: "does not leave the tube",
    question: "Does air hiss out anywhere?",
    nudge: "Seal the tip with tape, and loosen the fit a little.",
  },
  {
    id: "short",
    words: "leaves but falls short",
    question: "Did it slide off freely?",
    nudge: "Make it lighter, or let more of it sit on the tube.",
  },
  {
    id: "turns-up",
    words: "turns into the wind",
    question: "How large are its fins against its body?",
    nudge: "Smaller fins: it is steadier than it needs to be.",
  },
];

export const puffProtocol: Protocol = {
  before: "Nobody down range. The same person launches, from the same mark, at the same angle. Goggles on.",
  starts: "Call the launch; the same push each time, not a harder one.",
  stops: "Measure to the first touch, and how far to a side of the lane's middle.",
  order: "Launch without fins first, then with them: launches of the old and the new in turn, by the same person.",
  trials: 5,
};

export const puffRules: readonly Said[] = [
  { words: "Is the tip soft and sealed, with nothing hard in it?" },
  { words: "Does the builder use a mouthpiece or tube that nobody else has used?", ...breath },
  { words: "Was the bottle filled again by hand, never by mouth?", ...stomp },
  { words: "Was it launched from behind the line, along the lane?" },
];

export const puffHowTo: readonly Step[] = [
  { words: "Roll a strip of paper, {lengthM} long, round the launch tube and tape it, loose enough to slide, close enough to seal." },
  { words: "Fold the tip over, or roll a cone for it, and tape it shut." },
  { words: "Slide it on, look along the lane, and blow it off once without fins. See what it does.", ...breath },
  { words: "Slide it on, look along the lane, and stomp once, with one foot, without fins. See what it does.", ...stomp },
  { words: "Cut fins from thin card.", adult: true },
  { words: "Find where it balances, and tape fins on behind that point." },
  { words: "How many fins, how large, how long a body: these choices are yours." },
];

export const puffIdea =
  "Air that is squeezed pushes on everything it touches. It pushes the rocket for as long as the rocket is on the tube, so a longer overlap makes a faster start. Once in the air, the fins feel the air most: if they are behind the balance point, any turn is turned back, as a weather vane finds the wind.";

export const puffQuestions = {
  before: ["What keeps an arrow straight?", "How far do you guess, with fins and without?"],
  during: ["Did it fly nose first all the way?", "What one thing will you change?"],
  after: ["Did fins make it straighter, farther, or both?", "Who launched, and would another person change it?"],
} as const;

export const puffTiers: readonly FamilyTier[] = [
  { kind: "limited materials", words: "One sheet of paper and a hand of tape" },
  { kind: "limited time", words: "{minutes, plural, one {# minute} other {# minutes}} of building" },
  { kind: "stretch", words: "Fly {stretch}", times: 1.5 },
];

/** Cautions of puff launches; a stomp asks for more. */
export function puffCautions(stomp: boolean): readonly Caution[] {
  return [
    { id: "face", words: "Never toward a face or an animal. Nobody down range; everybody behind the line until the launcher says so." },
    { id: "lane", words: "Keep the marked lane clear, its margins too." },
    { id: "adult-launch", words: "An adult is present at every launch, and at cutting and hot glue." },
    stomp
      ? {
          id: "stomp",
          words:
            "Only soft bottles, one foot, flat shoes, goggles; fill the bottle again by hand, never by mouth. No other pressure, no pump, no fire.",
        }
      : {
          id: "mouthpiece",
          words:
            "One mouthpiece for each builder, never shared. Breathe in with the tube away from your mouth. Rest after three puffs: dizziness is a sign to stop.",
        },
    { id: "goggles", words: "Goggles for everybody near the line." },
  ];
}
