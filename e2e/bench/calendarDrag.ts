import type { CalendarDoc, HouseDoc, SessionInput } from "@lampcrate/contract";
import { addDays, mondayOf } from "@lampcrate/core";
import type { Browser, Page } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

/** Frames a second while a session is dragged over a calendar of three hundred, and how long the longest of them took, ms. */
export interface Dragging {
  readonly show: "week" | "month";
  readonly inSight: number;
  readonly frames: number;
  readonly longestMs: number;
}

const sessions = 300;
const perDay = 12;

/** Puts so many sessions in rooms of the house that all lie in the weeks from a Monday on, twelve a day. */
async function manySessions(page: Page, house: House, monday: string): Promise<void> {
  const { id } = await runOf(page, house, "Spore Puffer");
  const doc = (await (await page.request.get(`${house.url}/api/house`)).json()) as HouseDoc;
  const rooms = [...doc.rooms, ...[1, 2, 3].map((n) => ({ ...doc.rooms[0], id: `bench-room-${n}`, name: `Bench room ${n}` }))];
  const put = await page.request.put(`${house.url}/api/house`, { data: { ...doc, rooms, closures: [] } });
  if (!put.ok()) throw new Error(await put.text());
  const adds = Array.from({ length: sessions }, (_, i): SessionInput & { runId: string } => ({
    runId: id,
    title: "",
    roomId: rooms[i % 6]?.id ?? null,
    start: `${addDays(monday, Math.floor(i / perDay))}T${i % perDay < 6 ? "09" : "15"}:00`,
    minutes: 60,
    setUpMin: 15,
    tearDownMin: 15,
    heads: { model: "forecast", low: 5, likely: 8, high: 12 },
    people: i % 3 === 0 ? [doc.people[i % doc.people.length]?.id ?? ""] : [],
    part: null,
    kind: "as the run",
    cancelled: false,
  }));
  for (let from = 0; from < adds.length; from += 50) {
    const data = { words: "bench", changes: [], adds: adds.slice(from, from + 50) };
    const saved = await page.request.put(`${house.url}/api/calendar`, { data });
    if (!saved.ok()) throw new Error(await saved.text());
  }
}

/** Drags the first session of a month, and of a week, to and fro for three seconds. */
export async function benchCalendarDrag(browser: Browser): Promise<readonly Dragging[]> {
  const house = await startHouse();
  const page = await openDesk(browser, house);
  const monday = addDays(mondayOf(new Date().toISOString().slice(0, 10)), 7 * 20);
  await manySessions(page, house, monday);
  const doc = (await (await page.request.get(`${house.url}/api/calendar`)).json()) as CalendarDoc;
  if (doc.sessions.length < sessions) throw new Error(`${doc.sessions.length} sessions stand in the calendar`);
  const found: Dragging[] = [];
  for (const show of ["week", "month"] as const) {
    await page.goto(`${house.url}/calendar?day=${addDays(monday, 8)}&show=${show}`);
    const bars = page.locator("[data-session]");
    await bars.first().waitFor();
    // Three hundred crates are sized beside the page once it is opened: the drag is that of a page at rest.
    await page.waitForTimeout(12_000);
    const bar = bars.nth(20);
    await bar.scrollIntoViewIfNeeded();
    const box = await bar.boundingBox();
    if (!box) throw new Error("the session is on the page");
    const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x + 12, at.y, { steps: 4 });
    const moved = await page.evaluate(
      ({ x, y }) =>
        new Promise<{ frames: number; longestMs: number }>((done) => {
          const from = performance.now();
          const loop = {
            count: 0,
            last: from,
            longest: 0,
            next(now: number): void {
              loop.longest = Math.max(loop.longest, now - loop.last);
              loop.last = now;
              loop.count += 1;
              const [dx, dy] = [140 * Math.sin((now - from) / 200), 60 * Math.sin((now - from) / 500)];
              document.dispatchEvent(new MouseEvent("mousemove", { clientX: x + dx, clientY: y + dy, bubbles: true }));
              if (now - from < 3000) requestAnimationFrame(loop.next);
              else done({ frames: (loop.count * 1000) / (now - from), longestMs: loop.longest });
            },
          };
          requestAnimationFrame(loop.next);
        }),
      at,
    );
    await page.keyboard.press("Escape");
    await page.mouse.up();
    found.push({ show, inSight: await bars.count(), ...moved });
  }
  await house.stop();
  return found;
}
