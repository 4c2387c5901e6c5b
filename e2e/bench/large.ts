import type { EntryPage, StarterLine } from "@lampcrate/contract";
import type { Browser, Locator, Page } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { sendEntries } from "../hardship/posts.ts";
import { type House, startHouse } from "../harness.ts";

/** How a view with very much in it opens, ms, and how many frames a second it scrolls at. */
export interface Opened {
  readonly what: string;
  readonly ms: number;
  readonly frames: number;
}

/** What Buying takes for a season of sixty runs: until its first answer stands, and the longest that the page did not answer meanwhile, ms. */
export interface Buying {
  readonly firstMs: number;
  readonly frozenMs: number;
}

/** Opens Buying with a season of sixty runs, once for the disk, then five times, of which the middle counts. */
export async function benchBuying(browser: Browser): Promise<Buying> {
  const house = await startHouse();
  const page = await openDesk(browser, house);
  await manyRuns(page, house, 60);
  await page.addInitScript(() => {
    const watched = window as unknown as { frozen: number };
    watched.frozen = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) watched.frozen = Math.max(watched.frozen, duration);
    }).observe({ type: "longtask", buffered: true });
  });
  const found: Buying[] = [];
  for (let i = 0; i < 6; i += 1) {
    await page.goto(`${house.url}/house`);
    await page.getByRole("heading", { name: "House", level: 1 }).waitFor();
    const from = performance.now();
    await page.goto(`${house.url}/buying`);
    await stands(page, /^Order \d+ packs from/);
    const firstMs = performance.now() - from;
    await stands(page, /with its other ways/);
    found.push({ firstMs, frozenMs: await page.evaluate(() => (window as unknown as { frozen: number }).frozen) });
  }
  await house.stop();
  const middle = (of: (one: Buying) => number): number =>
    found
      .slice(1)
      .map(of)
      .sort((a, b) => a - b)[2] ?? 0;
  return { firstMs: middle((one) => one.firstMs), frozenMs: middle((one) => one.frozenMs) };
}

/** Waits for words of the plan's answer. Looking through a whole page of hundreds of rows would keep the page itself from answering. */
const stands = (page: Page, words: RegExp): Promise<unknown> =>
  page.waitForFunction(
    (found) => new RegExp(found).test(document.querySelector("main .plain-words")?.parentElement?.textContent ?? ""),
    words.source,
    {
      polling: 20,
    },
  );

/** A season of sixty runs, a store room of four hundred materials, a sift of twenty thousand entries and the findings of five thousand. */
export async function benchLarge(browser: Browser): Promise<readonly Opened[]> {
  const house = await startHouse();
  const page = await openDesk(browser, house);
  await manyRuns(page, house, 60);
  await manyMaterials(page, house, 400);
  const seeds = await runOf(page, house, "Seed-Wing Spinner");
  await sendEntries(house, seeds.code, { from: 0, count: 5000, connections: 32 });
  await accept(page, house, seeds.id, 5000);
  const found: Opened[] = [];
  const open = async (what: string, path: string, ready: Locator): Promise<void> => {
    // Once to have it read from the disk, then as somebody who comes back to it.
    for (const last of [false, true]) {
      await page.goto(`${house.url}/house`);
      await page.getByRole("heading", { name: "House", level: 1 }).waitFor();
      const from = performance.now();
      await page.goto(house.url + path);
      await ready.waitFor();
      if (last) found.push({ what, ms: performance.now() - from, frames: await scrolled(page) });
    }
  };
  await open("season of 60 runs", "/", page.getByRole("region", { name: "Time line of the season" }).getByRole("listitem").first());
  await open("store room of 400 materials", "/store", page.getByText("400 materials", { exact: false }).first());
  await open("findings of 5,000 entries", `/run/${seeds.id}/findings`, page.getByRole("region", { name: "Table of builders" }));
  await sendEntries(house, seeds.code, { from: 5000, count: 15_000, connections: 32 });
  await open(
    "sift of 20,000 entries",
    `/run/${seeds.id}/sift`,
    page.getByRole("complementary", { name: "Evidence" }).locator("figure").first(),
  );
  await house.stop();
  return found;
}

async function manyRuns(page: Page, house: House, count: number): Promise<void> {
  const starters = (await (await page.request.get(`${house.url}/api/starters`)).json()) as readonly StarterLine[];
  const before = ((await (await page.request.get(`${house.url}/api/season`)).json()) as { runs: readonly object[] }).runs.length;
  for (let i = before; i < count; i += 1) {
    const made = await page.request.post(`${house.url}/api/starters/${starters[i % starters.length]?.id}`, {
      data: { title: `Bench run ${i}`, kind: "workshop" },
    });
    const { id } = (await made.json()) as { id: string };
    const day = new Date(Date.UTC(2026, 10, 27 + (i % 45))).toISOString().slice(0, 10);
    await page.request.post(`${house.url}/api/runs/${id}/sessions`, {
      data: {
        title: "",
        roomId: await roomOf(page, house),
        start: `${day}T${String(8 + (i % 3) * 4).padStart(2, "0")}:00`,
        minutes: 60,
        setUpMin: 10,
        tearDownMin: 10,
        heads: { model: "forecast", low: 10, likely: 14, high: 20 },
      },
    });
  }
}

async function roomOf(page: Page, house: House): Promise<string> {
  const { rooms } = (await (await page.request.get(`${house.url}/api/house`)).json()) as { rooms: readonly { id: string }[] };
  return rooms.at(-1)?.id ?? "";
}

async function manyMaterials(page: Page, house: House, count: number): Promise<void> {
  const have = ((await (await page.request.get(`${house.url}/api/materials`)).json()) as readonly object[]).length;
  const rows = Array.from({ length: count - have }, (_, i) => `Bench material ${i},piece,${i % 50},25,${(i % 9) + 1}.50`);
  const text = ["name,unit,on hand,pack size,pack price", ...rows].join("\n");
  const taken = await page.request.post(`${house.url}/api/stock/csv`, { data: { text } });
  if (!taken.ok()) throw new Error(await taken.text());
}

/** Accepts what waits, so many. */
async function accept(page: Page, house: House, runId: string, count: number): Promise<void> {
  for (let done = 0; done < count; ) {
    const { entries } = (await (await page.request.get(`${house.url}/api/runs/${runId}/entries`)).json()) as EntryPage;
    const waiting = entries.filter(({ state }) => state === "waiting");
    if (waiting.length === 0) return;
    await Promise.all(
      waiting.map(({ id, revision }) =>
        page.request.post(`${house.url}/api/runs/${runId}/entries/${id}/decision`, { data: { decision: "accepted", why: "", revision } }),
      ),
    );
    done += waiting.length;
  }
}

/** Frames a second while whatever scrolls is scrolled for two seconds: the long table where there is one, else the page. */
function scrolled(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((done) => {
        const inner = document.querySelector(".ant-table-tbody-virtual-holder, .sift-list");
        const of = inner && inner.scrollHeight > inner.clientHeight + 10 ? inner : (document.scrollingElement ?? document.body);
        const from = performance.now();
        let count = 0;
        const loop = {
          next(now: number): void {
            of.scrollTop += 24;
            of.dispatchEvent(new WheelEvent("wheel", { deltaY: 24, bubbles: true }));
            count += 1;
            if (now - from < 2000) requestAnimationFrame(loop.next);
            else done((count * 1000) / (now - from));
          },
        };
        requestAnimationFrame(loop.next);
      }),
  );
}
