import { type Browser, expect, type Page, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
let path: string;
let run: string;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
  const seeds = await runOf(desk, house, "Seed-Wing Spinner");
  [path, run] = [`${house.url}${seeds.path}`, seeds.id];
});
test.afterAll(() => house.stop());

const waiting = async (): Promise<number> => (await (await desk.request.get(`${house.url}/api/runs/${run}/entries`)).json()).waiting;

/** Puts a block into a cell as a spreadsheet leaves it on the clipboard. */
async function paste(page: Page, cell: string, text: string): Promise<void> {
  const box = page.getByLabel(cell, { exact: true });
  await box.focus();
  await box.evaluate((node, given) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData("text/plain", given);
    node.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

/** Thirty builders as a leader has them in a spreadsheet; five have a cell that can't be read. */
const thirty = Array.from({ length: 30 }, (_, i) => {
  const times = [1.2, 1.25, 1.22, 1.5, 1.55, 1.6].map((time) => (time + i / 100).toFixed(2));
  if (i % 6 === 2) times[i % 5] = "fell on the cat";
  return [`Builder ${i + 1}`, "0.64", "0.7", "0.66", "9 cm", ...times.slice(0, 3), "12 cm", ...times.slice(3)].join("\t");
}).join("\r\n");

const atDesk = async (browser: Browser): Promise<Page> => (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();

test("thirty builders pasted from a spreadsheet, five bad cells named and mended, sent once; who is who stays with the leader", async ({
  browser,
}) => {
  const before = await waiting();
  const leader = await atDesk(browser);
  await leader.goto(`${path}/guide`);
  await leader.getByRole("link", { name: "Log a whole group on one sheet" }).click();
  await leader.getByLabel("What did they change from version to version?").selectOption({ label: "Size (across, or one wing)" });
  await paste(leader, "Who row 1 is; stays on this device", thirty);
  const odd = leader.getByRole("region", { name: "5 cells to look at" });
  await expect(odd.getByRole("listitem")).toHaveCount(5);
  await expect(odd).toContainText("Row 3, version 1, trial 3: We can't read that as one number.");
  const send = leader.getByRole("button", { name: "Send the results of 30 builders" });
  await leader.getByLabel(/for every builder on this sheet/).check();
  await expect(send).toBeDisabled();
  await expect(leader.getByText("5 cells can't be read yet.")).toBeVisible();
  for (let left = 5; left > 0; left -= 1) {
    await leader
      .getByRole("region", { name: /to look at/ })
      .getByRole("button")
      .first()
      .click();
    await leader.keyboard.press("Control+A");
    await leader.keyboard.type(left === 1 ? "x" : "1.31");
  }
  await expect(leader.getByRole("region", { name: /to look at/ })).toHaveCount(0);
  // Closed in the middle: it is there again.
  await leader.waitForTimeout(50);
  await leader.reload();
  await expect(leader.getByLabel("Row 30, version 2, trial 3", { exact: true })).toHaveValue("1.89");
  await send.click();
  await expect(leader.getByRole("heading", { name: "Thank you. The group is sent." })).toBeVisible();
  await expect(leader.getByRole("row", { name: /^30 Builder 30 / })).toBeVisible();
  expect(await waiting()).toBe(before + 30);
  const entries = await (await desk.request.get(`${house.url}/api/runs/${run}/entries`)).text();
  expect(entries).not.toContain("Builder 30");
  // The demo has a group of its own.
  const isFirst = ({ groupRow, versions }: { groupRow: number | null; versions: { trials: { raw: string }[] }[] }): boolean =>
    groupRow === 1 && versions[0]?.trials[0]?.raw === "0.64";
  const first = JSON.parse(entries).entries.find(isFirst);
  expect(first.versions.map(({ role, variables }: { role: string; variables: { sizeM?: number } }) => [role, variables.sizeM])).toEqual([
    ["control", undefined],
    ["build", 0.09],
    ["build", 0.12],
  ]);

  await leader.getByRole("link", { name: "Open the group" }).click();
  await expect(leader.getByText(/^\d+ of 30 met the goal\.$/)).toBeVisible();
  await expect(leader.getByText(/fair tests: \d+ could tell a difference/)).toBeVisible();
  await leader.getByRole("row").nth(2).getByRole("link").click();
  await expect(leader.getByRole("heading", { name: /^Your entry: / })).toBeVisible();
  // A row opens with the leader's own secret: it is never offered to be handed on.
  await expect(leader.getByText("it opens the whole group.")).toBeVisible();
  await expect(leader.getByRole("button", { name: /code to scan|QR/i })).toHaveCount(0);
  await leader.goBack();
  await leader.getByRole("button", { name: "Erase the whole group" }).click();
  await leader.getByRole("button", { name: "Erase everything, for good" }).click();
  await expect(leader.getByRole("heading", { name: "It is erased. Nothing of it is left." })).toBeVisible();
  expect(await waiting()).toBe(before);
});

test("by keyboard: Enter and the arrows go down and up, a slip is asked about and changes nothing by itself; a paste is taken out again", async ({
  browser,
}) => {
  const leader = await atDesk(browser);
  await leader.goto(`${path}/group`);
  await leader.getByLabel("Row 1, version 1, trial 1", { exact: true }).click();
  for (const typed of ["1.21", "1,30", "16.1"]) {
    await leader.keyboard.type(typed);
    await leader.keyboard.press("Enter");
  }
  await leader.keyboard.press("ArrowUp");
  await expect(leader.getByLabel("Row 3, version 1, trial 1", { exact: true })).toBeFocused();
  const odd = leader.getByRole("region", { name: "One cell to look at" });
  await expect(odd).toContainText("16.10\u00a0s can't happen with these numbers.");
  await odd.getByRole("button", { name: "Yes, 1.61\u00a0s" }).click();
  await expect(leader.getByLabel("Row 3, version 1, trial 1", { exact: true })).toHaveValue("1.61\u00a0s");
  await paste(leader, "Row 2, version 1, trial 1", Array.from({ length: 5000 }, () => "1.4\t1.5").join("\n"));
  await expect(leader.getByText("A group sheet takes 60 builders: 4941 lines were left out.")).toBeVisible();
  await leader.getByRole("button", { name: "Take it out again" }).click();
  await expect(leader.getByLabel("Row 2, version 1, trial 1", { exact: true })).toHaveValue("1,30");
  await expect(leader.getByRole("button", { name: "Send the results of 3 builders" })).toBeVisible();
});

test("sent without a line, it goes out by itself when the line is back", async ({ browser }) => {
  const before = await waiting();
  const phone = await openPhone(browser);
  await phone.goto(`${path}/group`);
  await phone.getByLabel("Row 4, version 1, trial 1", { exact: true }).fill("1.4");
  await phone.getByLabel(/for every builder on this sheet/).check();
  await phone.context().setOffline(true);
  await phone.getByRole("button", { name: "Send one builder's results" }).click();
  await expect(phone.getByText("Not sent yet: there is no connection")).toBeVisible();
  await phone.context().setOffline(false);
  await expect(phone.getByRole("heading", { name: "Thank you. The group is sent." })).toBeVisible();
  expect(await waiting()).toBe(before + 1);
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test("a ladder: what was the same for everyone is written once, a builder's own beside it, a result's place on the list in its cell", async ({
  browser,
}) => {
  const owlet = await runOf(desk, house, "Owlet on a String");
  const leader = await atDesk(browser);
  await leader.goto(`${house.url}${owlet.path}/group`);
  await paste(leader, "For everyone, version 1, trial 1, drop height", "80 cm\t\t1.2");
  await leader.getByRole("button", { name: "Take it out again" }).click();
  await expect(leader.getByLabel("For everyone, version 1, trial 1, drop height", { exact: true })).toHaveValue("");
  await paste(leader, "For everyone, version 1, trial 1, drop height", "80 cm\t\t1.2");
  await expect(leader.getByLabel("Row 1, version 1, trial 2, drop height", { exact: true })).toHaveAttribute("placeholder", "1.2");
  const cells: readonly (readonly [string, string])[] = [
    ["Row 1, version 1, trial 1", "whole"],
    ["Row 1, version 1, trial 2", "3"],
    ["Row 1, version 1, trial 3", "whole"],
  ];
  for (const [cell, text] of cells) await leader.getByLabel(cell, { exact: true }).fill(text);
  await expect(leader.getByRole("region", { name: "One cell to look at" })).toContainText(
    "Row 1, version 1, trial 3, drop height: Say what it was tried at: drop height.",
  );
  await leader.getByLabel("Row 1, version 1, trial 3, drop height", { exact: true }).fill("1,6 m");
  await leader.getByLabel("Row 1, version 1, grams of the build", { exact: true }).fill("85");
  await leader.getByLabel(/for every builder on this sheet/).check();
  await leader.getByRole("button", { name: "Send one builder's results" }).click();
  await expect(leader.getByRole("heading", { name: "Thank you. The group is sent." })).toBeVisible();
  const { entries } = await (await desk.request.get(`${house.url}/api/runs/${owlet.id}/entries`)).json();
  const sent = entries.find(({ groupRow }: { groupRow: number | null }) => groupRow === 1);
  expect(sent.versions[0].trials.map(({ at, rung }: { at: number; rung: number }) => [at, rung])).toEqual([
    [0.8, 0],
    [1.2, 2],
    [1.6, 0],
  ]);
  expect(sent.versions[0].trials[0].furtherValues).toEqual({ buildMass: 0.085 });
});
