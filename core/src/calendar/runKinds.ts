/** How a run is held. */
export const runKinds = ["drop-in", "workshop", "series", "at-home", "visiting group"] as const;
export type RunKind = (typeof runKinds)[number];
