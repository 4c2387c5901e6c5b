import { spawn } from "node:child_process";
import { type Browser, expect, type Page, test } from "@playwright/test";
import { choose, openDesk } from "../desk.ts";
import { freePort, type House, root, startHouse } from "../harness.ts";
import { sessionNow } from "../sessionNow.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

async function tablet(browser: Browser, session: string): Promise<Page> {
  const desk = await openDesk(browser, house, { signIn: "fen.plover", password: "lamplight-demo" });
  await desk.setViewportSize({ width: 1024, height: 768 });
  await desk.goto(`${house.url}/floor/${session}`);
  await expect(desk.getByRole("region", { name: "Party in" })).toBeVisible();
  return desk;
}

const parties = (page: Page) => page.getByRole("region", { name: "Party in" }).getByRole("heading");
const come = async (page: Page, heads: number, times: number): Promise<void> => {
  for (let i = 0; i < times; i += 1) await page.getByRole("button", { name: `Party of ${heads} in` }).click();
};

test("60 parties on two tablets with the line cut for a while: nothing is lost, nothing counts twice, both end with equal counts", async ({
  browser,
}) => {
  const planner = await openDesk(browser, house);
  const session = await sessionNow(planner, house, "Boardwalk over the Bog");
  const [one, two] = [await tablet(browser, session), await tablet(browser, session)];
  await come(one, 2, 10);
  await expect(parties(two)).toContainText("10 parties, 20 in all");
  await two.context().setOffline(true);
  await Promise.all([come(one, 3, 20), come(two, 1, 30)]);
  await expect(two.getByRole("status")).toContainText("30 taps are kept on this tablet");
  await expect(parties(one)).toContainText("30 parties, 80 in all");
  await two.context().setOffline(false);
  for (const page of [one, two]) await expect(parties(page)).toContainText("60 parties, 110 in all");
  await expect(two.getByRole("status")).toHaveCount(0);
  // A tablet that is reloaded without a connection goes on where it was, and sends what was tapped there once it is back.
  await expect.poll(() => two.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await two.context().setOffline(true);
  await two.reload();
  await expect(parties(two)).toContainText("60 parties, 110 in all");
  await come(two, 1, 2);
  await two.reload();
  await expect(two.getByRole("status")).toContainText("2 taps are kept on this tablet");
  await expect(parties(two)).toContainText("62 parties, 112 in all");
  await two.context().setOffline(false);
  await expect(parties(one)).toContainText("62 parties, 112 in all");
  // A tablet that is opened anew finds all of it, and goes on counting where it was.
  await two.reload();
  await expect(parties(two)).toContainText("62 parties, 112 in all");
  await expect(two.getByRole("region", { name: "Kits" })).toContainText("None is left");
});

test("the floor of another day, or for whoever may not count, is looked at only, and says why", async ({ browser }) => {
  const planner = await openDesk(browser, house);
  const session = await sessionNow(planner, house, "Boardwalk over the Bog", 60 * 24 * 4);
  const floor = await tablet(browser, session);
  await expect(floor.getByRole("status")).toContainText("Counting ended");
  await expect(floor.getByRole("button", { name: "Party of 2 in" })).toBeDisabled();
  await expect(floor.getByRole("button", { name: "Near miss" })).toBeDisabled();
  await floor.getByRole("link", { name: "Close the day" }).click();
  await expect(floor.getByRole("heading", { name: /^Close the day/ })).toBeVisible();
  const today = await sessionNow(planner, house, "Boardwalk over the Bog", 30);
  const who = { signIn: "reed.sifter", password: "a lamp, a crate, a heron" };
  await planner.request.post(`${house.url}/api/staff`, {
    headers: { origin: house.url },
    data: { name: "Reed", role: "sifter", active: true, ...who },
  });
  const sifter = await openDesk(browser, house, who);
  await sifter.goto(`${house.url}/floor/${today}`);
  await expect(sifter.getByRole("status")).toContainText("a planner or a floor lead counts on it.");
  await expect(sifter.getByRole("button", { name: "Party of 2 in" })).toBeDisabled();
});

test("a team goes from building by the line and a rig to its result, and builds again; the room's screen follows; the last tap is taken back", async ({
  browser,
}) => {
  const planner = await openDesk(browser, house);
  const session = await sessionNow(planner, house, "Boardwalk over the Bog");
  const floor = await tablet(browser, session);
  await come(floor, 2, 2);
  await floor.getByRole("button", { name: "A1 to the line" }).click();
  await floor.getByRole("button", { name: "A2 to the line" }).click();
  const room = await planner.context().newPage();
  await room.goto(`${house.url}/floor/${session}/room`);
  await expect(room.getByRole("region", { name: "Who is next" }).getByRole("listitem")).toHaveText([/A1 come now/, /A2/]);
  await floor.getByRole("button", { name: "A1 to rig 1" }).click();
  await expect(room.getByRole("region", { name: "Who is next" })).toContainText("rig 1: A1");
  await floor.getByRole("button", { name: "Result of A1 at rig 1" }).click();
  const pad = floor.getByRole("dialog");
  await expect(pad.getByRole("button", { name: "Keep it" })).toBeDisabled();
  // A slip is asked about as a family's is; nobody is kept from keeping it.
  for (const key of ["9", "9", "9", "9", "9", "9"]) await pad.getByRole("button", { name: key, exact: true }).click();
  await expect(pad.getByRole("status").filter({ hasText: "can't happen with these numbers" })).toBeVisible();
  await expect(pad.getByRole("button", { name: "Keep 999999 g" })).toBeEnabled();
  for (let i = 0; i < 6; i += 1) await pad.getByRole("button", { name: "Delete the last digit" }).click();
  for (const key of ["4", "2", "0"]) await pad.getByRole("button", { name: key, exact: true }).click();
  await pad.getByRole("checkbox", { name: /signed for a photo/ }).check();
  await pad.getByRole("button", { name: "Keep 420 g" }).click();
  const building = floor.getByRole("region", { name: "Building" });
  await expect(building).toContainText("420 g");
  await building.getByRole("button", { name: "A1 builds again" }).click();
  await expect(building.getByRole("button", { name: "A1 to the line" })).toBeVisible();
  await floor.getByRole("button", { name: "Take back: builds again" }).click();
  await expect(building.getByRole("button", { name: "A1 goes home" })).toBeVisible();
  await floor.getByRole("button", { name: "Near miss" }).click();
  await floor
    .getByRole("dialog")
    .getByLabel(/What nearly hurt/)
    .fill("a load bag fell by a foot");
  await floor.getByRole("dialog").getByRole("button", { name: "Keep it" }).click();
  await expect(floor.getByRole("button", { name: "Near miss (1)" })).toBeVisible();
  for (const target of await floor.locator(".floor .ant-btn:visible:not(.ant-btn-text)").all())
    expect((await target.boundingBox())?.height).toBeGreaterThanOrEqual(56);
});

test("a scale's reading lands in the result by itself, and is offered beside what was typed; without the scale the pad does as before", async ({
  browser,
}) => {
  const planner = await openDesk(browser, house);
  const standIns = spawn(process.execPath, ["server/dist/bench.js"], {
    cwd: root,
    env: { ...process.env, LAMPCRATE_SCALE_PORT: String(await freePort()), LAMPCRATE_GATE_PORT: String(await freePort()) },
  });
  try {
    const port = await new Promise<string>((up) => {
      let said = "";
      standIns.stdout.on("data", (piece: Buffer) => {
        said += piece.toString();
        const found = /Scale, made believe, at port (\d+)/.exec(said);
        if (found) up(found[1] ?? "");
      });
    });
    await planner.goto(`${house.url}/house`);
    const bench = planner.getByRole("region", { name: "At the bench" });
    await choose(bench.getByLabel("How the scale is reached"), "at a port of the server's machine");
    await bench.getByLabel("Port").fill(port);
    await planner.getByRole("button", { name: "Save the house" }).click();
    await expect(bench.getByRole("status")).toContainText("made believe, shows nothing yet");
    await bench.getByRole("button", { name: "Lay 250 g on it" }).click();
    await expect(bench.getByRole("status")).toContainText("shows 250\u00a0g");
    const session = await sessionNow(planner, house, "Boardwalk over the Bog", 30);
    const floor = await tablet(browser, session);
    await come(floor, 1, 2);
    await floor.getByRole("button", { name: "A1 to the line" }).click();
    await floor.getByRole("button", { name: "A1 to rig 1" }).click();
    await floor.getByRole("button", { name: "Result of A1 at rig 1" }).click();
    const pad = floor.getByRole("dialog");
    await expect(pad).toContainText("Scale is ready");
    const lay = (value: number) =>
      planner.request.post(`${house.url}/api/bench/scale/hand`, { data: { value }, headers: { origin: house.url } });
    await lay(412.6);
    await expect(pad.getByLabel("Result", { exact: true })).toContainText("412.6");
    await expect(pad).toContainText("From the scale");
    await lay(520);
    await expect(pad.getByLabel("Result", { exact: true })).toContainText("520");
    await pad.getByRole("button", { name: "Delete the last digit" }).click();
    await lay(412.6);
    await expect(pad.getByRole("button", { name: "Take 412.6 g from the scale" })).toBeVisible();
    await expect(pad.getByLabel("Result", { exact: true })).toContainText("52");
    await pad.getByRole("button", { name: "Take 412.6 g from the scale" }).click();
    standIns.kill();
    await expect(pad).toContainText("Scale: ");
    await pad.getByRole("button", { name: "Keep 412.6 g" }).click();
    await expect(floor.getByRole("region", { name: "Building" })).toContainText("412.6 g");
  } finally {
    standIns.kill();
  }
});
