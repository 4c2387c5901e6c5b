/** What the trail of a house tells of. */
export const auditAreas = ["sign-in", "people", "settings", "publishing", "stock", "erasing", "upkeep"] as const;
export type AuditArea = (typeof auditAreas)[number];

/** One line of the trail: who did what, when. */
export interface TrailNote {
  readonly id: number;
  /** ms since 1970, UTC. */
  readonly at: number;
  /** A person's name, or "the server". */
  readonly who: string;
  readonly area: AuditArea;
  readonly what: string;
}
