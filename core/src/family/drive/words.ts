import type { Caution, FamilyTier, Protocol, Said, Step, Symptom, When } from "../shape.ts";

const by = (...is: readonly string[]): { readonly when: When } => ({ when: { field: "drive", is } });

export const driveSymptoms: readonly Symptom[] = [
  {
    id: "spins",
    words: "the wheels spin on the spot",
    question: "Do the wheels leave a mark, or a smell?",
    nudge: "More weight over the driven axle, or a band round the wheel as a tyre.",
    ...by("band"),
  },
  {
    id: "turns",
    words: "turns to one side",
    question: "Are the axles parallel when you look from above?",
    nudge: "Set the axles square to the body.",
  },
  {
    id: "will-not-start",
    words: "will not start",
    question: "Does a wheel turn freely when you flick it?",
    nudge: "Free the axle first; only then more push.",
  },
  {
    id: "short",
    words: "starts well, stops soon",
    question: "Does it rub anywhere?",
    nudge: "Lighter, with freer axles and larger wheels.",
  },
  { id: "tips-over", words: "tips over", question: "How high is its weight?", nudge: "A wider stand, and the weight lower." },
];

export const driveProtocol: Protocol = {
  before: "Front wheels on the line, floor level and the same; wound, blown or raised the same way each time.",
  starts: "Let go without a push.",
  stops: "Measure along the lane to where the front wheels stand still, and how far to a side of it.",
  order: "Each version {trials, plural, one {once} other {# times}}, before anything is changed.",
  trials: 3,
};

export const driveRules: readonly Said[] = [
  { words: "Was it let go without a push?" },
  { words: "Does nothing but the band move it?", ...by("band") },
  { words: "Does nothing but the wind move it?", ...by("sail") },
  { words: "Does nothing but the ramp, {rampM} high, move it?", ...by("gravity") },
  { words: "Is it the same floor as before?" },
];

export const driveHowTo: readonly Step[] = [
  { words: "Fix two straws across a body, square to it; axles run in them." },
  { words: "Cut wheels and pierce their middles.", adult: true },
  { words: "Push the wheels on, and flick each: it should turn on for a while." },
  { words: "Hook a band to the body and to the axle, and wind it: {turns, plural, one {# turn} other {# turns}} at first.", ...by("band") },
  { words: "Stand a sail up, a square of about {sailM}, and stay it so that it can't fold.", ...by("sail") },
  { words: "Set it on the ramp, {rampM} high, and hold it by its back.", ...by("gravity") },
  { words: "Let it go from the line, {trials, plural, one {once} other {# times}}." },
  { words: "How many turns, how large a wheel, how heavy: these choices are yours.", ...by("band") },
  { words: "How large a sail, how tall, how heavy: these choices are yours.", ...by("sail") },
  { words: "How heavy, how large the wheels, how free the axles: these choices are yours.", ...by("gravity") },
];

export const driveIdea =
  "Something has to pay for every step a cart goes: a wound band, the wind, or height. Rolling takes its share from it the whole way. A light cart with free axles gets farther for the same price. Large wheels go farther for each turn but pull less hard, as with a bicycle's gears.";

export const driveQuestions = {
  before: ["Which rolls farther off a ramp, heavy or light?", "How far do you guess?"],
  during: ["Did the wheels turn faster than the cart moved?", "What one thing will you change?"],
  after: ["Which change made the most difference?", "Where does the push end up?"],
} as const;

export const driveTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Anything clean from the recycling box" },
  { kind: "limited materials", words: "The kit alone" },
  { kind: "stretch", words: "Go {stretch}", times: 1.5 },
];

/** Cautions of carts; wind and bands bring their own. */
export function driveCautions(drive: string): readonly Caution[] {
  const list: Caution[] = [
    { id: "adult-tools", words: "An adult stays with cutting, piercing and hot glue. Skewers used as axles have their points cut off." },
    { id: "lane", words: "Keep the lane clear of feet: people trip over carts." },
  ];
  if (drive === "band") list.push({ id: "goggles", words: "Wind bands away from faces, goggles on: they snap." });
  if (drive === "sail")
    list.push({ id: "fan", words: "A fan has a guard, stands on the floor, its cord taped down; fingers, hair and strings stay away." });
  return list;
}
