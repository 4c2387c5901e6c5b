import { statSync } from "node:fs";
import { join } from "node:path";
import type { BriefDoc, MaterialDoc, RunDoc } from "@lampcrate/contract";
import { unbound } from "@lampcrate/core";
import type { Browser, Page } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, root } from "../harness.ts";

/** Puts twenty lines in a run's brief. */
async function twentyLines(page: Page, house: House, id: string): Promise<void> {
  const run = (await (await page.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc;
  const materials = (await (await page.request.get(`${house.url}/api/materials`)).json()) as MaterialDoc[];
  const lines: BriefDoc["lines"] = Array.from({ length: 20 }, (_, i) => {
    const material = materials[i % materials.length];
    if (!material) throw new Error("the demo has materials");
    const kind = i % 5 === 4 ? "reusable" : material.unit === "piece" ? "counted" : "measured";
    return {
      id: `bench-line-${i}`,
      materialId: material.id,
      per: i % 5 === 4 ? "table" : i % 2 ? "team" : "builder",
      kind,
      amount: kind === "measured" ? 600 : 2 + i,
      perRebuild: 0.5,
      spoilRate: 0.05,
      spread: 0.35,
      share: 1,
      unitsPerItem: 1,
      loss: 0.5,
      source: "packed",
      standIn: "",
      standInRatio: 1,
      tier: null,
      cut: null,
      bind: unbound,
    };
  });
  const saved = await page.request.put(`${house.url}/api/runs/${id}/brief`, {
    data: { revision: run.briefRevision, words: "bench", brief: { ...run.brief, buildBy: "builder", lines } },
  });
  if (!saved.ok()) throw new Error(await saved.text());
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** A manifest of 20 lines at 4,000 draws in the worker, and from a move of a dial to the painted manifest, ms. */
export async function benchDial(browser: Browser, house: House): Promise<{ workerMs: number; paintedMs: number; worstPaintedMs: number }> {
  const page = await openDesk(browser, house);
  const { id } = await runOf(page, house, "Boardwalk over the Bog");
  await twentyLines(page, house, id);
  await page.goto(`${house.url}/run/${id}/crate`);
  await page.getByRole("region", { name: "Manifest" }).locator("strong").nth(19).waitFor();
  await page.waitForTimeout(800);
  const slider = page.getByRole("slider", { name: "Chance of a rebuild" });
  await slider.focus();
  const painted: number[] = [];
  for (let move = 0; move < 24; move += 1) {
    painted.push(
      await slider.evaluate(
        async (dial, key) => {
          const manifest = document.querySelector("[aria-label=Manifest]");
          if (!manifest) throw new Error("the manifest is on the page");
          const from = performance.now();
          const changed = new Promise<void>((done) => {
            const watch = new MutationObserver(() => {
              watch.disconnect();
              requestAnimationFrame(() => requestAnimationFrame(() => done()));
            });
            watch.observe(manifest, { subtree: true, characterData: true, childList: true, attributes: true });
          });
          dial.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }));
          await changed;
          return performance.now() - from;
        },
        move % 2 === 0 ? "PageUp" : "PageDown",
      ),
    );
    await page.waitForTimeout(60);
  }
  const took = await page.evaluate(() =>
    performance.getEntriesByName("crate").map((entry) => ((entry as PerformanceMeasure).detail as { tookMs: number }).tookMs),
  );
  return { workerMs: median(took.slice(4)), paintedMs: median(painted.slice(4)), worstPaintedMs: Math.max(...painted.slice(4)) };
}

/** Frames a second that reach the screen while a dial of the tryout is dragged to and fro for two seconds, by starter. */
export async function benchDrag(browser: Browser, house: House): Promise<readonly (readonly [starter: string, frames: number])[]> {
  const page = await openDesk(browser, house);
  const drags = [
    ["cup-canopy", "Size (across, or one wing)"],
    ["clip-flinger", "Stretch beyond slack"],
    ["breath-tube", "Mass"],
    ["raindrop-relay", "Part 1, length"],
    ["gust-cart", "Mass of the cart"],
    ["paper-deck", "Pleat depth"],
  ] as const;
  const found: (readonly [string, number])[] = [];
  for (const [starter, dial] of drags) {
    const made = await page.request.post(`${house.url}/api/starters/${starter}`, { data: { title: starter, kind: "workshop" } });
    const { id } = (await made.json()) as { id: string };
    await page.goto(`${house.url}/run/${id}/tryout`);
    const mark = page.getByRole("slider", { name: `${dial}, plain build`, exact: true });
    const slider = mark.locator("xpath=..");
    await slider.scrollIntoViewIfNeeded();
    await page.waitForTimeout(1200);
    const box = await slider.boundingBox();
    if (!box) throw new Error("the dial is on the page");
    await page.mouse.move(box.x + box.width * 0.4, box.y + 12);
    await page.mouse.down();
    const frames = await slider.evaluate(
      (svg, { left, width, top }) =>
        new Promise<number>((done) => {
          const from = performance.now();
          let count = 0;
          // A method keeps its name without a helper that the page would lack.
          const loop = {
            next(now: number): void {
              const share = 0.4 + 0.2 * Math.sin((now - from) / 150);
              svg.dispatchEvent(
                new PointerEvent("pointermove", { pointerId: 1, clientX: left + width * share, clientY: top, bubbles: true }),
              );
              count += 1;
              if (now - from < 2000) requestAnimationFrame(loop.next);
              else done((count * 1000) / (now - from));
            },
          };
          requestAnimationFrame(loop.next);
        }),
      { left: box.x, width: box.width, top: box.y + 12 },
    );
    await page.mouse.up();
    found.push([starter, frames]);
  }
  return found;
}

/** Gzipped script that the first load of a page takes, kB. */
export async function benchFirstLoads(browser: Browser, house: House): Promise<Readonly<Record<"sheet" | "logbook" | "desk", number>>> {
  const desk = await openDesk(browser, house);
  const { path } = await runOf(desk, house, "Seed-Wing Spinner");
  const weigh = async (page: Page, url: string): Promise<number> => {
    const scripts = new Set<string>();
    page.on("request", (request) => {
      const { pathname } = new URL(request.url());
      if (pathname.endsWith(".js")) scripts.add(pathname);
    });
    await page.goto(url);
    await page.waitForLoadState("networkidle");
    return [...scripts].reduce((sum, script) => sum + statSync(join(root, "web/dist", `${script}.gz`)).size, 0) / 1000;
  };
  return {
    sheet: await weigh(await openPhone(browser), house.url + path),
    logbook: await weigh(await openPhone(browser), `${house.url}${path}/log`),
    desk: await weigh(await desk.context().newPage(), house.url),
  };
}
