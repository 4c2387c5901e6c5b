import type { RunDoc, StarterLine } from "@lampcrate/contract";
import { applies, type FamilyId, families, type NumberField, showPredicted, type Values } from "@lampcrate/core";
import { expect, type Page, test } from "@playwright/test";
import { choose, openDesk } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
});
test.afterAll(() => house.stop());

/** A starter of each family, and the dial of its plain build that is moved. */
const tried: readonly (readonly [FamilyId, starter: string, dial: string, key?: string])[] = [
  ["span", "Boardwalk of Paper", "depthM"],
  ["float", "Heavy Clay, Light Boat", "wallM"],
  ["descent", "Basket from the Watchtower", "sizeM"],
  ["landing", "Owlet on a String", "paddingM"],
  ["launch-band", "Seed Flinger", "stretchM"],
  ["launch-puff", "Spore Puffer", "massKg"],
  ["glide", "Marsh Glider", "massKg"],
  ["roll", "The Slow Wall", "length1"],
  ["drive", "Wound-up Cart", "massKg"],
  ["tall", "Lamp on a Mast", "sticksUsed", "ArrowLeft"],
  ["probe", "What Will Float?", "massKg"],
];

for (const [family, title, dial, key = "ArrowRight"] of tried) {
  test(`${family}: open its starter, move a dial, see the predicted number change, publish`, async () => {
    await desk.goto(`${house.url}/start`);
    await desk.getByRole("button", { name: new RegExp(`^${title.replace("?", "\\?")}`) }).click();
    await desk.getByRole("button", { name: "Start with this brief" }).click();
    await expect(desk.getByRole("heading", { name: title, level: 1 })).toBeVisible();
    const id = new URL(desk.url()).pathname.split("/")[2] ?? "";
    const run = (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc;
    await desk.getByRole("link", { name: /^Tryout/ }).click();
    const plain = desk.getByRole("group", { name: "Plain build" });
    const { spec, design } = run.brief;
    const field = fieldOf(family, dial, { ...spec, ...design });
    const before = predicted(family, spec, design);
    await expect(plain).toContainText(before);
    const slider = desk.getByRole("slider", { name: `${field.words}, plain build`, exact: true });
    // Ten small steps: the dial is kept inside its ruler, so the value is read back from it.
    for (let i = 0; i < 10; i += 1) await slider.press(key);
    const saved = desk.getByText("saved", { exact: true });
    await expect(saved).toBeVisible();
    const now = (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc;
    const moved = Number(now.brief.design[dial]);
    expect(Math.sign(moved - Number(design[dial] ?? field.start))).toBe(key === "ArrowRight" ? 1 : -1);
    const after = predicted(family, spec, { ...design, [dial]: moved });
    expect(after).not.toBe(before);
    await expect(plain).toContainText(after);
    await desk.getByRole("link", { name: /^Publish/ }).click();
    await desk.getByRole("button", { name: "Publish", exact: true }).click();
    await expect(desk.getByRole("heading", { name: "Hand it out" })).toBeVisible();
  });
}

/** The starter's main predicted number as the desk shows it. */
function predicted(id: FamilyId, spec: Values, design: Values): string {
  const family = families[id];
  const predictions = family.predict(spec, design);
  const main = predictions.find((p) => p.id === family.goal(spec).measure) ?? predictions[0];
  if (!main) throw new Error(`${id} predicts nothing`);
  return showPredicted(main.band.mid, main.dimension, "metric");
}

function fieldOf(id: FamilyId, dial: string, values: Values): NumberField {
  const field = families[id].design.find((f) => f.id === dial);
  if (field?.kind !== "number" || !applies(field.when, values)) throw new Error(`${id} has no such dial`);
  return field;
}

test("the shelf has two briefs or more of each family, and shows what fits", async () => {
  await desk.goto(`${house.url}/start`);
  const lines = (await (await desk.request.get(`${house.url}/api/starters`)).json()) as StarterLine[];
  await expect(desk.getByText(`${lines.length} briefs on the shelf`)).toBeVisible();
  const shelf = desk.getByRole("search", { name: "Find on the shelf" });
  await choose(shelf.getByLabel("Family"), "Tall");
  await expect(desk.getByRole("region", { name: "Tall" }).getByRole("listitem")).toHaveCount(2);
  await expect(desk.getByRole("region", { name: "Span" })).toHaveCount(0);
  await shelf.getByRole("button", { name: "show all" }).click();
  await shelf.getByRole("checkbox", { name: "no water at hand" }).check();
  await expect(desk.getByRole("region", { name: "Float" })).toHaveCount(0);
  await shelf.getByLabel("Words").fill("canopy");
  await expect(desk.getByText(/^[1-9] of \d+ briefs fit$/)).toBeVisible();
  await shelf.getByLabel("Longest free side").fill("0.5");
  await shelf.getByLabel("Longest free side").press("Enter");
  await expect(desk.getByText("Nothing on the shelf fits all of that.")).toBeVisible();
});
