import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { spinnerEntry } from "../../demo/src/entries.ts";
import { choose, openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("one key asks a family about an odd value; their answer and their correction come back to the sifter", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id, path } = await runOf(desk, house, "Seed-Wing Spinner");
  const phone = await openPhone(browser);
  await phone.goto(`${house.url}${path}/log`);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByLabel("Trial 1").fill("16.1");
  await one.getByRole("button", { name: "No, keep it" }).click();
  await one.getByLabel("Trial 2").fill("1.58");
  await phone.getByLabel(/I am an adult/).check();
  await phone.getByRole("button", { name: "Send the results" }).click();
  const alias = (await phone.locator("strong.goal").textContent()) ?? "";

  await desk.goto(`${house.url}/run/${id}/sift`);
  const listed = desk.getByRole("list", { name: "All entries" }).getByRole("button", { name: alias });
  await listed.click();
  await expect(desk.getByRole("heading", { name: alias })).toBeVisible();
  await expect(desk.getByText(/Trial 1 of version 1 says 16\.10.s\. That would surprise us\. Was it 1\.61.s\?/)).toBeVisible();
  await desk.keyboard.press("k");
  await expect(desk.getByRole("list", { name: "Asked of the family" })).toContainText("No answer yet.");
  await expect(listed).toContainText("asked");

  await phone.getByRole("link", { name: "Open my entry" }).click();
  const asked = phone.getByRole("region", { name: "The house asks" });
  await expect(asked).toContainText("Was it 1.61");
  await asked.getByLabel("Your answer").fill("Yes, the point slipped.");
  await asked.getByRole("button", { name: "Send the answer" }).click();
  await expect(asked).toContainText("You answered: “Yes, the point slipped.”");
  await one.getByLabel("Trial 1").fill("1.61");
  await phone.getByRole("button", { name: "Save the correction" }).click();
  await expect(phone.getByRole("button", { name: "Save the correction" })).toBeDisabled();

  await desk.reload();
  await listed.click();
  await expect(desk.getByRole("list", { name: "Asked of the family" })).toContainText("Yes, the point slipped.");
  await expect(desk.getByRole("list", { name: "Trials of version 1" })).toContainText("1.61\u00a0s");
});

test("what came on paper is keyed in with its consent, marked so, and the family gets a link", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Seed-Wing Spinner");
  await desk.goto(`${house.url}/run/${id}/sift`);
  await desk.getByRole("button", { name: "Key in one from paper" }).click();
  const form = desk.getByRole("region", { name: "Entry from paper" });
  const one = form.getByRole("region", { name: "Version 1" });
  await one.getByLabel("Trial 1").fill("1.4");
  await expect(form.getByText("The paper must have an adult's yes.")).toBeVisible();
  // Typed and not kept: it is there again.
  await desk.reload();
  await desk.getByRole("button", { name: "Key in one from paper" }).click();
  await expect(one.getByLabel("Trial 1")).toHaveValue("1.4");
  await form.getByRole("checkbox", { name: /The paper says, by an adult/ }).check();
  await form.getByRole("button", { name: "Keep it" }).click();
  const heading = form.getByRole("heading", { name: / is kept$/ });
  const alias = ((await heading.textContent()) ?? "").replace(" is kept", "");
  const link = (await form.getByText(/\/h\/mine#/).textContent()) ?? "";
  await form.getByRole("button", { name: "Back to the entries" }).click();
  await desk.getByRole("list", { name: "All entries" }).getByRole("button", { name: alias }).click();
  await expect(desk.getByText(/keyed in from paper/)).toBeVisible();
  const phone = await openPhone(browser);
  await phone.goto(link);
  await expect(phone.getByRole("heading", { name: `Your entry: ${alias}` })).toBeVisible();
  await expect(phone.getByText(/On paper: I am an adult/)).toBeVisible();
});

test("what families are written waits behind their private links; staff read it, and take it along as mail", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "First flights");
  await desk.goto(`${house.url}/run/${id}/sift`);
  await desk.getByRole("link", { name: "Letters" }).click();
  await expect(desk.getByRole("heading", { name: "Letters to families" })).toBeVisible();
  const letters = desk.getByRole("table", { name: "Letters" });
  await choose(desk.getByLabel("Which letters"), "the reveal is up: 18");
  await expect(letters.getByRole("row").filter({ hasText: "The reveal is up: First flights" })).toHaveCount(18);
  await letters.getByRole("button", { name: "Expand row" }).first().click();
  await expect(letters).toContainText("What everybody found together is shown at http");
  for (const [link, begins] of [
    ["Export this one (.eml)", /^Content-Language: en\nFrom: Quillmarsh Hall <house@lamp-crate\.invalid>\n/],
    ["Export all as a mailbox (.mbox)", /^From house@lamp-crate\.invalid /],
  ] as const) {
    const saving = desk.waitForEvent("download");
    await desk.getByRole("link", { name: link }).click();
    expect(readFileSync(await (await saving).path(), "utf8")).toMatch(begins);
  }

  const phone = await openPhone(browser);
  await phone.goto(`${house.url}/h/mine#${spinnerEntry("first03", "none").secret}`);
  const wrote = phone.getByRole("region", { name: "The house wrote to you" });
  // Whether the lot fell on it too is another matter.
  await expect(wrote.getByRole("group").filter({ hasNotText: "You have won" })).toHaveCount(3);
  await wrote.getByText("The reveal is up: First flights").click();
  await wrote.getByRole("link", { name: "What everybody found" }).click();
  await expect(phone.getByRole("heading", { name: "First flights" })).toBeVisible();
});

test("a winner finds a claim code behind the private link; the house hands the prize out by it, once", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "First flights");
  await desk.goto(`${house.url}/run/${id}/findings`);
  const prize = desk.getByRole("region", { name: "Prize" });
  await expect(prize.getByRole("list", { name: "Winners" }).getByText("has not come yet")).toHaveCount(2);
  const phone = await openPhone(browser);
  const claims = [];
  for (let i = 1; i <= 18; i += 1) {
    const headers = { "x-entry-secret": spinnerEntry(`first${String(i).padStart(2, "0")}`).secret };
    const { claims: own } = await (await phone.request.get(`${house.url}/api/public/mine`, { headers })).json();
    for (const claim of own) claims.push({ ...claim, secret: headers["x-entry-secret"] });
  }
  expect(claims).toHaveLength(3);
  const { secret, alias, code } = claims.find(({ claimedAt }) => claimedAt === null);
  await phone.goto(`${house.url}/h/mine#${secret}`);
  const won = phone.getByRole("region", { name: "You have won" });
  await expect(won).toContainText(`${alias}: ${code} Show this code at the house.`);
  await expect(phone.getByRole("region", { name: "The house wrote to you" })).toContainText("You have won: First flights");

  await prize.getByLabel("Claim code").fill("ABCD-2345");
  await prize.getByLabel("Claim code").press("Enter");
  await expect(prize.getByText("No winner of this run has that code.")).toBeVisible();
  await expect(prize.getByLabel("Claim code")).toHaveValue("ABCD-2345");
  await prize.getByLabel("Claim code").fill(code.toLowerCase());
  await prize.getByRole("button", { name: "Hand it out" }).click();
  await expect(prize.getByRole("list", { name: "Winners" }).getByText("has not come yet")).toHaveCount(1);
  await expect(prize.getByLabel("Claim code")).toHaveValue("");
  await phone.reload();
  await expect(won).toContainText("It has been handed out.");
  await desk.goto(`${house.url}/run/demo-seed-wing-spinner/findings`);
  await expect(prize.getByText("It can be drawn once entries have closed.")).toBeVisible();
});
