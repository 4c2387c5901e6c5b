import { readFileSync } from "node:fs";
import { families, manifestOf, showQuantity, startValues, welch } from "@lampcrate/core";
import { expect, type Page, test } from "@playwright/test";
import { choose, fillIn, openDesk, openPhone } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

const title = "Plank over the Puddle";

test("from a goal to a published result, with a family in the middle", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const runId = await newRun(desk);
  await pinTheGoal(desk);
  await sizeTheCrate(desk, runId);
  await placeASession(desk);
  const code = await publish(desk);
  const phone = await openPhone(browser);
  await readTheSheet(phone, code);
  const alias = await logAndSend(phone);
  await sift(desk, runId, alias);
  await findOut(desk, phone, runId, code, alias);
});

async function newRun(desk: Page): Promise<string> {
  await expect(desk.getByRole("region", { name: "Time line of the season" })).toContainText("Boardwalk over the Bog");
  await expect(desk.getByRole("link", { name: /^Sat 28 Nov, (.+, )?Marsh Room, next$/ })).toBeVisible();
  await desk.getByRole("link", { name: "New run" }).click();
  const start = desk.getByRole("region", { name: "Start a run" });
  await choose(start.getByLabel("Or a blank brief"), "Span");
  await start.getByLabel("Title").fill(title);
  await choose(start.getByLabel("How it is offered"), "drop-in");
  await start.getByRole("button", { name: "Start with this brief" }).click();
  await expect(desk.getByRole("heading", { name: title })).toBeVisible();
  return new URL(desk.url()).pathname.split("/")[2] ?? "";
}

async function pinTheGoal(desk: Page): Promise<void> {
  const gap = desk.getByRole("textbox", { name: "Clear gap" });
  await gap.fill("1 ft 6 in");
  await gap.press("Enter");
  await expect(desk.getByRole("heading", { name: "Span 457 mm, hold 900 g for 15 s" })).toBeVisible();
  await gap.fill("40 potatoes");
  await gap.press("Enter");
  await expect(desk.getByRole("alert")).toContainText("We don't know that word as a unit");
  await expect(gap).toHaveValue("40 potatoes");
  await gap.fill("400 mm");
  await gap.press("Enter");
  await desk.getByRole("slider", { name: "Load to hold", exact: true }).press("ArrowLeft");
  await expect(desk.getByRole("heading", { name: "Span 400 mm, hold 850 g for 15 s" })).toBeVisible();
  const spec = { ...startValues(families.span.spec), gapM: 0.4, loadKg: 0.85 };
  const [load, sag] = families.span.predict(spec, startValues(families.span.design));
  const goal = desk.getByRole("region", { name: "Goal" });
  await expect(goal).toContainText(`about ${showQuantity(load?.band.mid ?? 0, "mass")}`);
  await expect(goal).toContainText(`about ${showQuantity(sag?.band.mid ?? 0, "length")}`);
  await expect(desk.getByRole("region", { name: "Cautions" })).toContainText("local codes and the adult in charge come first");
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
}

async function sizeTheCrate(desk: Page, runId: string): Promise<void> {
  await desk.getByRole("link", { name: /^Crate/ }).click();
  await choose(desk.getByLabel("Add a line"), "Newsprint sheet");
  const manifest = desk.getByRole("region", { name: "Manifest" });
  const expected = (target: number): number =>
    manifestOf({
      sessions: [{ id: runId, heads: { model: "forecast", low: 20, likely: 34, high: 60 } }],
      grouping: { teamSize: 2, seats: 6, share: 0.6, rigServes: 12 },
      rebuilding: { buildBy: "builder", rate: 0.4, loops: 2 },
      target,
      lines: [{ id: "any", per: "builder", kind: "counted", amount: 1, perRebuild: 0.5, spoilRate: 0.04, price: 0, onHand: 300 }],
    }).lines[0]?.quantity ?? 0;
  // The line's own stream is seeded by its id, which the desk makes; heads are the same, so the quantity is within spoilage.
  const shown = async (): Promise<number> => Number(await manifest.locator("strong").first().textContent());
  await expect.poll(shown).toBeGreaterThan(0);
  expect(Math.abs((await shown()) - expected(0.95))).toBeLessThanOrEqual(2);
  const sure = desk.getByRole("textbox", { name: "Sure that nothing runs out" });
  await sure.fill("80 %");
  await sure.press("Enter");
  await expect.poll(async () => Math.abs((await shown()) - expected(0.8))).toBeLessThanOrEqual(2);
  await expect(manifest).toContainText("on hand; about");
}

async function placeASession(desk: Page): Promise<void> {
  await desk.getByRole("link", { name: "Calendar no session yet" }).click();
  await desk.getByRole("button", { name: "Add a session" }).click();
  const form = desk.getByRole("form", { name: "New session" });
  await fillIn(form.getByLabel("Day"), "2026-11-28");
  await fillIn(form.getByLabel("Starts at"), "12:00");
  await form.getByLabel("Called").fill("Try-out");
  await form.getByRole("button", { name: "Put it on the calendar" }).click();
  await expect(form.getByRole("alert")).toContainText("Marsh Room is taken by Boardwalk over the Bog on Sat 28 Nov 10:00");
  await expect(form.getByRole("alert")).toContainText("Weather Loft is free then, or start at Sat 28 Nov 15:30.");
  await expect(form.getByLabel("Called")).toHaveValue("Try-out");
  await fillIn(form.getByLabel("Day"), "2026-11-25");
  await form.getByRole("button", { name: "Put it on the calendar" }).click();
  await expect(desk.getByRole("region", { name: "Sessions" })).toContainText("12:00 to 14:00");
  for (const label of ["Open from", "Close at the end of", "Reveal on"]) {
    await fillIn(desk.getByLabel(label), "2026-11-25");
    await expect(desk.getByRole("button", { name: /^Undo: changed/ })).toBeVisible();
  }
  await expect(desk.getByText("by the end of Wednesday 25 November 2026")).toBeVisible();
}

async function publish(desk: Page): Promise<string> {
  await desk.getByRole("link", { name: /^Publish/ }).click();
  await desk.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(desk.getByRole("heading", { name: "Version 1 is out" })).toBeVisible();
  const qr = desk.getByRole("img", { name: /QR code of/ });
  await expect.poll(() => qr.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
  const handout = desk.getByRole("region", { name: "Code and sheet" });
  return (await handout.locator("strong").textContent()) ?? "";
}

async function readTheSheet(phone: Page, code: string): Promise<void> {
  await phone.goto(`${house.url}/h`);
  await phone.getByLabel("Type the code on your sheet").fill(code.toLowerCase());
  await phone.getByRole("button", { name: "Open the challenge" }).click();
  await expect(phone.getByRole("heading", { name: title })).toBeVisible();
  await expect(phone.getByText("Span 40 cm, hold 850 g for 15 s", { exact: true })).toBeVisible();
  await expect(phone.getByText("1 × Newsprint sheet")).toBeVisible();
  await expect(phone.getByText("Send it by the end of Wednesday 25 November 2026.")).toBeVisible();
  await phone.getByRole("link", { name: "Open the logbook" }).click();
}

const first = [0.62, 0.58, 0.66];
const second = [0.91, 1.02, 0.96];

async function logAndSend(phone: Page): Promise<string> {
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByLabel("What did you build?").fill("pleats");
  await one.getByLabel("Form").selectOption("pleated");
  for (const [i, typed] of ["620 g", "580", "0,66 kg"].entries()) await one.getByLabel(`Trial ${i + 1}`).fill(typed);
  await phone.getByRole("button", { name: "Add the next version" }).click();
  const two = phone.getByRole("region", { name: "Version 2" });
  await expect(two.getByLabel("Form")).toHaveValue("pleated");
  await two.getByLabel("Form").selectOption("sandwich");
  await two.getByLabel("Your guess").fill("1 kg");
  await two.getByLabel("Trial 1").fill("910 kg");
  await expect(two.getByText("can't happen with these numbers")).toBeVisible();
  await two.getByRole("button", { name: "Yes, 910 g" }).click();
  await expect(two.getByLabel("Trial 1")).toHaveValue("910 g");
  await two.getByLabel("Trial 2").fill("1.02 kg");
  await two.getByLabel("Trial 3").fill("960 g");
  await expect(phone.getByText(/^Form helps: 343.g more on average/)).toBeVisible();
  const send = phone.getByRole("button", { name: "Send the results" });
  await expect(send).toBeDisabled();
  await phone.getByLabel(/I am an adult/).check();
  await send.dblclick();
  await expect(phone.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
  return (await phone.locator("strong.goal").textContent()) ?? "";
}

async function sift(desk: Page, runId: string, alias: string): Promise<void> {
  await desk.goto(`${house.url}/run/${runId}/sift`);
  await expect(desk.getByRole("heading", { name: "1 waiting" })).toBeVisible();
  await expect(desk.getByRole("list", { name: "All entries" }).getByRole("button")).toHaveCount(1);
  await expect(desk.getByRole("heading", { name: alias })).toBeVisible();
  await desk.keyboard.press("a");
  await expect(desk.getByRole("heading", { name: "Everything is sifted" })).toBeVisible();
  await desk.keyboard.press("u");
  await expect(desk.getByRole("heading", { name: "1 waiting" })).toBeVisible();
  await desk.keyboard.press("a");
  await expect(desk.getByRole("heading", { name: "Everything is sifted" })).toBeVisible();
}

async function findOut(desk: Page, phone: Page, runId: string, code: string, alias: string): Promise<void> {
  await desk.keyboard.press("7");
  await expect(desk.getByText("1 of 1 met the goal.")).toBeVisible();
  const interval = welch(second, first, "more", 0.001);
  const fair = desk.getByRole("region", { name: "A fair test" });
  await expect(fair).toContainText(`${showQuantity(interval.difference, "mass")} more on average`);
  await expect(fair).toContainText(`${showQuantity(interval.low ?? 0, "mass")} to ${showQuantity(interval.high ?? 0, "mass")}`);
  await expect(fair).toContainText("p = 0.10");
  const download = desk.waitForEvent("download");
  await desk.getByRole("link", { name: "Export trials as CSV" }).click();
  const rows = readFileSync(await (await download).path(), "utf8")
    .trim()
    .split("\r\n");
  expect(rows).toHaveLength(7);
  expect(rows[3]).toContain(`${alias},accepted,,1,1,build,pleats`);
  expect(rows[3]).toContain(',"0,66 kg",0.66,');
  await phone.goto(`${house.url}/h/${code.toLowerCase().replaceAll(" ", "-")}/reveal`);
  await expect(phone.getByRole("heading", { name: title })).toBeVisible();
  await expect(phone.getByRole("row", { name: alias })).toContainText("963\u00a0g");
  await expect(phone.getByText("1 of 1 met the goal.")).toBeVisible();
  expect(runId.length).toBeGreaterThan(5);
}
