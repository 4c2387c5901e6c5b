import type { RunDoc } from "@lampcrate/contract";
import { expect, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("a drop-in day is rehearsed: arrivals drawn, another day held beside, the adviser's answer taken over, the crate sized, and all of it undone", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/calendar`);
  await desk.getByRole("link", { name: "Rehearse the day" }).click();
  const comes = desk.getByRole("complementary", { name: "What the day comes to" });
  await expect(comes.getByText(/builders come/)).toBeVisible();
  await desk.getByLabel("A party builds as one team").uncheck();
  const parties = desk.getByLabel("Parties expected");
  await parties.fill("60");
  await desk.getByLabel("A trial takes, min").fill("0.7");
  await desk.getByLabel("Rigs", { exact: true }).fill("1");
  await desk.getByLabel("Seats", { exact: true }).fill("24");
  await expect(comes.getByText(/are turned away, mostly for want of seats/)).toBeVisible();
  // A profile that never rises is refused in words, and what stood there before stays in sight.
  const bars = desk.getByRole("slider", { name: /^Arrivals / });
  const first = await bars.first().getAttribute("aria-valuenow");
  await bars.first().focus();
  await desk.keyboard.press("ArrowUp");
  await expect(bars.first()).toHaveAttribute("aria-valuenow", String(Number(first) + 0.5));
  await desk.keyboard.press("ArrowRight");
  await expect(bars.nth(1)).toBeFocused();
  await desk.getByRole("button", { name: "Hold this day beside, and change it" }).click();
  await desk.getByLabel("Rigs", { exact: true }).fill("4");
  const numbers = comes.getByRole("table");
  await expect(numbers.getByRole("columnheader", { name: "Held beside" })).toBeVisible();
  const builders = numbers.getByRole("row", { name: /^Builders who come/ }).getByRole("cell");
  await expect.poll(async () => (await builders.nth(0).textContent()) === (await builders.nth(1).textContent())).toBe(true);
  // One day of them, minute by minute; nothing moves by itself where less motion is asked for.
  const typical = desk.getByRole("region", { name: "A typical day" });
  const plan = typical.getByRole("img");
  await expect(plan).toHaveAccessibleName(/^10:00: 0 gone home/);
  await expect(typical).toContainText("Marsh Room, to scale; tables for four, a dot is a builder.");
  await expect(typical.getByRole("button", { name: "Play" })).toHaveCount(0);
  const time = typical.getByRole("slider", { name: "Time of the day" });
  await time.focus();
  await desk.keyboard.press("End");
  await expect(time).toHaveAttribute("aria-valuetext", /^14:/);
  await expect(plan).toHaveAccessibleName(/[1-9]\d* gone home/);
  await desk.keyboard.press("Home");
  for (let i = 0; i < 60; i += 1) await desk.keyboard.press("ArrowRight");
  await expect(plan).toHaveAccessibleName(/^11:00: .*(building|testing)/);
  const adviser = desk.getByRole("region", { name: "Adviser" });
  await adviser.getByRole("button", { name: "Find it" }).click();
  await expect(adviser.getByText(/will do:/)).toBeVisible({ timeout: 60_000 });
  const said = (await adviser.getByRole("status").textContent()) ?? "";
  const [, seats = "", rigs = ""] = /(\d+) seats, (\d+) rig/.exec(said) ?? [];
  await adviser.getByRole("button", { name: "Take it over" }).click();
  await expect(desk.getByLabel("Seats", { exact: true })).toHaveValue(seats);
  await expect(desk.getByLabel("Rigs", { exact: true })).toHaveValue(rigs);
  await expect(desk.getByRole("button", { name: "Undo: changed the rehearsed day" })).toBeVisible();
  const kept = async (): Promise<number | null | undefined> =>
    ((await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc).rehearsal?.day.seats;
  await expect.poll(kept).toBe(Number(seats));
  await desk.reload();
  await expect(desk.getByLabel("Seats", { exact: true })).toHaveValue(seats);
  await expect(parties).toHaveValue("60");
  await expect(comes.getByText(/kits are used/)).toBeVisible();
  await desk.getByRole("button", { name: "Size the crate for these builders" }).click();
  await expect(desk.getByRole("button", { name: /^Undo: changed (expected heads|.*session)/ })).toBeVisible();
});

test("a day is made of its sign-ups, and party sizes are typed", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/rehearse`);
  await expect(desk.getByRole("complementary", { name: "What the day comes to" }).getByText(/builders come/)).toBeVisible();
  await desk.getByRole("button", { name: "From sign-ups" }).click();
  const from = desk.getByRole("group", { name: "From sign-ups" });
  const list = from.getByRole("textbox", { name: /^A party a row/ });
  await list.fill("time\tbuilders\n10:00\t2\n10:05\t2\n9:30\t1\n11:00\t4");
  await expect(from.getByRole("alert")).toHaveText("Row 4: 9:30 is before the doors open at 10:00.");
  await list.fill("time\tbuilders\n10:00\t2\n10:05\t2\n11:00\t4\n11:00\t4");
  await from.getByLabel("Of them come, %").fill("50");
  await from.getByRole("button", { name: "Take 4 parties, 12 builders" }).click();
  await expect(from).toHaveCount(0);
  await expect(desk.getByLabel("Parties expected")).toHaveValue("2");
  await expect(desk.getByRole("slider", { name: "Arrivals 10:00 to 10:15" })).toHaveAttribute("aria-valuenow", "10");
  await expect(desk.getByRole("slider", { name: "Arrivals 10:15 to 10:30" })).toHaveAttribute("aria-valuenow", "0");
  const sizes = desk.getByRole("group", { name: /^Of a hundred parties/ });
  await expect(sizes.getByLabel("Parties of 4, of a hundred")).toHaveValue("50.0");
  await expect(sizes).toContainText("3.0 builders a party, 6 expected");
  await sizes.getByLabel("Parties of 1, of a hundred").fill("100");
  await expect(sizes).toContainText("2.0 builders a party, 4 expected; they sum to 200, each counts as its share of that");
  for (const size of [1, 2, 4]) await sizes.getByLabel(`Parties of ${size}, of a hundred`).fill("0");
  await expect(desk.getByText("Say how many parties are of one, of two and so on: shares of 0 or more, not all of them 0.")).toBeVisible();
});
