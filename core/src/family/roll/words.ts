import type { Caution, FamilyTier, Protocol, Said, Step, Symptom } from "../shape.ts";

export const rollSymptoms: readonly Symptom[] = [
  {
    id: "stops",
    words: "stops on the way",
    question: "Was it already slow before that spot?",
    nudge: "A steeper start, or a shorter rise.",
  },
  {
    id: "flies-off",
    words: "flies off the curve",
    question: "Does it climb the wall first?",
    nudge: "A higher wall, a bank, or a slower way in.",
  },
  {
    id: "sticks",
    words: "sticks at a joint",
    question: "Can you feel an edge with your finger?",
    nudge: "Let the upper piece overlap the lower, and smooth the joint.",
  },
  {
    id: "too-fast",
    words: "gets there too fast",
    question: "Where does it gain its speed?",
    nudge: "More friction, a longer path, or bumps.",
    when: { field: "aim", is: ["slow"] },
  },
  {
    id: "misses",
    words: "misses the cup",
    question: "Does it leave the last part the same way each time?",
    nudge: "Guide the last hand's length, and lower the cup's rim.",
  },
];

export const rollProtocol: Protocol = {
  before: "The ball rests against the starting gate. Nobody touches the track.",
  starts: "The clock starts when the gate is lifted, without a push.",
  stops: "The clock stops when the ball is in the cup. Stopped or fallen off is a test without a time: mark where.",
  order: "{trials, plural, one {One run} other {# runs}} before anything is changed: how much they differ matters too.",
  trials: 3,
};

export const rollRules: readonly Said[] = [
  { words: "Did the ball start from rest, {startM} above the cup?" },
  { words: "Does it take no more than {parts, plural, one {# part} other {# parts}}?" },
  { words: "Did it end in the cup without help?" },
];

export const rollHowTo: readonly Step[] = [
  { words: "Mark the start, {startM} above where the cup stands." },
  { words: "Lay one straight piece from the start and let the ball roll. Watch where it is fast." },
  { words: "Add a curve with an outer wall, and try it on its own first." },
  { words: "Cut tubes and strips to length.", adult: true },
  { words: "Cover a part with a tunnel, and make one part that nobody has listed." },
  { words: "How steep, how long, in what order: these choices are yours." },
];

export const rollIdea =
  "Height is the ball's purse. All its speed is paid from it: some goes into moving along, some into spinning, and rubbing takes a little the whole way. A steep start spends it at once; a long gentle path spends it slowly. You feel the same on a bicycle: what you gain downhill carries you up the next rise, never quite as high.";

export const rollQuestions = {
  before: ["Where on a slide are you fastest?", "How many seconds do you guess?"],
  during: ["Where does it lose most speed?", "What one thing will you change?"],
  after: ["What made it slower without stopping it?", "Were the runs alike?"],
} as const;

export const rollTiers: readonly FamilyTier[] = [
  { kind: "free", words: "Any tubes and boxes" },
  { kind: "limited materials", words: "The listed parts, no more" },
  { kind: "stretch", words: "Take {stretch}, with as many parts", times: 1.6 },
  { kind: "stretch", words: "Take {stretch}, with as many parts", times: 2.4 },
];

export const rollCautions: readonly Caution[] = [
  {
    id: "balls",
    words:
      "Balls and marbles are a choking risk: keep them from under-threes, count them out and in, and pick up strays before someone steps on one.",
  },
  { id: "steady", words: "Fix tall tracks to something that can't fall. Nobody climbs to reach the start." },
  { id: "adult-tools", words: "An adult stays with cutting, piercing and hot glue." },
];
