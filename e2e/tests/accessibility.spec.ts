import AxeBuilder from "@axe-core/playwright";
import { expect, type Page, test } from "@playwright/test";
import { spinnerEntry } from "../../demo/src/entries.ts";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

/** Names of rules broken, with where. */
async function violations(page: Page): Promise<readonly string[]> {
  const { violations: found } = await new AxeBuilder({ page })
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
    .analyze();
  return found.flatMap((rule) =>
    rule.nodes.map((node) => `${rule.id}: ${node.target.join(" ")} ${node.failureSummary?.split("\n")[1] ?? ""}`),
  );
}

const deskViews: readonly (readonly [string, string, string | RegExp])[] = [
  ["season", "/", "This week"],
  ["start", "/start", "What shall they build?"],
  ["tryout", "/run/WALK/tryout", "Can the test tell these two apart?"],
  ["calendar of the house", "/calendar", /clash/],
  ["calendar by person", "/calendar?by=person&show=month", /clash/],
  ["place sessions", "/calendar/place", "Sessions wanted"],
  ["floor", "/floor", "Floor"],
  ["rehearse", "/run/WALK/rehearse", "A typical day, played"],
  ["buying", "/buying", "Who gets what"],
  ["store room", "/store", "Store room"],
  ["house", "/house", "People"],
  ["brief", "/run/WALK/brief", "Cautions"],
  ["crate", "/run/WALK/crate", "What a kit takes"],
  ["calendar", "/run/WALK/calendar", "Entries from home"],
  ["publish", "/run/WALK/publish", "Hand it out"],
  ["sift", "/run/SEEDS/sift", /waiting$/],
  ["findings", "/run/SEEDS/findings", "First version against last"],
];

/** What the panel beside a step says, where it isn't the crate. */
const beside: Readonly<Record<string, string>> = {
  rehearse: "builders come",
  publish: "On a family's phone",
  sift: "this entry",
  findings: "Predicted and come true",
};

for (const whose of ["the house", "a run"])
  test(`no view of ${whose} breaks a rule of axe, and none logs an error`, async ({ browser }) => {
    const page = await openDesk(browser, house);
    const errors: string[] = [];
    page.on("console", (message) => message.type() === "error" && errors.push(message.text()));
    const walk = await runOf(page, house, "Boardwalk over the Bog");
    const seeds = await runOf(page, house, "Seed-Wing Spinner");
    for (const [name, path, heading] of deskViews.filter((view) => view[1].startsWith("/run/") === (whose === "a run"))) {
      await test.step(name, async () => {
        await page.goto(house.url + path.replace("WALK", walk.id).replace("SEEDS", seeds.id));
        await expect(page.getByRole("heading", { name: heading }).first()).toBeVisible();
        if (path.includes("run")) await expect(page.getByRole("complementary")).toContainText(beside[name] ?? "a builder");
        await page.waitForTimeout(250);
        expect.soft(await violations(page)).toEqual([]);
      });
    }
    expect(errors).toEqual([]);
  });

test("nor do the dialogs, the sign-in, letters, a prize and the family pages", async ({ browser }) => {
  const page = await openDesk(browser, house);
  const seeds = await runOf(page, house, "Seed-Wing Spinner");
  const flights = await runOf(page, house, "First flights");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys that work here" })).toContainText("find or go to");
  await page.waitForTimeout(300);
  expect.soft(await violations(page)).toEqual([]);
  await page.keyboard.press("Escape");
  for (const [step, heading] of [
    ["outbox", "Letters to families"],
    ["findings", "Prize"],
  ] as const) {
    await page.goto(`${house.url}/run/${flights.id}/${step}`);
    await expect(page.getByRole("heading", { name: heading })).toBeVisible();
    await page.waitForTimeout(200);
    expect.soft([step, await violations(page)]).toEqual([step, []]);
  }
  const phone = await openPhone(browser);
  for (const [path, heading] of [
    ["/", "Lamp Crate"],
    ["/h", "Build challenge"],
    [seeds.path, "Seed-Wing Spinner"],
    [`${seeds.path}/log`, "Logbook"],
    [`${seeds.path}/guide`, "For a teacher or leader"],
    [`${seeds.path}/group`, "Group sheet"],
    [`${flights.path}/reveal`, "First flights"],
    [`/h/mine#${spinnerEntry("first03").secret}`, "Your entry"],
  ] as const) {
    await phone.goto(house.url + path);
    await expect(phone.getByRole("heading", { name: heading, level: 1 })).toBeVisible();
    await phone.waitForTimeout(200);
    expect.soft([path, await violations(phone)]).toEqual([path, []]);
  }
});
