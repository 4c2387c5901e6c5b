import { expect, type Locator, type Page, test } from "@playwright/test";
import { choose, fillIn, openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

/** A bar's middle, and one lane on the board by day and room. */
async function middle(of: Locator): Promise<{ x: number; y: number }> {
  await of.scrollIntoViewIfNeeded();
  const box = await of.boundingBox();
  if (!box) throw new Error("it isn't in sight");
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

async function dragTo(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 6, from.y, { steps: 2 });
  await page.mouse.move(to.x, to.y, { steps: 8 });
}

/** The Saturday of the demo on which Seed Flinger is next door to the drop-in. */
async function flingerDay(page: Page): Promise<{ id: string; date: string }> {
  const { sessions } = (await (await page.request.get(`${house.url}/api/calendar`)).json()) as {
    sessions: { id: string; runId: string; start: string }[];
  };
  const { id } = await runOf(page, house, "Seed Flinger");
  const found = sessions.find((session) => session.runId === id);
  if (!found) throw new Error("the demo has no session of Seed Flinger");
  return { id: found.id, date: found.start.slice(0, 10) };
}

test("a session is dragged over a clash that is read before it is dropped; it stays in hand, a way out is one press, and undo puts it back", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { id, date } = await flingerDay(desk);
  await desk.goto(`${house.url}/calendar?day=${date}`);
  const bar = desk.locator(`[data-session="${id}"]`);
  await expect(bar).toHaveAccessibleName(/Seed Flinger, Sat .* 14:30, 90 min, \d clashes/);
  const from = await middle(bar);
  const lane = await middle(desk.locator(`[data-lane="${date} Marsh Room"]`));
  await dragTo(desk, from, { x: from.x - 60, y: lane.y });
  const card = desk.getByRole("region", { name: "Session in hand" });
  await expect(card).toContainText("Marsh Room would hold Boardwalk over the Bog");
  await expect(card).toContainText("It can't be put down here.");
  await desk.mouse.up();
  await expect(card.getByRole("button", { name: "Put it there" })).toBeDisabled();
  await card.getByRole("button", { name: /^Start at/ }).click();
  await expect(card).not.toContainText("It can't be put down here.");
  await card.getByRole("button", { name: "Moss Lark instead" }).first().waitFor({ state: "detached" });
  await card.getByRole("button", { name: "Put it there" }).click();
  await expect(card).toBeHidden();
  await expect(bar).toHaveAccessibleName(/Seed Flinger, Sat .* 15:45/);
  await desk.getByRole("button", { name: /^Undo: changed Seed Flinger/ }).click();
  await expect(bar).toHaveAccessibleName(/Seed Flinger, Sat .* 14:30/);
});

test("keys do the same: along the hours, to another day, longer, put down with Enter, back with Escape; the month moves by days", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { id, date } = await flingerDay(desk);
  await desk.goto(`${house.url}/calendar?day=${date}`);
  const bar = desk.locator(`[data-session="${id}"]`);
  await bar.focus();
  await bar.press("PageUp");
  await bar.press("ArrowRight");
  await bar.press("Shift+ArrowRight");
  const card = desk.getByRole("region", { name: "Session in hand" });
  await expect(card).toContainText(/Fri .* 14:45 to 16:30/);
  await bar.press("Escape");
  await expect(card).toBeHidden();
  await bar.press("PageUp");
  // However long the calendar takes to come back: what was saved is no longer in hand.
  let goOn = (): void => undefined;
  const held = new Promise<void>((resolve) => {
    goOn = resolve;
  });
  await desk.route("**/api/calendar", async (route) => {
    if (route.request().method() === "GET") await held;
    await route.continue();
  });
  await bar.press("Enter");
  await expect(bar).toHaveAccessibleName(/Seed Flinger, Fri/);
  await expect(card).toBeHidden();
  goOn();
  await expect(bar).toBeFocused();
  await desk.keyboard.press("u");
  await expect(bar).toHaveAccessibleName(/Seed Flinger, Sat/);
  await desk.getByLabel("Shown").getByText("month").click();
  await bar.focus();
  await bar.press("ArrowLeft");
  await expect(card).toContainText(/Fri .* 14:30/);
  await desk.goBack();
  await desk.goForward();
  await expect(desk.getByRole("table")).toBeVisible();
});

test("by person somebody takes another's place; a change to a repeat is for this one, the later ones or all", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id: run } = await runOf(desk, house, "Heron Lookout");
  await desk.goto(`${house.url}/run/${run}/calendar`);
  await desk.getByRole("button", { name: "Add a session" }).click();
  const form = desk.getByRole("form", { name: "New session" });
  await fillIn(form.getByLabel("Day"), "2027-02-02");
  await choose(form.getByRole("group", { name: "Repeats" }).getByLabel("It takes place"), "every Tuesday");
  await form.getByLabel("times").fill("4");
  await form.getByRole("button", { name: "Put 4 sessions on the calendar" }).click();
  await expect(form).toBeHidden();
  await desk.goto(`${house.url}/calendar?day=2027-02-09&by=person`);
  await desk.getByRole("button", { name: /Heron Lookout, Tue 9 Feb/ }).click();
  const card = desk.getByRole("region", { name: "Session in hand" });
  await card.getByRole("radio", { name: "this and later" }).click();
  await fillIn(card.getByLabel("Starts at"), "11:00");
  await choose(card.getByLabel("Who is on it"), "Moss Lark");
  await desk.keyboard.press("Escape");
  await card.getByRole("button", { name: "Change 3 sessions" }).click();
  await expect(card).toBeHidden();
  await expect(desk.locator(`[data-lane="2027-02-09 Moss Lark"]`).getByRole("button")).toHaveAccessibleName(/11:00/);
  await desk.getByRole("button", { name: "week after" }).click();
  await expect(desk.locator(`[data-lane="2027-02-16 Moss Lark"]`).getByRole("button")).toHaveAccessibleName(/11:00/);
  await desk.goto(`${house.url}/calendar?day=2027-02-02&by=person`);
  await expect(desk.locator(`[data-lane="2027-02-02 Nobody yet"]`).getByRole("button")).toHaveAccessibleName(/10:00/);
});

test("a series is planned part by part, and a wrong order is refused in words", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "What Will Hold?");
  await desk.goto(`${house.url}/run/${id}/calendar`);
  const add = async (day: string, part: string): Promise<ReturnType<Page["getByRole"]>> => {
    await desk.getByRole("button", { name: "Add a session" }).click();
    const form = desk.getByRole("form", { name: "New session" });
    await fillIn(form.getByLabel("Day"), day);
    await fillIn(form.getByLabel("Starts at"), "16:00");
    await form.getByLabel("Part of the series").fill(part);
    await form.getByRole("button", { name: "Put it on the calendar" }).click();
    return form;
  };
  await expect(await add("2027-02-10", "2")).toBeHidden();
  const form = await add("2027-02-17", "1");
  await expect(form).toContainText("Part 2 would begin before part 1 on 2027-02-17 16:00 has ended.");
  await fillIn(form.getByLabel("Day"), "2027-02-03");
  await form.getByRole("button", { name: "Put it on the calendar" }).click();
  await expect(form).toBeHidden();
  const between = desk.getByRole("region", { name: "Days between parts" });
  await between.getByLabel("Least, days").fill("8");
  await between.getByLabel("Most, days").fill("5");
  await between.getByLabel("Most, days").press("Enter");
  await expect(between.getByRole("alert")).toContainText("The most days between two parts are fewer than the least.");
  await between.getByLabel("Most, days").fill("21");
  await between.getByLabel("Most, days").press("Enter");
  await expect(between.getByRole("alert")).toBeHidden();
  await desk.goto(`${house.url}/calendar?day=2027-02-10`);
  await expect(desk.getByRole("complementary", { name: "Beside the calendar" })).toContainText("7 days between What Will Hold? part 1");
});

test("people and their rules are set in the house; a time away that ends before it begins is refused at its person", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/house`);
  const people = desk.getByRole("region", { name: "People on sessions" });
  await people.getByRole("button", { name: "Add a person" }).click();
  const row = people.getByRole("group", { name: "A new person" });
  await row.getByLabel("Name").fill("Wren Alder");
  const wren = people.getByRole("group", { name: "Wren Alder" });
  await wren.getByRole("button", { name: "Add a time away" }).click();
  await fillIn(wren.getByLabel("Back at"), "08:00");
  await desk.getByRole("button", { name: "Save the house" }).click();
  await expect(wren.getByRole("alert")).toContainText("Back before it begins");
  await fillIn(wren.getByLabel("Back at"), "18:00");
  await desk.getByRole("button", { name: "Save the house" }).click();
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
});

test("a calendar address is made, read by nobody's account and ended; a file in is seen before, and one that is too large is refused", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/house`);
  const feeds = desk.getByRole("region", { name: "Calendar addresses" });
  await choose(feeds.getByLabel("Calendar of"), "room: Marsh Room");
  await feeds.getByRole("button", { name: "Make an address" }).click();
  const address = (await feeds.getByRole("status").textContent())?.match(/http\S+ics/)?.[0] ?? "";
  const elsewhere = await (await browser.newContext()).newPage();
  const file = async () => elsewhere.request.get(new URL(new URL(address).pathname, house.url).href);
  expect(await (await file()).text()).toContain("SUMMARY:Boardwalk over the Bog");
  await feeds.getByRole("button", { name: "End the address of room: Marsh Room" }).click();
  await expect(feeds.getByRole("table")).toHaveCount(0);
  expect((await file()).status()).toBe(404);

  const taken = desk.getByRole("region", { name: "From a calendar file" });
  const box = taken.locator("input[type=file]");
  await box.setInputFiles({ name: "huge.ics", mimeType: "text/calendar", buffer: Buffer.alloc(20 * 1024 * 1024, 65) });
  await expect(taken.getByRole("alert")).toContainText("This file has 20.0 MB; 2 MB at most.");
  const events = ["20270405", "20270510"].map(
    (day) => `BEGIN:VEVENT\r\nUID:${day}\r\nSUMMARY:Reed cutting\r\nDTSTART;VALUE=DATE:${day}\r\nEND:VEVENT\r\n`,
  );
  const ics = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\n${events.join("")}END:VCALENDAR\r\n`;
  await box.setInputFiles({ name: "rest.ics", mimeType: "text/calendar", buffer: Buffer.from(ics) });
  await taken.getByRole("checkbox", { name: /10 May/ }).uncheck();
  await taken.getByRole("button", { name: "Take 1 over" }).click();
  await desk.getByRole("button", { name: "Save the house" }).click();
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.goto(`${house.url}/calendar?day=2027-04-05`);
  await expect(desk.getByRole("region", { name: /Mon 5 Apr/ })).toContainText("closed: Reed cutting");
});
