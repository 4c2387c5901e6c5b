import type { RunDoc, SheetDoc } from "@lampcrate/contract";
import { boundParts, briefField, type NumberField, partOf } from "@lampcrate/core";
import { expect, type Page, test } from "@playwright/test";
import { starters } from "../../server/src/starters/index.ts";
import { packOfStarter } from "../../server/src/starters/starter.ts";
import { openDesk } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
});
test.afterAll(() => house.stop());

const started = async (id: string): Promise<string> => {
  const starter = starters.find((one) => one.id === id);
  const made = await desk.request.post(`${house.url}/api/starters/${id}`, { data: { title: starter?.title, kind: starter?.kind } });
  return ((await made.json()) as { id: string }).id;
};
const runOf = async (id: string): Promise<RunDoc> => (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc;
const sheetOf = async (id: string): Promise<SheetDoc> =>
  (await (await desk.request.get(`${house.url}/api/runs/${id}/sheet/draft`)).json()) as SheetDoc;

/** The numbers of a starter that some line of its kit follows. */
function followedFields(starter: (typeof starters)[number]): readonly NumberField[] {
  const ids = new Set(packOfStarter(starter).lines.flatMap(({ bind }) => boundParts.flatMap((part) => bind?.[part]?.field ?? [])));
  return [...ids].flatMap((id) => {
    const placed = briefField(starter.family, id);
    return placed?.field.kind === "number" && placed.of !== "brief" ? [placed.field] : [];
  });
}

const following = starters.map((starter) => ({ ...starter, fields: followedFields(starter) })).filter(({ fields }) => fields.length > 0);

for (const { id, title, fields } of following) {
  test(`${title}: each number that the kit follows moves crate and sheet`, async () => {
    const run = await started(id);
    await desk.goto(`${house.url}/run/${run}/brief`);
    const dock = desk.getByRole("complementary", { name: "Crate" });
    await expect(dock.getByText("a builder", { exact: true })).toBeVisible();
    const fold = desk.getByRole("region", { name: "Plain build" }).getByRole("button", { name: /^(open:|fold)/ });
    if ((await fold.getAttribute("aria-expanded")) === "false") await fold.click();
    for (const field of fields) {
      const [was, words] = [await runOf(run), (await sheetOf(run)).lines.map((line) => line.words)];
      const slider = desk.getByRole("slider", { name: field.words, exact: true }).first();
      for (let i = 0; i < 4; i += 1) await slider.press("PageUp");
      const moved = async (): Promise<number> => {
        const now = await runOf(run);
        return now.brief.lines.filter((line, i) => {
          const old = was.brief.lines[i];
          return old && boundParts.some((part) => line.bind[part]?.field === field.id && partOf(line, part) !== partOf(old, part));
        }).length;
      };
      await expect.poll(moved, { timeout: 10_000 }).toBeGreaterThan(0);
      expect((await sheetOf(run)).lines.map((line) => line.words)).not.toEqual(words);
    }
    await desk.goto(`${house.url}/h/preview/${run}`);
    for (const { words } of (await sheetOf(run)).lines) await expect(desk.getByText(words).first()).toBeVisible();
  });
}

test("a number that contradicts the goal stops publishing until one press mends it; what is typed over stands by itself", async () => {
  const run = await started("heron-lookout");
  await desk.goto(`${house.url}/run/${run}/brief`);
  const sticks = desk.getByRole("textbox", { name: "Sticks", exact: true });
  await sticks.fill("50");
  await sticks.press("Enter");
  const story = desk.getByRole("textbox", { name: "Story, for the sheet" });
  await story.click();
  await desk.keyboard.press("Control+End");
  await desk.keyboard.type(" Only 40 sticks!");
  await desk.getByRole("combobox", { name: "Put in a number of the brief" }).click();
  await desk.keyboard.type("joints");
  await desk.keyboard.press("Enter");
  await expect(story).toContainText("Only 40 sticks!12");
  await desk.getByRole("link", { name: /^Publish/ }).click();
  const checks = desk.getByRole("region", { name: "What doesn't fit yet" });
  await expect(checks).toContainText("but “Sticks” is 50");
  const publish = desk.getByRole("button", { name: "Publish", exact: true });
  await expect(publish).toBeDisabled();
  await checks.getByRole("button", { name: "Say 50, and follow it" }).click();
  await expect(checks).toBeHidden();
  await publish.click();
  await expect(desk.getByRole("heading", { name: "Hand it out" })).toBeVisible();
  expect((await sheetOf(run)).brief.story).toContain("Only 50 sticks!12");

  await desk.goto(`${house.url}/run/${run}/crate`);
  const takes = desk.getByRole("textbox", { name: "Dry spaghetti, takes" });
  await takes.fill("20");
  await takes.press("Enter");
  const row = desk.getByRole("row", { name: "Dry spaghetti" });
  await expect(row).toContainText("stands by itself; sticks would have it 50");
  await desk.getByRole("button", { name: "Change Dry spaghetti" }).click();
  await desk.getByRole("button", { name: "Follow again: 50" }).click();
  await expect(row).toContainText("follows sticks");
  await expect(takes).toHaveValue("50");
});

test("in feet and pounds the goal's round numbers are round, and crate and words go with them", async () => {
  const run = await started("foil-squares");
  await desk.goto(`${house.url}/run/${run}/publish`);
  await desk.getByRole("combobox", { name: "Units on the sheet" }).click();
  await desk.locator(".ant-select-dropdown:visible").getByTitle("feet, inches, pounds, ounces").click();
  const phone = desk.frameLocator("iframe");
  await expect(phone.getByText(/on a sheet of 7\s?in square/).first()).toBeVisible();
  await expect(phone.getByText(/Kitchen foil, 10 m roll, 7\s?in by 7\s?in/)).toBeVisible();
});
