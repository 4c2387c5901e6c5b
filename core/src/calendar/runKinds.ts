/** How a run is held. */
export const runKinds = ["drop-in", "workshop", "series", "at-home", "visiting group"] as const;
export type RunKind = (typeof runKinds)[number];

/** Our own start for a session's length, until somebody says otherwise; minutes. */
export const usualLengths = { minutes: 120, setUpMin: 45, tearDownMin: 30 };
