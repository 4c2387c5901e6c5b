import type { MaterialDoc, MoveDoc, OrderDoc, SupplierDoc } from "@lampcrate/contract";
import fc from "fast-check";
import { afterEach, describe, expect, it } from "vitest";
import { addMaterial, everything, openTestHouse, type TestHouse } from "./house.ts";

/** What a planner may do to one material's stock, in any order. */
type Deed =
  | { readonly does: "move"; readonly amount: number; readonly reason: string }
  | { readonly does: "count"; readonly counted: number; readonly stale: boolean }
  | { readonly does: "order"; readonly packs: number }
  | { readonly does: "step"; readonly step: string; readonly of: number };

const deed: fc.Arbitrary<Deed> = fc.oneof(
  fc.record({
    does: fc.constant("move" as const),
    amount: fc.integer({ min: -60, max: 60 }),
    reason: fc.constantFrom("collected", "used up", "lost or broken", "put right"),
  }),
  fc.record({ does: fc.constant("count" as const), counted: fc.integer({ min: 0, max: 90 }), stale: fc.boolean() }),
  fc.record({ does: fc.constant("order" as const), packs: fc.integer({ min: 1, max: 4 }) }),
  fc.record({
    does: fc.constant("step" as const),
    step: fc.constantFrom("arrived", "not arrived", "called off", "on again"),
    of: fc.nat({ max: 3 }),
  }),
);

let house: TestHouse | null = null;
afterEach(() => {
  house?.close();
  house = null;
});

async function stocked(): Promise<{ house: TestHouse; card: MaterialDoc; supplier: SupplierDoc }> {
  house = await openTestHouse();
  const card = await addMaterial(house, "Thin card");
  const supplier = (
    await house.ask("POST", "/api/suppliers", {
      name: "Paper and Reed",
      leadDays: 3,
      feeCents: 490,
      freeFromCents: null,
      leastCents: 0,
      packs: [{ id: "pack-card", materialId: card.id, size: 25, priceCents: 1100, most: null }],
    })
  ).body as SupplierDoc;
  return { house, card, supplier };
}

/** An order's states and the steps between them, as a planner would think of them. */
const after: Readonly<Record<string, Readonly<Record<string, OrderDoc["state"]>>>> = {
  placed: { arrived: "arrived", "called off": "called off" },
  arrived: { "not arrived": "placed" },
  "called off": { "on again": "placed" },
};

describe("the stock's ledger", () => {
  it("is always the sum of what was done, whatever is done in whatever order; what is refused leaves no trace", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(deed, { minLength: 1, maxLength: 12 }), async (deeds) => {
        const { house: here, card, supplier } = await stocked();
        try {
          let expected = 40;
          const orders: { id: string; packs: number; state: OrderDoc["state"] }[] = [];
          for (const one of deeds) {
            const before = everything(here);
            let allowed = true;
            let answer: { status: number; body: unknown };
            if (one.does === "move") {
              allowed = one.amount !== 0;
              answer = await here.ask("POST", `/api/materials/${card.id}/moves`, { amount: one.amount, reason: one.reason, words: "" });
              if (allowed) expected += one.amount;
            } else if (one.does === "count") {
              const listed = one.stale ? expected + 1 : expected;
              allowed = !one.stale;
              answer = await here.ask("POST", "/api/stock/count", { counts: [{ materialId: card.id, counted: one.counted, listed }] });
              if (allowed) expected = one.counted;
            } else if (one.does === "order") {
              answer = await here.ask("POST", "/api/orders", {
                orders: [
                  {
                    supplierId: supplier.id,
                    feeCents: 490,
                    items: [{ materialId: card.id, size: 25, count: one.packs, priceCents: 1100 }],
                  },
                ],
              });
              const placed = (answer.body as readonly OrderDoc[]).find((order) => !orders.some((known) => known.id === order.id));
              orders.push({ id: placed?.id ?? "", packs: one.packs, state: "placed" });
            } else {
              const order = orders[one.of];
              const next = order ? after[order.state]?.[one.step] : undefined;
              allowed = next !== undefined;
              answer = await here.ask("POST", `/api/orders/${order?.id ?? "no-such-order"}/step`, { step: one.step });
              if (order && next) {
                if (next === "arrived") expected += 25 * order.packs;
                if (order.state === "arrived") expected -= 25 * order.packs;
                order.state = next;
              }
            }
            expect([one, answer.status < 300]).toEqual([one, allowed]);
            if (!allowed) expect(everything(here)).toBe(before);
          }
          const [material] = (await here.ask("GET", "/api/materials")).body as readonly MaterialDoc[];
          const moves = (await here.ask("GET", `/api/materials/${card.id}/moves`)).body as readonly MoveDoc[];
          expect(material?.onHand).toBe(expected);
          expect(moves.reduce((sum, move) => sum + move.amount, 0)).toBe(expected);
          // Newest first, each with what there was after it.
          let running = 0;
          for (const move of [...moves].reverse()) {
            running += move.amount;
            expect(move.after).toBe(running);
          }
        } finally {
          here.close();
          house = null;
        }
      }),
      { numRuns: 25 },
    );
  }, 120_000);

  it("keeps every move: the table has no way to change or remove one", async () => {
    const { house: here, card } = await stocked();
    await here.ask("POST", `/api/materials/${card.id}/moves`, { amount: -3, reason: "used up", words: "" });
    for (const method of ["PUT", "PATCH", "DELETE"])
      expect((await here.ask(method, `/api/materials/${card.id}/moves`, { amount: 1 })).status).toBe(404);
    expect(((await here.ask("GET", `/api/materials/${card.id}/moves`)).body as readonly MoveDoc[]).length).toBe(2);
  });
});
