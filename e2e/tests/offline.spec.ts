import { expect, type Page, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";
import { phonePhoto } from "../pictures.ts";

let house: House;
let desk: Page;
let run: Awaited<ReturnType<typeof runOf>>;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
  run = await runOf(desk, house, "Seed-Wing Spinner");
});
test.afterAll(() => house.stop());

const entries = async (): Promise<{ alias: string; versions: { pictures: { size: unknown }[] }[] }[]> =>
  (await (await desk.request.get(`${house.url}/api/runs/${run.id}/entries`)).json()).entries;

/** Opens the sheet once, with a line, and waits until the device keeps it. */
async function openOnce(phone: Page): Promise<void> {
  await phone.goto(`${house.url}${run.path}`);
  const isKept = () =>
    phone.evaluate(async (code) => {
      if (!(await navigator.serviceWorker.getRegistration("/h"))?.active) return false;
      const kept = await caches.open("lampcrate-sheets");
      return (await kept.match(`/h/${code}`)) !== undefined && (await kept.match(`/api/public/runs/${code}`)) !== undefined;
    }, run.path.split("/")[2]);
  await expect.poll(isKept, { timeout: 30_000 }).toBe(true);
}

async function fill(phone: Page): Promise<void> {
  await phone.getByRole("region", { name: "Version 1" }).getByLabel("Trial 1").fill("1.27");
  await phone.getByLabel(/I am an adult/).check();
}

test("a challenge that was opened once opens without a line, with its logbook, and goes out when the line is back", async ({ browser }) => {
  const before = (await entries()).length;
  const phone = await openPhone(browser);
  await openOnce(phone);
  await phone.context().setOffline(true);
  await phone.reload();
  await expect(phone.getByRole("heading", { name: "Seed-Wing Spinner" })).toBeVisible();
  // The logbook has never been opened here.
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  await expect(phone.getByRole("heading", { name: "Logbook" })).toBeVisible();
  await phone.reload();
  await fill(phone);
  await phone
    .getByRole("region", { name: "Version 1" })
    .getByLabel("Add a photo")
    .setInputFiles({
      name: "build.jpg",
      mimeType: "image/jpeg",
      buffer: await phonePhoto(),
    });
  await expect(phone.getByRole("img", { name: "Picture 1, a photo" })).toBeVisible();
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByText("Not sent yet: there is no connection")).toBeVisible();
  const context = phone.context();
  await phone.close();
  const again = await context.newPage();
  await again.goto(`${house.url}${run.path}/log`);
  await expect(again.getByRole("region", { name: "Version 1" }).getByLabel("Trial 1")).toHaveValue("1.27");
  await context.setOffline(false);
  await expect(again.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
  await expect(again.getByText("Your picture has arrived.")).toBeVisible();
  // The door of this device has the way to it.
  const alias = (await again.locator("strong.goal").textContent()) ?? "";
  await again.goto(`${house.url}/h`);
  await again.getByRole("link", { name: alias }).click();
  await expect(again.getByRole("heading", { name: `Your entry: ${alias}` })).toBeVisible();
  expect((await entries()).length).toBe(before + 1);
});

test("the door lists what was opened here, and a challenge never opened here says that there is no line", async ({ browser }) => {
  const phone = await openPhone(browser);
  await openOnce(phone);
  await phone.context().setOffline(true);
  await phone.goto(`${house.url}/h`);
  await expect(
    phone.getByRole("region", { name: "Opened on this device before" }).getByRole("link", { name: "Seed-Wing Spinner" }),
  ).toBeVisible();
  await expect(phone.getByRole("link", { name: "its logbook" })).toBeVisible();
  await phone.getByLabel("Type the code on your sheet").fill("calm kestrel compass 309");
  await phone.getByRole("button", { name: "Open the challenge" }).click();
  await expect(phone.getByText("No connection right now. What you have stays on this device.")).toBeVisible();
  await phone.context().setOffline(false);
  await phone.getByRole("button", { name: "Try again" }).click();
  await expect(phone.getByRole("heading", { name: "Boardwalk over the Bog" })).toBeVisible();
});

test("a device that many share forgets all of it, and says what was never sent", async ({ browser }) => {
  const phone = await openPhone(browser);
  await openOnce(phone);
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  await fill(phone);
  await phone.goto(`${house.url}/h`);
  await phone.getByRole("button", { name: /forget all of it/ }).click();
  await expect(phone.getByText("One logbook here was never sent, and would be lost.")).toBeVisible();
  await phone.getByRole("button", { name: "Forget it all" }).click();
  await expect(phone.getByRole("region", { name: "Opened on this device before" })).toBeHidden();
  expect(await phone.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith("lampcrate-")))).toEqual([]);
  await phone.goto(`${house.url}${run.path}/log`);
  await expect(phone.getByRole("region", { name: "Version 1" }).getByLabel("Trial 1")).toHaveValue("");
});

test("with every page closed the browser sends it, once", async ({ browser }) => {
  const before = (await entries()).length;
  const phone = await openPhone(browser);
  await openOnce(phone);
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  await fill(phone);
  await phone.context().setOffline(true);
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByText("Not sent yet: there is no connection")).toBeVisible();
  // A page that is none of ours, while the family's own is gone.
  const other = await phone.context().newPage();
  await phone.close();
  await other.context().setOffline(false);
  await other.goto(`${house.url}/healthz`);
  const browserEnd = await other.context().newCDPSession(other);
  const found = new Promise<string>((give) =>
    browserEnd.on("ServiceWorker.workerRegistrationUpdated", ({ registrations }) => {
      const [one] = registrations;
      if (one) give(one.registrationId);
    }),
  );
  await browserEnd.send("ServiceWorker.enable");
  const registrationId = await found;
  await browserEnd.send("ServiceWorker.dispatchSyncEvent", { origin: house.url, registrationId, tag: "lampcrate-send", lastChance: false });
  await expect.poll(async () => (await entries()).length).toBe(before + 1);
  // Opened again, the logbook hears that it is there.
  await other.goto(`${house.url}${run.path}/log`);
  await expect(other.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
  expect((await entries()).length).toBe(before + 1);
});

test("a device that speaks Spanish keeps that language, and no other, for when there is no line", async ({ browser }) => {
  const phone = await (await browser.newContext({ locale: "es-ES", viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await openOnce(phone);
  await phone.context().setOffline(true);
  await phone.reload();
  await expect(phone.getByRole("heading", { name: "Semilla giratoria" })).toBeVisible();
  await phone.getByRole("link", { name: "Abrir el cuaderno" }).click();
  await expect(phone.getByRole("heading", { name: "Cuaderno" })).toBeVisible();
  await phone.reload();
  await phone.getByRole("region", { name: "Versión 1" }).getByLabel("Ensayo 1").fill("unos 1,27 segundos");
  await expect(phone.getByText("1,27\u00a0s")).toBeVisible();
  const english = await openPhone(browser);
  await openOnce(english);
  const kept = await english.evaluate(async () => {
    const caches = await Promise.all((await window.caches.keys()).map((name) => window.caches.open(name)));
    return (await Promise.all(caches.map((one) => one.keys()))).flat().map(({ url }) => url);
  });
  expect(kept.length).toBeGreaterThan(10);
  expect(kept.filter((url) => url.includes("/read-in-"))).toEqual([]);
});
