import type { BriefDoc, BuyingDoc, MaterialDoc, MoveDoc, OrderDoc, ProblemDoc, RunDoc, SupplierDoc } from "@lampcrate/contract";
import { kitCut, usualLine } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { addMaterial, everything, makeRun, openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const add = ({ name = "Thin card", ...patch }: Partial<MaterialDoc> = {}): Promise<MaterialDoc> =>
  addMaterial(house, name, { sheetWidthM: 0.7, sheetHeightM: 0.5, ...patch });
const stockOf = async (id: string): Promise<number | undefined> =>
  ((await house.ask("GET", "/api/materials")).body as readonly MaterialDoc[]).find((m) => m.id === id)?.onHand;
const movesOf = async (id: string): Promise<readonly MoveDoc[]> => (await house.ask("GET", `/api/materials/${id}/moves`)).body as MoveDoc[];
const supplierOf = async (card: MaterialDoc, patch = {}): Promise<SupplierDoc> =>
  (
    await house.ask("POST", "/api/suppliers", {
      name: "Paper and Reed",
      leadDays: 3,
      feeCents: 490,
      freeFromCents: 5000,
      leastCents: 0,
      packs: [{ id: "pack-card", materialId: card.id, size: 25, priceCents: 1100, most: null }],
      ...patch,
    })
  ).body as SupplierDoc;

describe("stock", () => {
  it("is the sum of its moves, each with its reason, by whom and when", async () => {
    const card = await add();
    await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: -12, reason: "used up", words: "shelf labels" });
    await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: 5, reason: "put right", words: "" });
    expect(await stockOf(card.id)).toBe(33);
    expect((await movesOf(card.id)).map((m) => [m.amount, m.reason, m.words, m.by, m.after])).toEqual([
      [5, "put right", "", "Pat Planner", 33],
      [-12, "used up", "shelf labels", "Pat Planner", 28],
      [40, "opening", "", "Pat Planner", 40],
    ]);
  });

  it("goes below nothing when more went out than was booked in, and says so by its number", async () => {
    const card = await add({ onHand: 3 });
    await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: -5, reason: "used up", words: "" });
    expect(await stockOf(card.id)).toBe(-2);
  });

  it("is not touched by saving the material", async () => {
    const card = await add();
    await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: 10, reason: "collected", words: "" });
    const { id, onHand: _, archived: __, ...values } = card;
    const saved = await house.ask("PUT", `/api/materials/${id}`, { ...values, name: "Thin card, white" });
    expect(saved.body).toMatchObject({ name: "Thin card, white", onHand: 50 });
  });

  it("refuses a move of nothing and a reason of its own, by field, and writes nothing", async () => {
    const card = await add();
    const before = everything(house);
    const none = await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: 0, reason: "used up", words: "" });
    expect(none).toMatchObject({ status: 422, body: { errors: [{ field: "amount" }] } });
    const odd = await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: 1, reason: "arrived", words: "" });
    expect(odd).toMatchObject({ status: 422, body: { errors: [{ field: "reason" }] } });
    expect((await house.ask("POST", "/api/materials/nothing-here/moves", { amount: 1, reason: "used up", words: "" })).status).toBe(404);
    expect(everything(house)).toBe(before);
  });
});

describe("a count day", () => {
  it("books what is different", async () => {
    const [card, tape] = [await add(), await add({ name: "Tape", unit: "mm", onHand: 50_000 })];
    const counts = [
      { materialId: card.id, counted: 38, listed: 40 },
      { materialId: tape.id, counted: 50_000, listed: 50_000 },
    ];
    expect((await house.ask("POST", "/api/stock/count", { counts })).status).toBe(200);
    expect(await stockOf(card.id)).toBe(38);
    // What was as listed is kept too: it is counted from here on.
    expect((await movesOf(tape.id)).map(({ amount, reason }) => [amount, reason])).toEqual([
      [0, "count day"],
      [50_000, "opening"],
    ]);
  });

  it("is refused whole, by name, when something moved while it was counted", async () => {
    const [card, tape] = [await add(), await add({ name: "Tape", unit: "mm", onHand: 50_000 })];
    await house.ask("POST", `/api/materials/${card.id}/moves`, { amount: 25, reason: "collected", words: "" });
    const before = everything(house);
    const counts = [
      { materialId: tape.id, counted: 41_000, listed: 50_000 },
      { materialId: card.id, counted: 38, listed: 40 },
    ];
    const refused = await house.ask("POST", "/api/stock/count", { counts });
    expect(refused).toMatchObject({ status: 409, body: { errors: [{ field: "counts[1].counted" }] } });
    expect((refused.body as ProblemDoc).detail).toContain("Thin card");
    expect(everything(house)).toBe(before);
  });
});

describe("the store room as a file", () => {
  it("goes out and comes back as it was", async () => {
    await add({ name: "=Odd card", allergens: ["wheat", "egg"], smallPart: true, perWeek: 40 });
    const { body: text } = await house.ask("GET", "/api/stock.csv");
    expect(text).toContain("'=Odd card");
    const { body } = await house.ask("POST", "/api/stock/csv/preview", { text });
    expect(body).toEqual({ rows: [{ row: 2, name: "=Odd card", does: "leaves as it is", words: [] }], wrong: [] });
  });

  it("adds and changes by name; stock that differs is a move", async () => {
    const card = await add();
    const text = "Name,On hand,Pack price,Sheet across\nthin CARD,52,€ 9.50,\nReed,1.5,0,\n";
    expect((await house.ask("POST", "/api/stock/csv/preview", { text })).body).toMatchObject({
      rows: [
        { row: 2, does: "changes", words: ["on hand 40 to 52", "pack price 11.50 to 9.50"] },
        { row: 3, name: "Reed", does: "adds" },
      ],
    });
    expect((await house.ask("POST", "/api/stock/csv", { text })).status).toBe(200);
    const after = (await house.ask("GET", "/api/materials")).body as readonly MaterialDoc[];
    expect(after.find((m) => m.id === card.id)).toMatchObject({ name: "Thin card", onHand: 52, packPriceCents: 950, sheetWidthM: 0.7 });
    expect((await movesOf(card.id))[0]).toMatchObject({ amount: 12, reason: "put right", words: "from a file" });
  });

  it("takes nothing while anything is wrong, and names each by row and column", async () => {
    await add();
    const before = everything(house);
    const text = "name,unit,on hand,small part\nThin card,g,4,no\nReed,piece,many,perhaps\nreed,piece,1,no\n,piece,1,no\n";
    const refused = await house.ask("POST", "/api/stock/csv", { text });
    expect(refused.status).toBe(422);
    expect((refused.body as ProblemDoc).errors?.map((e) => e.field)).toEqual([
      "row 2, unit",
      "row 3, on hand",
      "row 3, small part",
      "row 4, name",
      "row 5, name",
    ]);
    const odd = await house.ask("POST", "/api/stock/csv/preview", { text: "name,colour\nReed,green\n" });
    expect(odd.body).toMatchObject({ rows: [], wrong: [{ row: 1, column: "colour" }] });
    expect(everything(house)).toBe(before);
  });
});

describe("orders", () => {
  const order = (supplier: SupplierDoc, card: MaterialDoc, count = 3) => ({
    orders: [{ supplierId: supplier.id, feeCents: 490, items: [{ materialId: card.id, size: 25, count, priceCents: 1100 }] }],
  });

  it("are due after the lead on a working day; arriving books the stock, taking that back books the opposite", async () => {
    const card = await add();
    const supplier = await supplierOf(card);
    const placed = (await house.ask("POST", "/api/orders", order(supplier, card))).body as readonly OrderDoc[];
    // Wednesday and three days is a Saturday: it counts on the Monday.
    expect(placed[0]).toMatchObject({ placedOn: "2026-11-25", dueOn: "2026-11-30", state: "placed" });
    const id = placed[0]?.id ?? "";
    const arrived = (await house.ask("POST", `/api/orders/${id}/step`, { step: "arrived" })).body as readonly OrderDoc[];
    expect(arrived[0]).toMatchObject({ state: "arrived", arrivedOn: "2026-11-25" });
    expect(await stockOf(card.id)).toBe(115);
    const twice = await house.ask("POST", `/api/orders/${id}/step`, { step: "arrived" });
    expect(twice).toMatchObject({ status: 409 });
    const back = (await house.ask("POST", `/api/orders/${id}/step`, { step: "not arrived" })).body as readonly OrderDoc[];
    expect(back[0]).toMatchObject({ state: "placed", arrivedOn: null });
    expect(await stockOf(card.id)).toBe(40);
    expect((await movesOf(card.id)).map((m) => m.amount)).toEqual([-75, 75, 40]);
    await house.ask("POST", `/api/orders/${id}/step`, { step: "called off" });
    expect(((await house.ask("GET", "/api/orders")).body as readonly OrderDoc[])[0]?.state).toBe("called off");
  });

  it("are placed all or none", async () => {
    const card = await add();
    const supplier = await supplierOf(card);
    const before = everything(house);
    const [good] = order(supplier, card).orders;
    const refused = await house.ask("POST", "/api/orders", { orders: [good, { ...good, supplierId: "nobody-here" }] });
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ field: "orders[1].supplierId" }] } });
    expect(everything(house)).toBe(before);
  });

  it("keep their prices when the supplier's packs change", async () => {
    const card = await add();
    const supplier = await supplierOf(card);
    await house.ask("POST", "/api/orders", order(supplier, card));
    const { id, ...values } = supplier;
    const saved = await house.ask("PUT", `/api/suppliers/${id}`, { ...values, packs: [] });
    expect(saved.body).toMatchObject({ packs: [], revision: 2 });
    expect((await house.ask("PUT", `/api/suppliers/${id}`, values)).status).toBe(409);
    expect(((await house.ask("GET", "/api/orders")).body as readonly OrderDoc[])[0]?.items).toEqual([
      { materialId: card.id, size: 25, count: 3, priceCents: 1100, came: 0 },
    ]);
  });

  const arrival = (items: readonly object[], patch = {}) => ({
    items,
    feeCents: 490,
    restComes: true,
    restDueOn: "2026-12-04",
    keepPrices: false,
    ...patch,
  });
  const first = async (): Promise<OrderDoc | undefined> => ((await house.ask("GET", "/api/orders")).body as readonly OrderDoc[])[0];

  it("come in parts: each books its packs, the rest stays on its way or is called off, and all of it can be taken back", async () => {
    const card = await add();
    const supplier = await supplierOf(card);
    const [{ id = "" } = {}] = (await house.ask("POST", "/api/orders", order(supplier, card))).body as readonly OrderDoc[];
    const part = await house.ask("POST", `/api/orders/${id}/arrival`, arrival([{ had: 0, comes: 1, priceCents: 1100 }]));
    expect(part).toMatchObject({ status: 200 });
    expect(await first()).toMatchObject({ state: "placed", dueOn: "2026-12-04", arrivedOn: null, items: [{ came: 1, count: 3 }] });
    expect(await stockOf(card.id)).toBe(65);
    expect((await movesOf(card.id))[0]?.words).toContain("1 of 3 packs");
    // The one who saw none come yet is told.
    const late = await house.ask("POST", `/api/orders/${id}/arrival`, arrival([{ had: 0, comes: 3, priceCents: 1100 }]));
    expect(late.status).toBe(409);
    expect(await stockOf(card.id)).toBe(65);
    await house.ask("POST", `/api/orders/${id}/step`, { step: "called off" });
    expect(await first()).toMatchObject({ state: "arrived", arrivedOn: "2026-11-25", items: [{ came: 1, count: 3 }] });
    expect(await stockOf(card.id)).toBe(65);
    await house.ask("POST", `/api/orders/${id}/step`, { step: "not arrived" });
    expect(await first()).toMatchObject({ state: "placed", items: [{ came: 0 }] });
    expect(await stockOf(card.id)).toBe(40);
    await house.ask("POST", `/api/orders/${id}/arrival`, arrival([{ had: 0, comes: 2, priceCents: 1100 }]));
    await house.ask("POST", `/api/orders/${id}/step`, { step: "not arrived" });
    expect(await first()).toMatchObject({ state: "placed", items: [{ came: 0 }] });
    await house.ask("POST", `/api/orders/${id}/arrival`, arrival([{ had: 0, comes: 2, priceCents: 1100 }]));
    await house.ask("POST", `/api/orders/${id}/step`, { step: "arrived" });
    expect(await first()).toMatchObject({ state: "arrived", items: [{ came: 3 }] });
    expect(await stockOf(card.id)).toBe(115);
  });

  it("that bring nothing and nothing more are called off; more than was ordered is taken as it came", async () => {
    const card = await add();
    const supplier = await supplierOf(card);
    const [{ id = "" } = {}] = (await house.ask("POST", "/api/orders", order(supplier, card))).body as readonly OrderDoc[];
    await house.ask("POST", `/api/orders/${id}/arrival`, arrival([{ had: 0, comes: 0, priceCents: 1100 }], { restComes: false }));
    expect(await first()).toMatchObject({ state: "called off", arrivedOn: null });
    await house.ask("POST", `/api/orders/${id}/step`, { step: "on again" });
    await house.ask("POST", `/api/orders/${id}/arrival`, arrival([{ had: 0, comes: 4, priceCents: 1100 }]));
    expect(await first()).toMatchObject({ state: "arrived", items: [{ came: 4, count: 3 }] });
    expect(await stockOf(card.id)).toBe(140);
    for (const wrong of [[], [{ had: 4, comes: -1, priceCents: 1 }], [{ had: 4, comes: 0.5, priceCents: 1 }]])
      expect((await house.ask("POST", `/api/orders/${id}/arrival`, arrival(wrong))).status).toBe(422);
  });

  it("may cost something else on arrival, and the supplier's packs with them when that is said", async () => {
    const card = await add();
    const supplier = await supplierOf(card);
    const priceOf = async (): Promise<readonly number[]> =>
      ((await house.ask("GET", "/api/suppliers")).body as readonly SupplierDoc[]).flatMap((s) => [
        s.revision,
        ...s.packs.map((p) => p.priceCents),
      ]);
    for (const [keepPrices, prices] of [
      [false, [1, 1100]],
      [true, [2, 1250]],
    ] as const) {
      const placed = (await house.ask("POST", "/api/orders", order(supplier, card))).body as readonly OrderDoc[];
      const id = placed.find(({ state }) => state === "placed")?.id ?? "";
      const dearer = arrival([{ had: 0, comes: 3, priceCents: 1250 }], { feeCents: 0, keepPrices });
      const docs = (await house.ask("POST", `/api/orders/${id}/arrival`, dearer)).body as readonly OrderDoc[];
      expect(docs.find((doc) => doc.id === id)).toMatchObject({ feeCents: 0, items: [{ priceCents: 1250 }] });
      expect(await priceOf()).toEqual(prices);
    }
  });

  it("are planned for each crate or for the season as one, as was last said", async () => {
    const asOne = async (): Promise<unknown> => ((await house.ask("GET", "/api/buying")).body as BuyingDoc).asOne;
    expect(await asOne()).toBeNull();
    expect((await house.ask("PUT", "/api/buying/as-one", { asOne: 0.95 })).body).toMatchObject({ asOne: 0.95 });
    expect((await house.ask("PUT", "/api/buying/as-one", { asOne: 0.5 })).status).toBe(422);
    expect(await asOne()).toBe(0.95);
    await house.ask("PUT", "/api/buying/as-one", { asOne: null });
    expect(await asOne()).toBeNull();
  });

  it("want materials that there are", async () => {
    const card = await add();
    const refused = await house.ask("POST", "/api/suppliers", {
      name: "Nobody",
      leadDays: 1,
      feeCents: 0,
      freeFromCents: null,
      leastCents: 0,
      packs: [
        { id: "pack-one", materialId: card.id, size: 1, priceCents: 1, most: null },
        { id: "pack-two", materialId: "not-there", size: 1, priceCents: 1, most: null },
      ],
    });
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ field: "packs[1].materialId" }] } });
  });
});

describe("a counted session", () => {
  it("takes its use out of the store room, in whole sheets; correcting and undoing books the difference", async () => {
    const card = await add({ onHand: 100 });
    const run = await makeRun(house, { publish: false });
    const line = { ...usualLine("line-card", card.id), cut: kitCut({ widthM: 0.35, heightM: 0.25 }) };
    const brief: BriefDoc = { ...run.brief, lines: [line] };
    await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: run.briefRevision, brief, words: "card" });
    const { sessions } = (
      await house.ask("POST", `/api/runs/${run.id}/sessions`, {
        title: "",
        roomId: "marsh-room",
        start: "2026-11-21T10:00",
        minutes: 120,
        setUpMin: 0,
        tearDownMin: 0,
        heads: run.heads,
      })
    ).body as RunDoc;
    const path = `/api/runs/${run.id}/sessions/${sessions[0]?.id}/count`;
    const count = (left: number) => ({ builders: 20, rebuilds: [0, 0], lines: [{ lineId: "line-card", putOut: 60, left, spoilt: 2 }] });
    await house.ask("PUT", path, count(21));
    // 39 pieces, four on a sheet.
    expect(await stockOf(card.id)).toBe(90);
    await house.ask("PUT", path, count(41));
    expect(await stockOf(card.id)).toBe(95);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(await stockOf(card.id)).toBe(90);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(await stockOf(card.id)).toBe(100);
  });
});

describe("buying", () => {
  it("gives everything of the season that a plan is reckoned from, but for cancelled runs", async () => {
    const card = await add();
    await supplierOf(card);
    const kept = await makeRun(house, { title: "Kept" });
    const gone = await makeRun(house, { title: "Gone" });
    await house.ask("POST", `/api/runs/${gone.id}/cancel`);
    const { body } = await house.ask("GET", "/api/buying");
    expect(body).toMatchObject({
      today: "2026-11-25",
      runs: [{ id: kept.id, title: "Kept" }],
      materials: [{ id: card.id, onHand: 40 }],
      suppliers: [{ name: "Paper and Reed" }],
      house: { preparing: { weekdays: [1, 2, 3, 4, 5] } },
    });
  });
});
