import { mkdirSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { launch } from "./browser.ts";
import { choose, openDesk, openPhone, runOf } from "./desk.ts";
import { demoSignIn, root, startHouse } from "./harness.ts";

/** Retakes every picture in docs/screenshots from fresh demo data, pinned to one day. */
const folder = join(root, "docs/screenshots");
mkdirSync(folder, { recursive: true });
for (const old of readdirSync(folder)) if (old.endsWith(".png")) rmSync(join(folder, old));

const house = await startHouse({ env: { LAMPCRATE_URL: "https://builds.quillmarsh.example" } });
const browser = await launch();
const take = async (page: Page, name: string): Promise<void> => {
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(`docs/screenshots/${name}.png`);
};

/** Each step by what stands beside it once all of it is reckoned. */
const besideStep = (page: Page, step: string): Promise<void> => {
  if (step === "publish") return page.frameLocator("iframe").getByRole("link", { name: "Open the logbook" }).waitFor();
  if (step === "sift") return page.getByRole("complementary", { name: "Evidence" }).getByRole("img").first().waitFor();
  if (step === "rehearse") return page.getByText(/builders come/).waitFor();
  if (step === "findings") return page.getByRole("complementary", { name: "Prediction and outcome" }).waitFor();
  return page.getByText("a builder", { exact: true }).waitFor();
};

const desk = await openDesk(browser, house, demoSignIn, { motion: true });
const walk = await runOf(desk, house, "Boardwalk over the Bog");
const seeds = await runOf(desk, house, "Seed-Wing Spinner");
const tried = await Promise.all(["Seed Flinger"].map((title) => runOf(desk, house, title)));
const flights = await runOf(desk, house, "First flights");
await take(desk, "season");
for (const [name, id, step] of [
  ["brief-span", walk.id, "brief"],
  ["crate", walk.id, "crate"],
  ["rehearse", walk.id, "rehearse"],
  ["publish", walk.id, "publish"],
  ["sift", seeds.id, "sift"],
  ["findings", seeds.id, "findings"],
] as const) {
  await desk.goto(`${house.url}/run/${id}/${step}`);
  if (name === "sift")
    await desk
      .getByRole("button", { name: /\d to look at/ })
      .first()
      .click();
  await besideStep(desk, step);
  await take(desk, name);
}
for (const [i, name] of ["tryout-band-launch"].entries()) {
  await desk.goto(`${house.url}/run/${tried[i]?.id}/tryout`);
  await desk.getByText("a builder", { exact: true }).waitFor();
  await desk.getByRole("region", { name: "What the test can tell" }).locator("strong").first().waitFor();
  await desk.getByRole("button", { name: "Let go" }).click();
  await desk.getByRole("button", { name: "Back to the start" }).waitFor();
  await take(desk, name);
}
await desk.goto(`${house.url}/calendar?day=2026-12-19`);
await desk.getByRole("heading", { name: /clash/ }).first().waitFor();
await take(desk, "calendar");
await desk.goto(`${house.url}/calendar/place`);
await choose(desk.getByLabel("Run to place sessions of"), "Seed Flinger");
await desk.getByRole("group", { name: "Seed Flinger" }).getByLabel("How many").fill("4");
await choose(desk.getByLabel("Run to place sessions of"), "Reed Raft Rescue");
await desk.getByRole("button", { name: "Place them" }).click();
await desk.getByRole("heading", { name: /sessions placed/ }).waitFor();
await desk.evaluate(() => window.scrollTo(0, 0));
await take(desk, "placing");
const past = (
  (await (await desk.request.get(`${house.url}/api/calendar`)).json()) as { sessions: { id: string; runId: string; start: string }[] }
).sessions.find(({ runId, start }) => runId === walk.id && start.startsWith("2026-11-21"));
await desk.setViewportSize({ width: 1024, height: 768 });
// The floor goes by the tablet's own clock.
await desk.clock.setFixedTime("2026-11-21T13:04:00Z");
await desk.goto(`${house.url}/floor/${past?.id}`);
await desk.getByRole("region", { name: "Party in" }).waitFor();
await take(desk, "floor");
await desk.setViewportSize({ width: 1280, height: 800 });
await desk.goto(`${house.url}/start`);
await desk.getByRole("button", { name: /^Seed-Wing Spinner/ }).click();
await desk.evaluate(() => window.scrollTo(0, 0));
await take(desk, "start");
await desk.goto(`${house.url}/buying`);
await desk.getByText(/with its other ways, in/).waitFor();
await take(desk, "buying");
for (const name of ["store", "house"]) {
  await desk.goto(`${house.url}/${name}`);
  await desk.getByRole("heading", { level: 1 }).waitFor();
  await take(desk, name === "store" ? "store-room" : name);
}

const phone = await openPhone(browser);
await phone.goto(house.url + seeds.path);
await phone.getByRole("link", { name: "Open the logbook" }).waitFor();
await take(phone, "home-sheet");
await phone.goto(`${house.url}${seeds.path}/log`);
const one = phone.getByRole("region", { name: "Version 1" });
await one.getByLabel("What did you build?").fill("wide wings");
await one.getByLabel("Trial 1").fill("1.58");
await one.getByLabel("Trial 2").fill("16.1");
await one.getByText("Did you mean").waitFor();
await one.getByLabel("Your guess").scrollIntoViewIfNeeded();
await one.getByRole("button", { name: /tap when you let go/ }).evaluate((watch) => watch.scrollIntoView({ block: "start" }));
await take(phone, "home-logbook");
await phone.goto(`${house.url}${flights.path}/reveal`);
await phone.getByText("All names here are made up").waitFor();
await take(phone, "home-reveal");

const leader = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
await leader.goto(`${house.url}${seeds.path}/group`);
await leader.getByLabel("What did they change from version to version?").selectOption({ label: "Size (across, or one wing)" });
const patrol = [
  "9 cm 1.21 1.25 1.19 12 cm 1.52 1.55 1.49",
  "9 cm 1.30 1.28 1.33 12 cm 1.61 16.1 1.66",
  "9 cm 1.18 1.22 1.24 12 cm 1.44 1.47 1.5",
];
for (const [row, cells] of patrol.entries()) {
  await leader.getByLabel(`Row ${row + 1}, version 1, size (across, or one wing)`).click();
  for (const cell of cells.replaceAll(" cm", "_cm").split(" ")) {
    await leader.keyboard.type(cell.replace("_", " "));
    await leader.keyboard.press("Tab");
  }
}
await take(leader, "home-group");
await browser.close();
await house.stop();
