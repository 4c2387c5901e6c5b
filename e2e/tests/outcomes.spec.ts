import type { EntryPage } from "@lampcrate/contract";
import { expect, type Page, test } from "@playwright/test";
import { openDesk, openPhone } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
});
test.afterAll(() => house.stop());

/** A starter, published and open; its run and its address for families. */
async function opened(starter: string, title: string): Promise<{ readonly id: string; readonly path: string }> {
  const made = await desk.request.post(`${house.url}/api/starters/${starter}`, { data: { title, kind: "workshop" } });
  const { id } = (await made.json()) as { id: string };
  const published = await desk.request.post(`${house.url}/api/runs/${id}/publish`);
  expect(published.status()).toBe(200);
  const { code } = (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as { code: string };
  return { id, path: `${house.url}/h/${code.toLowerCase().replaceAll(" ", "-")}/log` };
}

const cameOut = (version: ReturnType<Page["getByRole"]>, n: number) => version.getByRole("group", { name: `Number ${n}: what came out` });

async function send(phone: Page): Promise<void> {
  await phone.getByLabel(/I am an adult/).check();
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
}

async function acceptAll(id: string): Promise<void> {
  const { entries } = (await (await desk.request.get(`${house.url}/api/runs/${id}/entries`)).json()) as EntryPage;
  for (const { id: entry, revision } of entries)
    await desk.request.post(`${house.url}/api/runs/${id}/entries/${entry}/decision`, { data: { decision: "accepted", why: "", revision } });
}

test("stuck, flew off, landed in the cup: one team's one version goes through, failures and all", async ({ browser }) => {
  const { id, path } = await opened("raindrop-relay", "Relay as it is");
  const phone = await openPhone(browser);
  await phone.goto(path);
  const one = phone.getByRole("region", { name: "Version 1" });
  await expect(phone.getByText("That it failed is a result too.")).toBeVisible();
  await cameOut(one, 1).getByRole("button", { name: "not in the cup" }).click();
  await cameOut(one, 2).getByRole("button", { name: "in the cup", exact: true }).click();
  await one.getByLabel("Trial 3").fill("3.4");
  await cameOut(one, 3).getByRole("button", { name: "what was seen" }).click();
  await expect(one.getByText("What did you see?")).toBeVisible();
  await phone.getByLabel(/I am an adult/).check();
  await expect(phone.getByText(/One more, with one thing changed/)).toBeVisible();
  await send(phone);
  await desk.goto(`${house.url}/run/${id}/sift`);
  const trials = desk.getByRole("list", { name: "Trials of version 1" });
  await expect(trials).toContainText("trial 1 not in the cup");
  await expect(trials).toContainText("in the cup, 3.40\u00a0s");
  await acceptAll(id);
  await desk.goto(`${house.url}/run/${id}/findings`);
  const row = desk.getByRole("region", { name: "Table of builders" }).getByRole("row").nth(1);
  await expect(row).toContainText("met67 %67 %100 %");
  await expect(row).toContainText("one version");
});

test("a bridge that only ever failed is sent, and nothing grows to what still held when loads ran out", async ({ browser }) => {
  const { id, path } = await opened("paper-deck", "Deck as it is");
  const failedOnly = await openPhone(browser);
  await failedOnly.goto(path);
  await cameOut(failedOnly.getByRole("region", { name: "Version 1" }), 1)
    .getByRole("button", { name: "no number: it failed" })
    .click();
  await send(failedOnly);

  const phone = await openPhone(browser);
  await phone.goto(path);
  const first = phone.getByRole("region", { name: "Version 1" });
  await cameOut(first, 1).getByRole("button", { name: "no number: it failed" }).click();
  await first.getByRole("button", { name: "the tape tears" }).click();
  await cameOut(first, 2).getByRole("button", { name: "no number: it failed" }).click();
  await phone.getByRole("button", { name: "Add the next version" }).click();
  const second = phone.getByRole("region", { name: "Version 2" });
  await second.getByLabel(/^Your guess/).fill("more than the last one");
  await second.getByLabel("Trial 1").fill("300 g");
  await cameOut(second, 1).getByRole("button", { name: "gave way at …" }).click();
  await second.getByLabel("gave way at").fill("200 g");
  await phone.getByLabel(/I am an adult/).check();
  await expect(phone.getByText("What it gave way at has to be more than what it held.")).toBeVisible();
  await second.getByLabel("gave way at").fill("400 g");
  await second.getByLabel("Trial 2").fill("500 g");
  await cameOut(second, 2).getByRole("button", { name: "still holding when we stopped" }).click();
  await send(phone);

  await desk.goto(`${house.url}/run/${id}/sift`);
  const alias = (await phone.locator("strong.goal").textContent()) ?? "";
  await desk.getByRole("list", { name: "All entries" }).getByText(alias).click();
  await expect(desk.getByText(/guessed more than the last one/)).toBeVisible();
  await acceptAll(id);
  await desk.goto(`${house.url}/run/${id}/findings`);
  await expect(desk.getByRole("region", { name: "In plain words" })).toContainText(
    "1 of 1 who built again did better than with their first version.",
  );
  const table = desk.getByRole("region", { name: "Table of builders" });
  await expect(table).toContainText("at least 400\u00a0g");
  await expect(table).toContainText("at least 500\u00a0g");
  await expect(table).toContainText("from nothing");
  await expect(desk.getByRole("region", { name: "What was seen" })).toContainText(
    "“the tape tears” was seen by 1 builder. Of 1 builder who built again after it, 1 did better.",
  );
  const csv = await (await desk.request.get(`${house.url}/api/runs/${id}/trials.csv`)).text();
  expect(csv).toMatch(/,between,300 g,|,300 g,0\.3,between,400 g,0\.4,/);

  const back = await openPhone(browser);
  const link = (await phone.getByRole("link", { name: /\/h\/mine#/ }).textContent()) ?? "";
  await back.goto(link);
  await expect(back.getByRole("region", { name: "Version 2" }).getByLabel("gave way at")).toHaveValue("400 g");
  await expect(
    cameOut(back.getByRole("region", { name: "Version 2" }), 2).getByRole("button", { name: "still holding when we stopped" }),
  ).toHaveAttribute("aria-pressed", "true");
});
