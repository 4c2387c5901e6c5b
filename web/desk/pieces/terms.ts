/** Words of ours that a newcomer may not know, in plain ones. */
export const terms = {
  drives:
    "Of all the crates that would run out of something, most run out of this. A little more of it makes the crate surer than more of anything else.",
  surer: "What it costs to raise the chance that nothing runs out by one point, such as from 95 to 96 in 100.",
  rig: "Where builds are tested: the gap with its load, the ladder of heights, the launching line. One serves so many builders in a session.",
  plainBuild: "The simplest build that could do it. The prediction is made for this one; builders may do otherwise.",
  tier: "A way to take part: freely, with less material, against the clock, or with a goal further on.",
  fairTest: "Two versions that differ in one thing only, tested in the same way: what changes in the result comes from that thing.",
  houseTrial: "A practice build by your own staff before the run. It teaches build time, spoilage and how far to trust the prediction.",
  predicted: "A rough guide: 8 of 10 results are meant to fall into the band.",
  follows:
    "This number comes from the brief: move the ruler there, and the kit moves with it. Type another one over it, and it stands by itself until you have it follow again.",
} as const;

export type TermId = keyof typeof terms;
