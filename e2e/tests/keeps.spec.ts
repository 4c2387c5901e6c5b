import type { EntryPage } from "@lampcrate/contract";
import { expect, type Page, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
let path: string;
let runId: string;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
  const run = await runOf(desk, house, "Seed-Wing Spinner");
  path = `${house.url}${run.path}/log`;
  runId = run.id;
});
test.afterAll(() => house.stop());

const version = (phone: Page, n: number) => phone.getByRole("region", { name: `Version ${n}` });

async function fill(phone: Page, typed: string): Promise<void> {
  await version(phone, 1).getByLabel("Trial 1").fill(typed);
  await phone.getByLabel(/I am an adult/).check();
}

async function sent(phone: Page, typed: string): Promise<{ readonly alias: string; readonly link: string }> {
  await fill(phone, typed);
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
  const alias = (await phone.locator("strong.goal").textContent()) ?? "";
  return { alias, link: (await phone.getByRole("link", { name: /\/h\/mine#/ }).textContent()) ?? "" };
}

test("a second logbook keeps the first one's link; a second link in the tab shows its own entry; what is erased leaves the phone", async ({
  browser,
}) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  await expect(phone).toHaveTitle("Logbook: Seed-Wing Spinner");
  const first = await sent(phone, "1.2");
  await phone.getByRole("button", { name: "Start another logbook" }).click();
  const second = await sent(phone, "1.3");
  await expect(phone.getByRole("region", { name: "Sent from this device before" })).toContainText(first.alias);
  await phone.goto(first.link);
  await expect(phone.getByRole("heading", { name: `Your entry: ${first.alias}` })).toBeVisible();
  await phone.evaluate((to) => location.assign(to), second.link);
  await expect(phone.getByRole("heading", { name: `Your entry: ${second.alias}` })).toBeVisible();
  await expect(version(phone, 1).getByLabel("Trial 1")).toHaveValue("1.3");
  await phone.getByRole("button", { name: "Erase it" }).click();
  await phone.getByRole("button", { name: "Erase everything, for good" }).click();
  await expect(phone.getByRole("heading", { name: "It is erased. Nothing of it is left." })).toBeVisible();
  const kept = await phone.evaluate(() => JSON.stringify(localStorage));
  expect([kept.includes(second.link.split("#")[1] ?? ""), kept.includes(first.link.split("#")[1] ?? "")]).toEqual([false, true]);
});

for (const storage of ["blocked", "full"] as const)
  test(`a logbook on a device whose storage is ${storage} says at once that it is not saved, and can still be sent`, async ({
    browser,
  }) => {
    const phone = await openPhone(browser);
    await phone.addInitScript((how) => {
      const set = Storage.prototype.setItem;
      Storage.prototype.setItem = function (key: string, value: string) {
        // A full device takes what is short, until it doesn't.
        if (how === "blocked" || value.length > 1200) throw new DOMException("no room", "QuotaExceededError");
        set.call(this, key, value);
      };
    }, storage);
    await phone.goto(path);
    const alert = phone.getByRole("alert").filter({ hasText: "This is not saved." });
    if (storage === "blocked") await expect(alert).toBeVisible();
    await version(phone, 1).getByLabel("Trial 1").fill("1.37");
    await phone.getByLabel("What did you build?").first().fill("A spinner with long wings. ".repeat(60));
    await expect(alert).toBeVisible();
    await expect(phone.getByText("Saved on this device")).toHaveCount(0);
    await expect(alert.getByRole("button", { name: "Print this page" })).toBeVisible();
    await phone.getByLabel("What did you build?").first().fill("A spinner");
    await sent(phone, "1.37");
  });

test("a correction that was saved says so, until something else is typed", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  const { link } = await sent(phone, "1.2");
  await phone.goto(link);
  const said = phone.getByText("Saved. Somebody will look at it again.");
  await expect(phone.getByRole("button", { name: "Save the correction" })).toBeDisabled();
  await expect(said).toHaveCount(0);
  await version(phone, 1).getByLabel("Trial 1").fill("1.5");
  await phone.getByRole("button", { name: "Save the correction" }).click();
  await expect(said).toBeVisible();
  await version(phone, 1).getByLabel("Trial 1").fill("1.6");
  await expect(said).toHaveCount(0);
});

test("what was being sent when the line and the page were lost is sent when the page is opened again", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  await fill(phone, "1.4");
  await phone.route("**/entries", (route) => route.abort("internetdisconnected"));
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByText("Not sent yet: there is no connection")).toBeVisible();
  await phone.unroute("**/entries");
  await phone.reload();
  await expect(phone.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
});

test("two tabs on one logbook agree, and neither writes over what the other has sent", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  const other = await phone.context().newPage();
  await other.goto(path);
  await fill(phone, "1.5");
  await expect(version(other, 1).getByLabel("Trial 1")).toHaveValue("1.5");
  await other.getByRole("button", { name: "Send the results" }).click();
  await expect(other.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
  await expect(phone.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
});

test("without a line the code page and the logbook say so, and go on once it is back", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path.replace(/\/log$/, ""));
  await phone.getByRole("link", { name: "Open the logbook" }).waitFor();
  // The sheet stands before its script does: without that, a tap asks the browser itself.
  await phone.waitForLoadState("networkidle");
  await phone.context().setOffline(true);
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  const stumbled = phone.getByText("This page could not be opened");
  await expect(stumbled.or(version(phone, 1))).toBeVisible();
  await phone.context().setOffline(false);
  if (await stumbled.isVisible()) await phone.getByRole("button", { name: "Try again" }).click();
  await expect(version(phone, 1)).toBeVisible();

  await phone.goto(`${house.url}/h`);
  await phone.getByRole("textbox").waitFor();
  await phone.context().setOffline(true);
  await phone.getByRole("textbox").fill("NO SUCH HERON 9");
  await phone.getByRole("button", { name: /open|go/i }).click();
  await expect(phone.getByText("No connection right now.")).toBeVisible();
  await phone.context().setOffline(false);
});

test("a version that was taken out can be put back, and every box keeps what stood in it", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  await version(phone, 1).getByLabel("What did you build?").fill("first");
  await phone.getByRole("button", { name: "Add the next version" }).click();
  await version(phone, 2).getByLabel("What did you change?").fill("second");
  await version(phone, 2)
    .getByLabel(/^Cargo/)
    .fill("2 apples");
  await phone.getByRole("button", { name: "Add the next version" }).click();
  await version(phone, 3).getByLabel("What did you change?").fill("third");
  await version(phone, 2).getByRole("button", { name: "Take this version out" }).click();
  await expect(version(phone, 2).getByLabel("What did you change?")).toHaveValue("third");
  await expect(version(phone, 2).getByLabel(/^Cargo/)).not.toHaveValue("2 apples");
  await expect(phone.getByRole("button", { name: "Put it back" })).toBeFocused();
  await phone.getByRole("button", { name: "Put it back" }).click();
  await expect(version(phone, 2).getByLabel("What did you change?")).toHaveValue("second");
  await expect(version(phone, 3).getByLabel("What did you change?")).toHaveValue("third");
});

test("a correction that is being written outlasts a sifter's decision; a guess that can't be read says so", async ({ browser }) => {
  const phone = await openPhone(browser);
  await phone.goto(path);
  await version(phone, 1)
    .getByLabel(/^Your guess/)
    .fill("as long as a song");
  await expect(version(phone, 1).getByText("We can't read that as one number")).toBeVisible();
  await version(phone, 1)
    .getByLabel(/^Your guess/)
    .fill("1.5");
  const { alias, link } = await sent(phone, "1.6");
  await phone.goto(link);
  await version(phone, 1).getByLabel("Trial 1").fill("1.62");
  await version(phone, 1).getByRole("button", { name: "One more trial" }).click();
  await version(phone, 1).getByLabel("Trial 2").fill("1.7");
  await phone.getByLabel(/Anything to tell us/).fill("it hummed");
  const { entries } = (await (await desk.request.get(`${house.url}/api/runs/${runId}/entries`)).json()) as EntryPage;
  const own = entries.find((entry) => entry.alias === alias);
  const decided = await desk.request.post(`${house.url}/api/runs/${runId}/entries/${own?.id}/decision`, {
    data: { decision: "accepted", why: "", revision: own?.revision },
  });
  expect(decided.ok()).toBe(true);
  await phone.getByRole("button", { name: "Save the correction" }).click();
  await expect(phone.getByText("Somebody looked at it meanwhile.")).toBeVisible();
  await expect(version(phone, 1).getByLabel("Trial 1")).toHaveValue("1.62");
  await phone.getByRole("button", { name: "Save the correction" }).click();
  await expect(phone.getByText("Somebody will look at it soon.")).toBeVisible();
  await phone.reload();
  await expect(version(phone, 1).getByLabel("Trial 2")).toHaveValue("1.7");
  await expect(phone.getByLabel(/Anything to tell us/)).toHaveValue("it hummed");
  await expect(version(phone, 1).getByLabel("Trial 1")).toHaveValue("1.62");
});
