/** One thing that is looked after. */
export interface HealthLine {
  readonly name: "disk" | "writing" | "entries let go" | "backup" | "replica" | "clock" | "restored entries" | "proxy";
  /** fine; look at it soon; broken; or nobody asked for it. */
  readonly state: "fine" | "soon" | "broken" | "off";
  /** How it stands, in words, with numbers. */
  readonly words: string;
}

/** How a house's server stands. */
export interface HealthDoc {
  readonly ok: boolean;
  readonly lines: readonly HealthLine[];
}
