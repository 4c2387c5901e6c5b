import { blankTrial, type ProblemDoc, type RunDoc } from "@lampcrate/contract";
import { kitCut, usualLine, usualTimes } from "@lampcrate/core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { starterPack } from "../src/starters/index.ts";
import { type Spoilt, spoilt } from "./adversary.ts";
import { addMaterial, everything, goodEntry, loft, makeRun, openTestHouse, password, room, settings, type TestHouse } from "./house.ts";

/** A door with a document that it takes. */
interface Door {
  readonly method: string;
  readonly path: string;
  readonly good: unknown;
  readonly headers?: Record<string, string>;
  /** Parts that it keeps or ignores by its own rules, whatever is in them. */
  readonly free?: RegExp;
}

let house: TestHouse;
let doors: Readonly<Record<string, Door>>;

beforeAll(async () => {
  house = await openTestHouse();
  const card = await addMaterial(house, "Card", { sheetWidthM: 0.7, sheetHeightM: 0.5 });
  const draft = await makeRun(house, { publish: false, title: "Draft" });
  const lines = [{ ...usualLine("line-card", card.id), cut: kitCut({ widthM: 0.2, heightM: 0.1 }) }];
  const brief = {
    ...draft.brief,
    lines,
    tiers: [{ id: "tier-one", kind: "stretch", words: "Twice as long", share: 0.2, times: 2 }],
    cautions: [{ id: "caution-1", words: "Mind the pond" }],
    rules: [{ id: "rule-01", words: "Paper only" }],
    hints: [{ id: "hint-01", rung: "nudge", words: "Try longer wings" }],
    turnedAway: { costCents: 200, usedAgain: 0.5 },
  };
  await house.ask("PUT", `/api/runs/${draft.id}/brief`, { revision: draft.briefRevision, words: "all of it", brief });
  const heads = { model: "learned", low: 5, likely: 8, high: 12, past: [7, 9], cap: 30 };
  const session = { title: "One", roomId: "marsh-room", start: "2026-12-05T10:00", minutes: 60, setUpMin: 10, tearDownMin: 10, heads };
  const held = { ...session, start: "2026-11-21T10:00" };
  await house.ask("POST", `/api/runs/${draft.id}/sessions`, session);
  await house.ask("POST", `/api/runs/${draft.id}/sessions`, held);
  const run = (await house.ask("GET", `/api/runs/${draft.id}`)).body as RunDoc;
  const open = await makeRun(house, { title: "Open" });
  const entry = goodEntry("good");
  await house.ask("POST", `/api/public/runs/${encodeURIComponent(open.code ?? "")}/entries`, entry);
  const supplier = {
    name: "Paper and Reed",
    leadDays: 5,
    feeCents: 500,
    freeFromCents: 5000,
    leastCents: 1000,
    packs: [{ id: "pack-one", materialId: card.id, size: 25, priceCents: 1100, most: 9 }],
  };
  const { id: supplierId } = (await house.ask("POST", "/api/suppliers", supplier)).body as { id: string };
  const orders = { orders: [{ supplierId, feeCents: 500, items: [{ materialId: card.id, size: 25, count: 2, priceCents: 1100 }] }] };
  const [order] = (await house.ask("POST", "/api/orders", orders)).body as { id: string }[];
  const home = (await house.ask("GET", "/api/house")).body as object;
  const staff = { name: "Rush Tern", signIn: "rush", role: "sifter", active: true, password };
  const { onHand: _, id: cardId, archived: __, ...cardSave } = card;
  const version = entry.versions[0];
  const trial = { ...blankTrial("hand stopwatch"), raw: "1.3", seen: ["hard"], kept: true };
  const post = (path: string, good: unknown, more: Partial<Door> = {}): Door => ({ method: "POST", path, good, ...more });
  const put = (path: string, good: unknown, more: Partial<Door> = {}): Door => ({ method: "PUT", path, good, ...more });
  const sessions = `/api/runs/${run.id}/sessions`;
  const [first, second] = run.sessions;
  doors = {
    "setting up": post("/api/setup", {
      code: "1234-5678",
      houseName: "Second",
      zone: "CET",
      currency: "EUR",
      units: "metric",
      publicUrl: "https://x.example",
      name: "Pat",
      signIn: "pat2",
      password,
    }),
    "a person": post("/api/staff", staff),
    "the house": put("/api/house", {
      ...home,
      rooms: [room, loft],
      closures: [{ id: "closure-1", from: "2026-12-24", to: "2026-12-26", why: "rest" }],
      preparing: { weekdays: [1, 2, 3], people: 2, hours: 2, times: usualTimes },
    }),
    "a new run": post("/api/runs", { title: "New", kind: "workshop", family: "span" }),
    "a starter": post("/api/starters/canopy-ladder", { title: "Nest", kind: "workshop" }),
    "a run's settings": put(
      `/api/runs/${open.id}`,
      settings((await house.ask("GET", `/api/runs/${open.id}`)).body as RunDoc, { heads: heads as RunDoc["heads"] }),
    ),
    "a brief": put(`/api/runs/${run.id}/brief`, { revision: run.briefRevision, words: "changed", brief: run.brief }),
    "a session": post(sessions, { ...session, start: "2026-12-06T10:00" }),
    "a changed session": put(`${sessions}/${second?.id}`, { ...session, revision: 1 }),
    "a count": put(`${sessions}/${first?.id}/count`, {
      builders: 9,
      rebuilds: [4, 2],
      lines: [{ lineId: "line-card", putOut: 30, left: 8, spoilt: 2 }],
    }),
    "a house trial": post(`/api/runs/${open.id}/house-trials`, {
      buildMinutes: 12,
      rebuilds: 1,
      broke: [],
      note: "went well",
      versions: [{ ...version, trials: [trial] }],
    }),
    "a decision": post(`/api/runs/${open.id}/entries/${entry.id}/decision`, { decision: "accepted", why: "fine", revision: 1 }),
    "a pack": post("/api/packs", starterPack("seed-wing"), { free: /unheardOf/ }),
    "a pack looked at": post("/api/packs/preview", starterPack("seed-wing"), { free: /unheardOf/ }),
    "a material": post("/api/materials", {
      ...cardSave,
      revision: undefined,
      name: "Other card",
      onHand: 4,
      allergens: ["wheat"],
      hazards: ["pointed"],
    }),
    "a changed material": put(`/api/materials/${cardId}`, cardSave),
    "a move": post(`/api/materials/${cardId}/moves`, { amount: 4, reason: "put right", words: "behind the shelf" }),
    "a count day": post("/api/stock/count", { counts: [{ materialId: cardId, counted: 30, listed: 40 }] }),
    "a store room file": post("/api/stock/csv", { text: "name,on hand\nCard,12\n" }),
    "a supplier": post("/api/suppliers", supplier),
    orders: post("/api/orders", orders),
    "an order's step": post(`/api/orders/${order?.id}/step`, { step: "arrived" }),
    "a delivery": post(`/api/orders/${order?.id}/arrival`, {
      items: [{ had: 0, comes: 1, priceCents: 1200 }],
      feeCents: 500,
      restComes: true,
      restDueOn: "2026-12-20",
      keepPrices: true,
    }),
    "how the season is bought for": put("/api/buying/as-one", { asOne: 0.95 }),
    "an entry": post(
      `/api/public/runs/${encodeURIComponent(open.code ?? "")}/entries`,
      goodEntry("other", { versions: [{ ...(version ?? entry.versions[0]), trials: [trial] } as (typeof entry.versions)[0]] }),
    ),
    "a correction": put(
      "/api/public/mine",
      { revision: 1, ageBand: null, said: "mended", versions: [{ ...version, trials: [trial] }] },
      { headers: { "x-entry-secret": entry.secret } },
    ),
  };
}, 60_000);
afterAll(() => house.close());

/** Asks within a savepoint that is taken back, so that each document meets the same house. */
async function meet(
  door: Door,
  json: string,
  was = everything(house, { trail: false }),
): Promise<{ status: number; body: unknown; changed: boolean }> {
  const { $client } = house.deps.db;
  $client.exec("savepoint adversary");
  try {
    const before = $client.prepare("select total_changes()").pluck().get();
    const { status, body } = await house.ask(door.method, door.path, json, { headers: door.headers ?? {} });
    const touched = $client.prepare("select total_changes()").pluck().get() !== before;
    return { status, body, changed: touched && everything(house, { trail: false }) !== was };
  } finally {
    $client.exec("rollback to adversary; release adversary");
  }
}

function wrongOf({ words, never }: Spoilt, met: Awaited<ReturnType<typeof meet>>, free: RegExp | undefined, json: string): string | null {
  const { status, body, changed } = met;
  if (status >= 500) return `${words}: ${status}`;
  if (status < 400) return never && !free?.test(json) ? `${words}: taken` : null;
  const problem = body as ProblemDoc;
  if (changed) return `${words}: ${status}, and something was written`;
  if (status === 422 && (problem.errors ?? []).every((error) => !error.field)) return `${words}: no field is named`;
  return null;
}

const names = [
  "setting up",
  "a person",
  "the house",
  "a new run",
  "a starter",
  "a run's settings",
  "a brief",
  "a session",
  "a changed session",
  "a count",
  "a house trial",
  "a decision",
  "a pack",
  "a pack looked at",
  "a material",
  "a changed material",
  "a move",
  "a count day",
  "a store room file",
  "a supplier",
  "orders",
  "an order's step",
  "a delivery",
  "how the season is bought for",
  "an entry",
  "a correction",
] as const;

describe("nonsense in any part", () => {
  it.each(names)(
    "of %s is refused by field or is harmless, never breaks the server, and changes nothing",
    async (name) => {
      const door = doors[name];
      if (!door) throw new Error(`no door ${name}`);
      expect((await meet(door, JSON.stringify(door.good))).status, "the good one").toBeLessThan(name === "setting up" ? 410 : 300);
      const wrong: string[] = [];
      const was = everything(house, { trail: false });
      for (const bad of spoilt(door.good)) {
        const found = wrongOf(bad, await meet(door, bad.json, was), door.free, bad.json);
        if (found !== null) wrong.push(found);
      }
      expect(wrong).toEqual([]);
    },
    240_000,
  );
});

describe("a door without a document", () => {
  it.each(names)("of %s answers 4xx", async (name) => {
    const door = doors[name];
    if (!door) throw new Error(`no door ${name}`);
    for (const raw of ["", "nul", "[", "null", '"text"', "7"]) expect([400, 422, 403, 409]).toContain((await meet(door, raw)).status);
  });
});

describe("an address that nobody gave", () => {
  const odd = [
    "..%2f..%2fetc",
    "%00",
    "constructor",
    "__proto__",
    "a".repeat(300),
    "1;drop table run",
    "%E2%80%AE",
    "null",
    "-1",
    "%7B%7D",
  ];

  it("is answered 4xx at every door that only reads, in every part and with any question behind it", async () => {
    const paths = [
      ...new Set(house.app.routes.filter((route) => route.method === "GET" && route.path.includes(":")).map((route) => route.path)),
    ];
    expect(paths.length).toBeGreaterThan(15);
    const broken: string[] = [];
    for (const path of paths)
      for (const part of odd) {
        const address = path.replace(/:[a-z]+/g, part);
        for (const question of ["", "?from=x&session=../x&sheet=constructor&skip=1e9&before=%00&find=%00"]) {
          const { status } = await house.ask("GET", `${address}${question}`);
          if (status < 400 || status >= 500) broken.push(`${address}${question}: ${status}`);
        }
      }
    expect(broken).toEqual([]);
  });
});
