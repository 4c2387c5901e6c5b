import type { Caution, FamilyTier, Protocol, Said, Step, Symptom, When } from "../shape.ts";

const whole: { readonly when: When } = { when: { field: "outcome", is: ["whole"] } };
const aboard: { readonly when: When } = { when: { field: "outcome", is: ["aboard"] } };

export const landingSymptoms: readonly Symptom[] = [
  {
    id: "corner",
    words: "cracked at a corner",
    question: "How many points of it touched the ground first?",
    nudge: "Spread the blow over more points of contact.",
    ...whole,
  },
  {
    id: "rattles",
    words: "the cargo rattles inside",
    question: "Can you hear it move when you shake it gently?",
    nudge: "Make the cradle snug, so that cargo and build stop together.",
    ...whole,
  },
  {
    id: "tumbles",
    words: "tumbled and landed on a bare side",
    question: "Which side came down first?",
    nudge: "Put the weight low, and cover every side.",
  },
  {
    id: "leg",
    words: "a long leg punched through",
    question: "Did all legs touch at once?",
    nudge: "Make the legs even, and wider at the foot.",
  },
  {
    id: "bounced-out",
    words: "the riders bounced out",
    question: "How high did they jump?",
    nudge: "Softer legs under a deeper cabin.",
    ...aboard,
  },
];

export const landingProtocol: Protocol = {
  before: "Hold the build with its lowest point at the rung, nobody below. Look at the cargo before each drop: a mark counts only once.",
  starts: "Let go with both hands at once, without a push.",
  stops: "Wait until it lies still; only then touch it, and look at what it carried.",
  order: "Start at the first rung, {firstM}. One rung up after it came through, one rung down after it did not.",
  trials: 4,
};

export const landingRules: readonly Said[] = [
  { words: "Was it let go, not thrown?" },
  { words: "Can the cargo be taken out by hand within a minute, without tools?", ...whole },
  { words: "Is the cabin open at the top, and are the riders loose?", ...aboard },
  { words: "Is the build made of nothing but the kit?" },
];

export const landingHowTo: readonly Step[] = [
  { words: "Look at the cargo with the others and agree on what whole, marked, cracked and broken look like.", ...whole },
  { words: "Make a cradle that holds the cargo snugly and opens by hand.", ...whole },
  { words: "Make a cabin without a lid, its wall about {wallM} high, and set the riders in it, loose.", ...aboard },
  { words: "Fix something that gives way under it: folded strips, straws, cones." },
  {
    words: "Tie lines of one length from a canopy, {canopyM} across, to the top, and see that it opens.",
    when: { field: "canopy", is: ["round", "square"] },
  },
  { words: "Cut and pierce what is stiff.", adult: true },
  { words: "Drop it from the lowest rung, {firstM}, and look before you touch it." },
  { words: "Where the cushion goes, how thick, how many feet: these choices are yours." },
];

export const landingIdea =
  "A fall does no harm; the stop does. Everything that falls from one height arrives at one speed, and what matters is over how long a way it stops. Twice the way, half the push. That is why you bend your knees when you jump, and why a thin hard shell saves less than a thick soft one.";

export const landingQuestions = {
  before: ["What happens to your knees when you jump down a step?", "Which rung do you think it will survive?"],
  during: ["What touched first?", "What one thing will you change before the next rung?"],
  after: ["Was it softer, thicker, or steadier that helped?", "Where do people protect things this way?"],
} as const;

export const landingTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Anything clean from the recycling box" },
  { kind: "limited materials", words: "The same few materials for everybody; least grams is a score of its own" },
  { kind: "limited time", words: "{minutes, plural, one {# minute} other {# minutes}} of building" },
  { kind: "stretch", words: "Come down {stretch}", times: 1.5 },
];

/** Cautions of dropping what may break. */
export function landingCautions(highestM: number, foodCargo: boolean): readonly Caution[] {
  const list: Caution[] = [
    {
      id: "no-furniture",
      words:
        "Nobody stands on chairs or tables to drop: people fall off them. Use reach, a pole release, or a stairwell with an adult at the top.",
    },
    { id: "under", words: "Nobody under or in front while something falls. Keep small children and pets outside the marked circle." },
    { id: "adult-tools", words: "An adult stays with cutting, piercing and hot glue." },
    { id: "wet-floor", words: "Wipe up at once: a broken cargo makes the floor slippery." },
  ];
  if (highestM > 2.2) list.unshift({ id: "adult-height", words: "An adult is present at every drop from above reach." });
  if (foodCargo)
    list.push({
      id: "food-cargo",
      words: "Food as cargo: use a non-food stand-in first, wash hands and surfaces after, and throw it away, never eat it.",
    });
  return list;
}
