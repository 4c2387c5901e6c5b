import { cpSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, root, startHouse } from "../harness.ts";

/** A copy of the build as a later one would be: views are in files of other names, and the pages name another build. */
function laterBuild(): string {
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-later-"));
  for (const part of ["server/dist", "server/migrations", "web/dist", "package.json"])
    cpSync(join(root, part), join(folder, part), { recursive: true });
  symlinkSync(join(root, "node_modules"), join(folder, "node_modules"));
  const assets = join(folder, "web/dist/assets");
  const moved = readdirSync(assets).filter((name) => name.endsWith(".js"));
  for (const name of moved) {
    renameSync(join(assets, name), join(assets, later(name)));
    rmSync(join(assets, `${name}.gz`), { force: true });
  }
  const names = new RegExp(moved.map((name) => name.replace(/[.$]/g, "\\$&")).join("|"), "g");
  for (const file of [...readdirSync(assets).map((name) => join("assets", name)), "index.html", "home.html", "keeper.js"]) {
    if (!/\.(js|html)$/.test(file)) continue;
    const path = join(folder, "web/dist", file);
    const text = readFileSync(path, "utf8").replace(names, later);
    writeFileSync(path, text.replace(/name="build" content="\w+"/, 'name="build" content="later"'));
  }
  return folder;
}

const later = (name: string): string => `later-${name}`;

async function replaced(house: House, from: string): Promise<House> {
  const ended = new Promise((end) => house.process.once("exit", end));
  house.process.kill("SIGTERM");
  await ended;
  return startHouse({ data: house.data, port: Number(new URL(house.url).port), from });
}

test("an update while people work: drafts are saved, views open in the new version, families' pages too", async ({ browser }) => {
  const first = await startHouse();
  const folder = laterBuild();
  const desk = await openDesk(browser, first);
  const run = await runOf(desk, first, "Seed-Wing Spinner");
  const brief = await desk.context().newPage();
  await brief.goto(`${first.url}/run/${run.id}/brief`);
  const story = brief.getByRole("textbox", { name: "Story, for the sheet" });
  await expect(story).toBeVisible();
  const phone = await (await browser.newContext({ serviceWorkers: "block" })).newPage();
  await phone.goto(`${first.url}${run.path}`);
  await expect(phone.getByRole("link", { name: "Open the logbook" })).toBeVisible();
  await expect(brief.getByText("A new version", { exact: false })).toBeHidden();
  const second = await replaced(first, folder);
  try {
    // A view whose file is gone opens in the new version by itself.
    await desk.getByRole("navigation", { name: "Main" }).getByRole("link", { name: "Store room" }).click();
    await expect(desk.getByRole("heading", { name: "Store room" })).toBeVisible();
    expect(await desk.locator('meta[name="build"]').getAttribute("content")).toBe("later");
    // A page that is being worked on says so quietly, and saves what was typed before it goes.
    await story.click();
    await story.press("Control+End");
    await story.pressSequentially(" Build one.");
    await expect(brief.getByRole("status").filter({ hasText: "A new version of Lamp Crate is ready." })).toBeVisible();
    await story.pressSequentially(" Or two.");
    await brief.getByRole("button", { name: "Save and open it" }).click();
    await expect(brief.locator('meta[name="build"][content="later"]')).toBeAttached();
    await expect(story).toHaveText(/ Build one\. Or two\.$/);
    await phone.getByRole("link", { name: "Open the logbook" }).click();
    // It may have been fetched ahead, or be gone: it opens either way.
    await expect(phone.getByRole("heading", { level: 1, name: "Logbook" })).toBeVisible();
  } finally {
    await second.stop();
    for (const gone of [folder, first.data]) rmSync(gone, { recursive: true, force: true });
  }
});
