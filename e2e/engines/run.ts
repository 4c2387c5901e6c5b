import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { launch } from "../browser.ts";
import { openDesk, runOf } from "../desk.ts";
import { fallFilm } from "../film.ts";
import { startHouse } from "../harness.ts";
import { sessionNow } from "../sessionNow.ts";
import { firefoxPage } from "./firefox.ts";
import { type Grounds, journeys } from "./journeys.ts";
import { webkitPage } from "./webkit.ts";

/** The journeys that every engine walks on the built server, each with a house of its own; names pick engines. */
const engines = { firefox: firefoxPage, webkit: webkitPage } as const;
type Engine = keyof typeof engines;

const named = process.argv.slice(2).filter((name): name is Engine => Object.hasOwn(engines, name));
const folder = mkdtempSync(join(tmpdir(), "lampcrate-engines-"));
const chromium = await launch();
let [passed, failed] = [0, 0];
for (const engine of named.length > 0 ? named : (Object.keys(engines) as Engine[])) {
  const house = await startHouse();
  const desk = await openDesk(chromium, house);
  const { path } = await runOf(desk, house, "Seed-Wing Spinner");
  const film = join(folder, `${engine}.webm`);
  writeFileSync(film, await fallFilm(chromium, house));
  const session = await sessionNow(desk, house, "Boardwalk over the Bog");
  const grounds: Grounds = { url: house.url, sheet: `${house.url}${path}`, film, session };
  for (const [name, walk] of Object.entries(journeys)) {
    const page = await engines[engine]();
    try {
      console.log(`passed: ${engine}, ${name}: ${await walk(page, grounds)}`);
      passed += 1;
    } catch (error) {
      console.log(`FAILED: ${engine}, ${name}: ${error instanceof Error ? error.message : error}`);
      failed += 1;
    }
    await page.close();
  }
  await desk.context().close();
  await house.stop();
}
await chromium.close();
rmSync(folder, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
