import { openDatabase } from "@lampcrate/server";
import { expect, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { demoSignIn, type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("what is about to be erased is seen on the season, and a clock that jumped is answered there", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "First flights");
  const db = openDatabase(house.data);
  db.$client.prepare("insert into erasing_notice (run_id, due_on, announced_at) values (?, '2026-11-30', 1)").run(id);
  db.$client.prepare("update clock_watch set held = 'The clock jumped.'").run();
  db.$client.close();
  await desk.goto(house.url);
  await expect(desk.getByText(/First flights: on Monday 30 November 2026 its 18 entries are made anonymous/)).toBeVisible();
  await desk.getByRole("button", { name: "I have seen it" }).click();
  await expect(desk.getByText(/are made anonymous/)).toBeHidden();
  await desk.getByRole("button", { name: "The clock is right" }).click();
  await expect(desk.getByText("The clock jumped.")).toBeHidden();
  await desk.goto(`${house.url}/house`);
  await expect(desk.getByRole("region", { name: "The server" })).toContainText("goes evenly");
  await desk.getByRole("button", { name: "Open the trail" }).click();
  await expect(desk.getByRole("region", { name: "Trail" })).toContainText("said that the server's clock is right");
});

test("a material and a run are put away, are offered nowhere, and come back", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/store`);
  await desk.getByRole("button", { name: "Change Thin card, large sheet" }).click();
  await desk.getByRole("button", { name: "Take it out" }).click();
  await desk.getByRole("tooltip").getByRole("button", { name: "Take it out" }).click();
  await expect(desk.getByRole("rowheader", { name: "Thin card, large sheet" })).toBeHidden();
  const { id } = await runOf(desk, house, "First flights");
  await desk.goto(`${house.url}/run/${id}/publish`);
  await desk.getByRole("button", { name: "Put it away" }).click();
  await expect(desk).toHaveURL(`${house.url}/`);
  await expect(desk.getByRole("link", { name: /^First flights/ })).toBeHidden();
  await desk.getByRole("alert").getByRole("button", { name: "Bring it back" }).click();
  await expect(desk.getByRole("link", { name: /^First flights/ })).toBeVisible();
  await desk.goto(`${house.url}/run/${id}/publish`);
  await desk.getByRole("button", { name: "Put it away" }).click();
  await expect(desk.getByRole("link", { name: /^First flights/ })).toBeHidden();
  await desk.goto(`${house.url}/house`);
  const away = desk.getByRole("region", { name: "Put away" });
  await away.getByRole("button", { name: "Bring First flights back" }).click();
  await expect(away.getByRole("link", { name: "First flights" })).toBeHidden();
  await away.getByRole("button", { name: "Bring Thin card, large sheet back" }).click();
  await expect(away).toBeHidden();
});

test("one changes one's own password, told what is wrong with it at its field", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.getByRole("button", { name: /own sign-in/ }).click();
  const own = desk.getByRole("dialog");
  await own.getByLabel("Password now").fill("not this one");
  await own.getByLabel(/New password/).fill("a lamp, a crate, a heron");
  await own.getByRole("button", { name: "Change my password" }).click();
  await expect(own.getByText("This is not your password now.")).toBeVisible();
  await own.getByLabel("Password now").fill(demoSignIn.password);
  await own.getByLabel(/New password/).fill("password1234");
  await own.getByRole("button", { name: "Change my password" }).click();
  await expect(own.getByText(/among the first that a guesser tries/)).toBeVisible();
  await own.getByRole("button", { name: "Sign out everywhere" }).click();
  await expect(desk.getByLabel("Sign-in name")).toBeVisible();
});

test("signing out ends on the sign-in, and going back shows nothing", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/store`);
  await expect(desk.getByRole("heading", { name: "Store room" })).toBeVisible();
  await desk.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(desk.getByLabel("Sign-in name")).toBeVisible();
  await desk.goBack();
  await expect(desk.getByLabel("Sign-in name")).toBeVisible();
  await expect(desk.getByRole("heading", { name: "Store room" })).toBeHidden();
});

test("a phone whose house has no room, is away or busy says so, keeps what was written, and sends it again by itself", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { path, id } = await runOf(desk, house, "Seed-Wing Spinner");
  const phone = await openPhone(browser);
  await phone.goto(`${house.url}${path}/log`);
  for (const [region, trials] of [
    ["Version 1", ["1.2", "1.25"]],
    ["Version 2", ["1.5", "1.62"]],
  ] as const) {
    if (region === "Version 2") await phone.getByRole("button", { name: "Add the next version" }).click();
    for (const [i, typed] of trials.entries())
      await phone
        .getByRole("region", { name: region })
        .getByLabel(`Trial ${i + 1}`)
        .fill(typed);
  }
  await phone.getByLabel(/I am an adult/).check();
  const refusals = [
    { status: 507, detail: "The server's disk is full, so this was not kept. Tell whoever runs it." },
    { status: 502, detail: "" },
  ];
  await phone.route("**/entries", (route) => {
    const refusal = refusals.shift();
    return refusal
      ? route.fulfill({
          status: refusal.status,
          contentType: "application/problem+json",
          body: refusal.detail ? JSON.stringify(refusal) : "<html>",
        })
      : route.continue();
  });
  await phone.getByRole("button", { name: "Send the results" }).click();
  await expect(phone.getByRole("alert")).toContainText("disk is full");
  await expect(phone.getByRole("alert")).toContainText("sent again by itself");
  await expect(phone.getByText("Thank you. It is sent.")).toBeVisible({ timeout: 20_000 });
  const alias = await phone.locator(".goal").textContent();
  const entries = (await (await desk.request.get(`${house.url}/api/runs/${id}/entries`)).json()).entries as { alias: string }[];
  expect(entries.filter((entry) => entry.alias === alias)).toHaveLength(1);
});
