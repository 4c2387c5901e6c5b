import { writeFileSync } from "node:fs";
import {
  type BriefDoc,
  type HouseDoc,
  labelSheets,
  type MaterialDoc,
  type OrderDoc,
  type RunDoc,
  type SupplierDoc,
  settingsOf,
} from "@lampcrate/contract";
import { bagCode, crateCode, kitCut, usualLine } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { codeIn, type PdfPage, pdfPages } from "../../e2e/pdfPages.ts";
import { addMaterial, makeRun, openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const add = (name: string, patch: Partial<MaterialDoc> = {}): Promise<MaterialDoc> => addMaterial(house, name, patch);

/** A run for twelve builders on a day, with a kit of cut card, pasta and clips, and goggles from the house. */
async function makeCrate(title = "Spinners", people = 12, allergens: readonly string[] = ["wheat"]): Promise<RunDoc> {
  const [card, pasta, clips, goggles] = [
    await add("Thin card", { sheetWidthM: 0.7, sheetHeightM: 0.5 }),
    await add("Dry spaghetti", { allergens }),
    await add("Paper clip", { smallPart: true }),
    await add("Goggles"),
  ];
  const run = await makeRun(house, { publish: false, title });
  const lines = [
    { ...usualLine("line-card", card.id), amount: 2, cut: kitCut({ shape: "triangle", widthM: 0.1, heightM: 0.08 }) },
    { ...usualLine("line-pasta", pasta.id), amount: 5, cut: kitCut({ shape: "disc", widthM: 0.25, heightM: 0.25 }) },
    { ...usualLine("line-clips", clips.id), amount: 4 },
    { ...usualLine("line-goggles", goggles.id), kind: "reusable" as const, source: "house" as const, per: "rig" as const },
  ];
  const brief: BriefDoc = { ...run.brief, lines };
  await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: run.briefRevision, brief, words: "kit" });
  const held = {
    title: "",
    roomId: "marsh-room",
    start: "2026-12-05T10:00",
    minutes: 120,
    setUpMin: 0,
    tearDownMin: 0,
    heads: { model: "signedUp", signedUp: people, showRate: 1, walkIns: 0 },
  };
  return (await house.ask("POST", `/api/runs/${run.id}/sessions`, held)).body as RunDoc;
}

async function pdf(path: string, dotsPerInch = 72): Promise<readonly PdfPage[]> {
  const answer = await house.app.request(path, { headers: { cookie: await house.signIn("pat", "a long enough word") } });
  expect(answer.headers.get("content-type")).toBe("application/pdf");
  const pages = await pdfPages(new Uint8Array(await answer.arrayBuffer()), dotsPerInch);
  const shown = process.env["LOOK_AT_PDF"];
  if (shown) for (const [i, page] of pages.entries()) writeFileSync(`${shown}/${path.replace(/\W+/g, "-").slice(-40)}-${i}.png`, page.png);
  return pages;
}

describe("labels", () => {
  it.each(["a4-21", "letter-30"] as const)("on %s carry a bar code each that a scanner reads from the picture", async (id) => {
    const run = await makeCrate();
    const session = run.sessions[0]?.id ?? "";
    const pages = await pdf(`/api/runs/${run.id}/labels.pdf?session=${session}&sheet=${id}`, 300);
    const sheet = labelSheets[id];
    const page = pages[0];
    if (!page) throw new Error("a page");
    const [paperW, paperH] = sheet.paper === "metric" ? [210, 297] : [215.9, 279.4];
    const perPage = sheet.across * sheet.down;
    const read = Array.from({ length: Math.min(12, perPage) }, (_, i) => {
      const left = sheet.left + (i % sheet.across) * (sheet.width + sheet.gap);
      const top = sheet.top + Math.floor(i / sheet.across) * sheet.height;
      return codeIn(page, left / paperW, top / paperH, (left + sheet.width) / paperW, (top + sheet.height) / paperH);
    });
    expect(read).toEqual(read.map((_, i) => bagCode(session, i + 1)));
    expect(pages).toHaveLength(Math.ceil(12 / perPage));
    const words = pages.map((p) => p.text).join(" ");
    expect(words.match(/Contains\s+wheat\./g)).toHaveLength(12);
    expect(words.match(/Small\s+parts:\s+not\s+for\s+under-threes\./g)).toHaveLength(12);
  });

  it.each(["a4-21", "a4-10", "letter-30"] as const)(
    "on %s keep a long title to one line, so that nothing lies on what follows",
    async (id) => {
      const run = await makeCrate("A title that is as long as a title may be, which nobody would print whole");
      const session = run.sessions[0]?.id ?? "";
      const [page] = await pdf(`/api/runs/${run.id}/labels.pdf?session=${session}&sheet=${id}`, 72);
      const words = page?.text.replace(/\s+/g, " ") ?? "";
      expect(words).toMatch(/A title that is as [^…]{0,40}…/);
      expect(words).not.toContain("print whole");
    },
  );

  it.each(["a4-21", "a4-10", "letter-30"] as const)(
    "on %s leave the bars of bag 101 free, however long the title and whatever is to be minded",
    async (id) => {
      const minded = ["wheat, rye and barley flour", "tree nuts such as hazelnut", "soya and its proteins"];
      const run = await makeCrate("A title that is as long as a title may be, which nobody would print whole", 104, minded);
      const session = run.sessions[0]?.id ?? "";
      const pages = await pdf(`/api/runs/${run.id}/labels.pdf?session=${session}&sheet=${id}`, 200);
      const sheet = labelSheets[id];
      const [paperW, paperH] = sheet.paper === "metric" ? [210, 297] : [215.9, 279.4];
      const place = 100 % (sheet.across * sheet.down);
      const page = pages[Math.floor(100 / (sheet.across * sheet.down))];
      if (!page) throw new Error("a page");
      const left = sheet.left + (place % sheet.across) * (sheet.width + sheet.gap);
      const top = sheet.top + Math.floor(place / sheet.across) * sheet.height;
      const read = codeIn(page, left / paperW, top / paperH, (left + sheet.width) / paperW, (top + sheet.height) / paperH);
      expect(read).toBe(bagCode(session, 101));
      const words = page.text.replace(/\s+/g, " ");
      for (const allergen of minded) expect(words).toContain(allergen);
    },
  );

  it.each([
    ["Greek", "Γέφυρα πάνω από το έλος"],
    ["Cyrillic", "Мост через болото"],
    ["Japanese", "紙の橋をつくる"],
    ["Chinese", "简单的纸桥挑战"],
  ])("carry names in %s, letter by letter, on the packing list too; only the letters printed are in the file", async (_, title) => {
    const run = await makeCrate(title);
    const session = run.sessions[0]?.id ?? "";
    for (const path of [`packing-list.pdf?session=${session}`, `labels.pdf?session=${session}&sheet=a4-21`]) {
      const [page] = await pdf(`/api/runs/${run.id}/${path}`);
      expect(page?.text.replace(/\s+/g, "")).toContain(title.replace(/\s+/g, ""));
    }
    const bytes = await house.app.request(`/api/runs/${run.id}/packing-list.pdf?session=${session}`, {
      headers: { cookie: await house.signIn("pat", "a long enough word") },
    });
    expect((await bytes.arrayBuffer()).byteLength).toBeLessThan(120_000);
  });

  it("begin after those already used up", async () => {
    const run = await makeCrate();
    const session = run.sessions[0]?.id ?? "";
    const [page] = await pdf(`/api/runs/${run.id}/labels.pdf?session=${session}&sheet=a4-10&skip=1`, 200);
    if (!page) throw new Error("a page");
    expect(codeIn(page, 0, 0, 0.5, 0.2)).toBeNull();
    expect(codeIn(page, 0.5, 0.02, 1, 0.21)).toBe(bagCode(session, 1));
  });

  it("refuse a sheet nobody knows, a session of another run, and whoever is not signed in", async () => {
    const run = await makeCrate();
    expect(await house.ask("GET", `/api/runs/${run.id}/labels.pdf?sheet=a0`)).toMatchObject({
      status: 422,
      body: { errors: [{ field: "sheet" }] },
    });
    expect((await house.ask("GET", `/api/runs/${run.id}/labels.pdf?session=not-this-one`)).status).toBe(404);
    expect((await house.ask("GET", `/api/runs/${run.id}/labels.pdf`, undefined, { cookie: null })).status).toBe(401);
  });
});

describe("the packing list", () => {
  it("says what goes in each bag, into spares and to the rigs, what to mind, and the crate's code in bars", async () => {
    const run = await makeCrate("Żółty łabędź");
    const session = run.sessions[0]?.id ?? "";
    const [page] = await pdf(`/api/runs/${run.id}/packing-list.pdf?session=${session}`, 200);
    if (!page) throw new Error("a page");
    for (const words of [
      /In each of 12 bags/,
      /4\s+×\s+Paper clip/,
      /Thin card, 10\s+cm by 80\s+mm/,
      /38 pieces of 10\s+cm by 80\s+mm/,
      /box of spares/,
      /At the test rigs/,
      /Contains wheat/,
      /Small parts/,
      /To cut first/,
      /local codes/,
    ])
      expect(page.text).toMatch(words);
    expect(page.text.replace(/\s+/g, "")).toContain("Żółtyłabędź");
    expect(codeIn(page, 0.6, 0, 1, 0.12)).toBe(crateCode(session));
  });
});

describe("a run sheet on paper", () => {
  it("has the session's parts on the wall clock, the run's own where it has some, who is on it and the cautions", async () => {
    const run = await makeCrate("Paper bridge");
    const session = run.sessions[0];
    const path = `/api/runs/${run.id}/run-sheet.pdf?session=${session?.id}`;
    const [usual] = await pdf(path);
    for (const words of [/Run sheet: Paper bridge/, /Welcome/, /Cautions/, /Nobody is on it yet/, /local codes|safety rules/])
      expect(usual?.text).toMatch(words);
    const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
    const own = [
      { id: "song", words: "Song of the marsh", minutes: 5, keeps: true, say: "Everybody stands up." },
      { id: "fold", words: "Fold", minutes: 20, keeps: false, say: "" },
    ];
    const saved = await house.ask("PUT", `/api/runs/${run.id}`, { ...settingsOf(now), revision: now.revision, sheet: own });
    expect(saved.status).toBe(200);
    const [page] = await pdf(path);
    const starts = session?.start.slice(11) ?? "";
    const words = page?.text.replace(/\s+/g, " ") ?? "";
    expect(words).toContain(`${starts} to ${starts.slice(0, 3)}05`);
    expect(words).toMatch(/Song of the marsh.*Everybody stands up\..*Fold/);
    expect(words).toContain(`${(session?.minutes ?? 0) - 5} min`);
    expect(words).not.toContain("Welcome");
    expect((await house.ask("GET", `/api/runs/${run.id}/run-sheet.pdf`)).status).toBe(404);
    expect((await house.ask("GET", `/api/sessions/${session?.id}/floor`)).body).toMatchObject({ run: { sheet: own } });
  });
});

describe("the calendar on paper", () => {
  it("has each session of its days with when, what, where and who, closed days, and no day without either", async () => {
    const run = await makeCrate("Paper bridge");
    const doc = (await house.ask("GET", "/api/house")).body as HouseDoc;
    const people = [{ id: "moss-lark", name: "Moss Lark", weekHours: null, away: [] }];
    const closures = [{ id: "winter-rest", from: "2026-12-07", to: "2026-12-07", why: "Winter rest" }];
    expect((await house.ask("PUT", "/api/house", { ...doc, people, closures })).status).toBe(200);
    const [session] = run.sessions;
    if (!session) throw new Error("a session");
    const { revision, start, minutes, roomId, heads } = session;
    const held = { revision, start, minutes, roomId, heads, title: "Otter Patrol", people: ["moss-lark"], setUpMin: 45, tearDownMin: 30 };
    expect((await house.ask("PUT", `/api/runs/${run.id}/sessions/${session.id}`, held)).status).toBe(200);
    const [page] = await pdf("/api/calendar.pdf?from=2026-12-04&to=2026-12-08");
    const words = page?.text.replace(/\s+/g, " ") ?? "";
    for (const part of ["Saturday 5 December 2026", "10:00 to 12:00", "Paper bridge, Otter Patrol, draft (Marsh Room)", "Moss Lark"])
      expect(words).toContain(part);
    expect(words).toContain("set-up from 09:15, cleared by 12:30");
    expect(words).toContain("Monday 7 December 2026, closed: Winter rest");
    expect(words).not.toContain("Sunday 6 December");
    const [empty] = await pdf("/api/calendar.pdf?from=2027-03-01&to=2027-03-01");
    expect(empty?.text.replace(/\s+/g, " ")).toContain("Nothing is on the calendar in these days.");
  });

  it.each([
    ["from=2026-02-30&to=2026-03-01", "from"],
    ["from=2026-12-05", "to"],
    ["from=2026-12-05&to=2026-12-04", "to"],
    ["from=2026-12-05&to=2027-02-05", "to"],
  ])("refuses %s by its field", async (query, field) => {
    expect(await house.ask("GET", `/api/calendar.pdf?${query}`)).toMatchObject({ status: 422, body: { errors: [{ field }] } });
  });
});

/** Dots of the longest unbroken dark line within a few rows of one. */
function longestLine(page: PdfPage, near: number): number {
  let longest = 0;
  for (let y = near - 4; y <= near + 4; y += 1) {
    let run = 0;
    for (let x = 0; x < page.width; x += 1) {
      run = (page.grey[y * page.width + x] ?? 255) < 160 ? run + 1 : 0;
      longest = Math.max(longest, run);
    }
  }
  return longest;
}

describe("templates", () => {
  it("are true to size, with a line of 100 mm to check the print by", async () => {
    const run = await makeCrate();
    const pages = await pdf(`/api/runs/${run.id}/templates.pdf`, 254);
    // A disc of 250 mm goes over two pages across and two down; the triangle takes one.
    expect(pages).toHaveLength(1 + 2 * 2);
    const [page] = pages;
    if (!page) throw new Error("a page");
    // 254 dots an inch are ten a millimetre.
    expect(Math.abs(longestLine(page, 2840) - 1000)).toBeLessThan(8);
    expect(Math.abs(longestLine(page, 300 + 800) - 1000)).toBeLessThan(12);
    expect(page.text).toMatch(/This line is 100 mm long/);
  });
});

describe("an order on paper and as CSV", () => {
  it("has its packs, prices and days", async () => {
    const card = await add("=Thin card");
    const supplier = (
      await house.ask("POST", "/api/suppliers", {
        name: "Paper and Reed",
        leadDays: 3,
        feeCents: 490,
        freeFromCents: null,
        leastCents: 0,
        packs: [],
      })
    ).body as SupplierDoc;
    const items = [{ materialId: card.id, size: 25, count: 3, priceCents: 1100 }];
    const [order] = (await house.ask("POST", "/api/orders", { orders: [{ supplierId: supplier.id, feeCents: 490, items }] }))
      .body as readonly OrderDoc[];
    const [page] = await pdf(`/api/orders/${order?.id}/list.pdf`);
    for (const words of [/Order to Paper and Reed/, /25 November 2026/, /€33\.00/, /€37\.90/, /30 November 2026/])
      expect(page?.text).toMatch(words);
    const csv = await house.ask("GET", `/api/orders/${order?.id}/list.csv`);
    expect(csv.body).toBe(
      'material,packs,pack size,unit,price of a pack,together\r\n"\'=Thin card",3,25,piece,11.00,33.00\r\ndelivery,,,,,4.90',
    );
  });

  it("heads every further page, with the columns again", async () => {
    const card = await add("Thin card");
    const packs = [] as const;
    const input = { name: "Paper and Reed", leadDays: 3, feeCents: 490, freeFromCents: null, leastCents: 0, packs };
    const supplier = (await house.ask("POST", "/api/suppliers", input)).body as SupplierDoc;
    const items = Array.from({ length: 60 }, () => ({ materialId: card.id, size: 25, count: 3, priceCents: 1100 }));
    const [order] = (await house.ask("POST", "/api/orders", { orders: [{ supplierId: supplier.id, feeCents: 490, items }] }))
      .body as readonly OrderDoc[];
    const [first, ...further] = await pdf(`/api/orders/${order?.id}/list.pdf`);
    expect(first?.text).not.toMatch(/page/);
    expect(further.length).toBeGreaterThan(0);
    for (const [i, page] of further.entries()) expect(page.text).toMatch(new RegExp(`Order to Paper and Reed, page ${i + 2}\\s+Material`));
  });
});
