import type { RunDoc, SheetDoc } from "@lampcrate/contract";
import { boundParts, briefField, families, fieldValue, type PlacedField, partOf, textsOf } from "@lampcrate/core";
import { expect, type Locator, type Page, test } from "@playwright/test";
import { starters } from "../../server/src/starters/index.ts";
import { packOfStarter } from "../../server/src/starters/starter.ts";
import { openDesk } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";
import { pdfPages } from "../pdfPages.ts";

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

/** The brief's fields that a line of the starter's kit or a text of it follows; what stretches the goal follows the goal. */
function followedFields(starter: (typeof starters)[number]): readonly PlacedField[] {
  const pack = packOfStarter(starter);
  const inLines = pack.lines.flatMap(({ bind }) => boundParts.flatMap((part) => bind?.[part]?.field ?? []));
  const inWords = [...JSON.stringify(pack).matchAll(/\{([a-zA-Z]\w*)[,}]/g)].map(([, id]) => id ?? "");
  const named = (id: string): string =>
    id === "stretch" || id === "goal" ? (families[starter.family].goalField(pack.brief.spec) ?? "") : id;
  return [...new Set([...inLines, ...inWords].map(named))].flatMap((id) => briefField(starter.family, id) ?? []);
}

/** How the brief calls its own numbers on its screen. */
const ownBoxes: Readonly<Record<string, string>> = { minutes: "Minutes a build", trials: "Trials of each version" };

/** Changes a field at the brief, as a planner does. */
async function change({ field, of }: PlacedField): Promise<void> {
  if (of === "brief") {
    const box = desk.getByRole("spinbutton", { name: ownBoxes[field.id] ?? field.words, exact: true });
    await box.fill(`${Number(await box.inputValue()) + 1}`);
    await box.press("Enter");
  } else if (field.kind === "number") {
    const slider = desk.getByRole("slider", { name: field.words, exact: true }).first();
    for (let i = 0; i < 4; i += 1) await slider.press("PageUp");
  } else {
    const list = desk.getByRole("combobox", { name: field.words, exact: true });
    await list.click();
    await list.press("ArrowDown");
    await list.press("Enter");
  }
}

/** What families read on a sheet, in words that may hold a number. */
const saidOn = ({ brief, words, lines }: SheetDoc): readonly string[] => [
  brief.story,
  ...brief.tiers.map((tier) => tier.words),
  ...words.rules,
  ...words.test,
  ...words.howTo.map((step) => step.words),
  ...lines.map((line) => line.words),
];

/** All that a brief says, what only the house reads too. */
const allSaid = (sheet: SheetDoc): readonly string[] => [
  ...textsOf({ ...sheet.brief, hints: sheet.ladder.flatMap(({ hints }) => hints.map((words) => ({ words }))) }).map(({ text }) => text),
  ...saidOn(sheet),
];

/** What can be seen of something in words. */
const readOn = async (place: Locator): Promise<string> => (await place.allInnerTexts()).join(" ");

/** Text as it is read, whatever the spaces and line ends. */
const plain = (text: string): string => text.replace(/[\s\u00a0\u202f\u00ad]+/g, "");

for (const starter of starters) {
  test(`${starter.title}: each number that kit or words follow moves crate, sheet and printed page`, async () => {
    const fields = followedFields(starter);
    expect(fields.length).toBeGreaterThan(0);
    const run = await started(starter.id);
    await desk.goto(`${house.url}/run/${run}/brief`);
    const dock = desk.getByRole("complementary", { name: "Crate" });
    await expect(dock.getByText("a builder", { exact: true })).toBeVisible();
    const fold = desk.getByRole("region", { name: "Plain build" }).getByRole("button", { name: /^(open:|fold)/ });
    if ((await fold.getAttribute("aria-expanded")) === "false") await fold.click();
    for (const placed of fields) {
      const [was, said, dockSaid] = [await runOf(run), allSaid(await sheetOf(run)), await readOn(dock)];
      await change(placed);
      const followed = was.brief.lines.filter((line) => boundParts.some((part) => line.bind[part]?.field === placed.field.id));
      await expect
        .poll(async () => fieldValue((await runOf(run)).brief, placed), { timeout: 10_000 })
        .not.toEqual(fieldValue(was.brief, placed));
      const now = await runOf(run);
      for (const line of followed) {
        const after = now.brief.lines.find(({ id }) => id === line.id);
        expect([placed.field.id, line.id, boundParts.map((part) => after && partOf(after, part))]).not.toEqual([
          placed.field.id,
          line.id,
          boundParts.map((part) => partOf(line, part)),
        ]);
      }
      if (followed.some(({ source }) => source === "packed")) await expect.poll(() => readOn(dock)).not.toBe(dockSaid);
      expect([placed.field.id, ...allSaid(await sheetOf(run))]).not.toEqual([placed.field.id, ...said]);
    }
    await desk.goto(`${house.url}/h/preview/${run}`);
    const sheet = saidOn(await sheetOf(run)).filter((words) => words !== "");
    await expect.poll(async () => plain(await readOn(desk.locator("main")))).toContain(plain(sheet.at(-1) ?? ""));
    const phone = plain(await readOn(desk.locator("main")));
    const printed = plain(
      (await pdfPages(new Uint8Array(await desk.pdf({ preferCSSPageSize: true })), 20)).map(({ text }) => text).join(" "),
    );
    for (const words of sheet) {
      expect(phone).toContain(plain(words));
      expect(printed).toContain(plain(words));
    }
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
