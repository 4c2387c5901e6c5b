import {
  type BuyProblem,
  type Preparing,
  type SeasonCrate,
  type SeasonRun,
  type SeasonSession,
  type SeasonStore,
  seasonProblem,
  startOfDay,
} from "@lampcrate/core";
import type { BuyingDoc, RunToSupply } from "./buying.ts";
import { crateBase, unpackedOf } from "./crateInput.ts";

const hour = 3_600_000;

/** The season's runs as the core sizes their crates; a run at home without a session has its bags ready on its opening day. */
export function seasonRuns({ runs, materials, zone }: Pick<BuyingDoc, "runs" | "materials" | "zone">): readonly SeasonRun[] {
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
  const held = run.sessions.filter((session) => !session.cancelled);
  const opens = run.opensOn === null ? null : startOfDay(run.opensOn, zone);
  if (held.length === 0 && run.kind === "at-home" && run.opensOn !== null && opens !== null)
    return [{ id: run.id, title: "Bags out", date: run.opensOn, from: opens + 8 * hour, to: opens + 20 * hour, heads: run.heads }];
  return held.map(({ id, title, start, startAt, endAt, setUpMin, tearDownMin, heads }) => ({
    id,
    title,
    date: start.slice(0, 10),
    from: startAt - setUpMin * 60_000,
    to: endAt + tearDownMin * 60_000,
    heads,
  }));
}

/** The store room and its suppliers as the core plans the buying; what is collected is not bought. */
export function seasonStore({ materials, suppliers, orders }: Pick<BuyingDoc, "materials" | "suppliers" | "orders">): SeasonStore {
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
        ? order.lines.map((line) => ({ material: line.materialId, amount: line.size * line.count, date: order.dueOn }))
        : [],
    ),
  };
}

/** The season's buying as the core plans it. */
export function buyProblem(doc: BuyingDoc, crates: readonly SeasonCrate[]): BuyProblem {
  return seasonProblem(crates, seasonStore(doc), doc.today, preparingOf(doc));
}

/** Who prepares and when, with the days the house is closed. */
export function preparingOf({ house }: Pick<BuyingDoc, "house">): Preparing {
  return { ...house.preparing, closures: house.closures };
}
