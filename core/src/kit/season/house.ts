import { type RunKind, takesKits } from "../../calendar/runKinds.ts";
import { startOfDay } from "../../calendar/wallClock.ts";
import type { WorkingDays } from "../../calendar/workingDays.ts";
import { crateBase, type KitBrief, type KitMaterial, type KitSession, unpackedOf } from "../brief/crateInput.ts";
import type { BuyProblem } from "../buying/problem.ts";
import type { HeadsModel } from "../draws/heads.ts";
import type { Preparing, SeasonCrate, SeasonRun, SeasonSession } from "./crates.ts";
import { type SeasonStore, seasonProblem } from "./problem.ts";
import type { PerWeek } from "./starts.ts";

/** A session with its times: `start` is the wall clock in the house's zone, the others ms since 1970, UTC. */
export interface TimedSession extends KitSession {
  readonly title: string;
  readonly start: string;
  readonly startAt: number;
  readonly endAt: number;
  readonly setUpMin: number;
  readonly tearDownMin: number;
}

/** A run whose sessions need crates. */
export interface RunToSupply {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly heads: HeadsModel;
  readonly opensOn: string | null;
  readonly brief: KitBrief;
  readonly sessions: readonly TimedSession[];
}

/** How an order stands. */
export const orderStates = ["placed", "arrived", "called off"] as const;
export type OrderState = (typeof orderStates)[number];

/** Everything of a house that its season's crates, promises and buying are reckoned from. Money in cents. */
export interface HouseSeason {
  readonly today: string;
  readonly zone: string;
  readonly house: { readonly closures: WorkingDays["closures"]; readonly preparing: Omit<Preparing, "closures"> };
  readonly runs: readonly RunToSupply[];
  readonly materials: readonly KitMaterial[];
  readonly suppliers: readonly {
    readonly id: string;
    readonly leadDays: number;
    readonly feeCents: number;
    readonly freeFromCents: number | null;
    readonly leastCents: number;
    readonly packs: readonly {
      readonly id: string;
      readonly materialId: string;
      readonly size: number;
      readonly priceCents: number;
      readonly most: number | null;
    }[];
  }[];
  readonly orders: readonly {
    readonly state: OrderState;
    readonly dueOn: string;
    readonly items: readonly { readonly materialId: string; readonly size: number; readonly count: number; readonly came: number }[];
  }[];
}

const hour = 3_600_000;

/** The season's runs as the core sizes their crates; a run at home without a session has its bags ready on its opening day. */
export function seasonRuns({ runs, materials, zone }: Pick<HouseSeason, "runs" | "materials" | "zone">): readonly SeasonRun[] {
  return runs.map((run) => ({
    id: run.id,
    title: run.title,
    isSeries: run.kind === "series",
    crate: crateBase(run.brief, materials),
    materialOf: Object.fromEntries(run.brief.lines.map((line) => [line.id, line.materialId])),
    unpacked: unpackedOf(run.brief),
    sessions: sessionsOf(run, zone),
  }));
}

function sessionsOf(run: RunToSupply, zone: string): readonly SeasonSession[] {
  const held = run.sessions.filter(takesKits);
  const opens = run.opensOn === null ? null : startOfDay(run.opensOn, zone);
  if (held.length === 0 && run.kind === "at-home" && run.opensOn !== null && opens !== null)
    return [{ id: run.id, title: "Bags out", date: run.opensOn, from: opens + 8 * hour, to: opens + 20 * hour, heads: run.heads }];
  return held.map(({ id, title, start, startAt, endAt, setUpMin, tearDownMin, heads, kind }) => ({
    id,
    title,
    date: start.slice(0, 10),
    from: startAt - setUpMin * 60_000,
    to: endAt + tearDownMin * 60_000,
    heads,
    pickUp: kind === "pick-up",
  }));
}

/** The store room and its suppliers as the core plans the buying; what is collected is not bought. */
export function seasonStore({ materials, suppliers, orders }: Pick<HouseSeason, "materials" | "suppliers" | "orders">): SeasonStore {
  return {
    materials: materials.map(({ id, onHand }) => ({ id, onHand })),
    suppliers: suppliers.map(({ id, leadDays, feeCents, freeFromCents, leastCents }) => ({
      id,
      leadDays,
      fee: feeCents,
      freeFrom: freeFromCents,
      least: leastCents,
    })),
    packs: suppliers.flatMap((supplier) =>
      supplier.packs.map(({ id, materialId, size, priceCents, most }) => ({
        id,
        material: materialId,
        supplier: supplier.id,
        size,
        price: priceCents,
        ...(most === null ? {} : { max: most }),
      })),
    ),
    due: orders.flatMap((order) =>
      order.state === "placed"
        ? order.items.map(({ materialId, size, count, came }) => ({
            material: materialId,
            amount: size * Math.max(0, count - came),
            date: order.dueOn,
          }))
        : [],
    ),
  };
}

/** The season's buying as the core plans it. */
export function buyProblem(doc: HouseSeason, crates: readonly SeasonCrate[]): BuyProblem {
  return seasonProblem(crates, seasonStore(doc), doc.today, preparingOf(doc));
}

/** Who prepares and when, with the days the house is closed. */
export function preparingOf({ house }: Pick<HouseSeason, "house">): Preparing {
  return { ...house.preparing, closures: house.closures };
}

/** What people bring in a week, by material: of those that are collected. */
export function perWeekOf({
  materials,
}: {
  readonly materials: readonly { readonly id: string; readonly perWeek: number | null }[];
}): PerWeek {
  return new Map(materials.flatMap(({ id, perWeek }) => (perWeek === null ? [] : [[id, perWeek] as const])));
}

/** A season without what people bring and nobody sells: that is asked for, not bought. `brought`: materials that are collected. */
export function withoutCollected(problem: BuyProblem, brought: readonly string[]): BuyProblem {
  const sold = new Set(problem.packs.map((pack) => pack.material));
  return { ...problem, materials: problem.materials.filter(({ id }) => !brought.includes(id) || sold.has(id)) };
}
