/** How a run is held. */
export const runKinds = ["drop-in", "workshop", "series", "at-home", "visiting group"] as const;
export type RunKind = (typeof runKinds)[number];

/** How a session is held: as its run is; kits handed out and built at home; a broadcast or story hour, with neither room nor kits. */
export const sessionKinds = ["as the run", "pick-up", "on line"] as const;
export type SessionKind = (typeof sessionKinds)[number];

const words: Readonly<Record<SessionKind, string>> = { "as the run": "", "pick-up": "kits are picked up", "on line": "on line" };

/** How a session is held apart from its run; "" where it is held as the run is. */
export const apartWords = (kind: SessionKind): string => words[kind];

/** A session that takes place and that a crate is packed for. */
export const takesKits = ({ cancelled, kind }: { readonly cancelled: boolean; readonly kind: SessionKind }): boolean =>
  !cancelled && kind !== "on line";

/** Our own start for a session's length, until somebody says otherwise; minutes. */
export const usualLengths = { minutes: 120, setUpMin: 45, tearDownMin: 30 };
