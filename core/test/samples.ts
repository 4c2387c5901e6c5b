import { type HouseSeason, type KitBrief, type KitLine, type KitMaterial, type TimedSession, unbound, usualTimes } from "../src/index.ts";

export const material = (id: string, patch: Partial<KitMaterial> = {}): KitMaterial => ({
  id,
  unit: "piece",
  packSize: 50,
  packPriceCents: 500,
  onHand: 20,
  sheetWidthM: null,
  sheetHeightM: null,
  ...patch,
});

/** A house whose two people prepare three hours on each weekday. */
export const supplyHouse: HouseSeason["house"] = {
  closures: [],
  preparing: { weekdays: [1, 2, 3, 4, 5], people: 2, hours: 3, times: usualTimes },
};

export const line = (materialId: string, patch: Partial<KitLine> = {}): KitLine => ({
  id: `line-${materialId}`,
  materialId,
  per: "builder",
  kind: "counted",
  amount: 2,
  perRebuild: 0.5,
  spoilRate: 0.05,
  spread: 0.3,
  share: 0.5,
  unitsPerItem: 1,
  loss: 0.2,
  source: "packed",
  standIn: "",
  standInRatio: 1,
  tier: null,
  cut: null,
  bind: unbound,
  ...patch,
});

export const kitBrief = (lines: readonly KitLine[]): KitBrief => ({
  buildBy: "builder",
  teamSize: 2,
  rebuildRate: 0.4,
  loops: 2,
  target: 0.9,
  seatsPerTable: 6,
  shareAtOnce: 0.6,
  rigServes: 12,
  turnedAway: null,
  lines,
  tiers: [],
});

export const session = (id: string, cancelled = false): TimedSession => ({
  id,
  title: "",
  kind: "as the run",
  start: "2026-12-05T10:00",
  startAt: 0,
  endAt: 1,
  setUpMin: 0,
  tearDownMin: 0,
  cancelled,
  heads: { model: "signedUp", signedUp: 10, showRate: 1, walkIns: 0 },
});
