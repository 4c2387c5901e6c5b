// npm test: everything, from a fresh machine on. Closes with "N passed, N failed" for the whole.
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt } from "./build.mjs";
import { ensureChromium, ensureInstalled, root, run } from "./ensure.mjs";

const reports = join(root, "test-results");
let [passed, failed] = [0, 0];

function count(name, good) {
  if (good) passed += 1;
  else failed += 1;
  console.log(`${good ? "passed" : "FAILED"}: ${name}`);
}

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, "utf8")) : null);

/** Adds what a runner counted; a runner that left no report, or failed without a failed test, counts as one failure. */
function addUp(name, code, tally) {
  if (tally === null) return count(`${name}: it did not finish`, false);
  passed += tally.passed;
  failed += tally.failed;
  console.log(`${name}: ${tally.passed} passed, ${tally.failed} failed`);
  if (code !== 0 && tally.failed === 0) count(`${name}: ended with code ${code}`, false);
  if (tally.passed + tally.failed === 0) count(`${name}: ran no test`, false);
}

const npx = (...args) => run("npx", ["--no-install", ...args]);

ensureInstalled();
const chromium = ensureChromium();
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });

count("lint and format", npx("biome", "check", ".") === 0);
for (const part of ["core", "words", "contract", "server", "demo", "web", "e2e"]) count(`types of ${part}`, npx("tsc", "-p", part) === 0);
count("import rules", run(process.execPath, ["scripts/imports.mjs"]) === 0);
count("nothing unused", npx("knip", "--no-config-hints") === 0);

const unit = npx("vitest", "run", "--reporter=default", "--reporter=json", `--outputFile.json=${join(reports, "unit.json")}`);
const units = read(join(reports, "unit.json"));
addUp("unit and server tests", unit, units && { passed: units.numPassedTests, failed: units.numFailedTests });

await ensureBuilt();
if (chromium === null) {
  console.error("The browser tests need Chromium. On Debian: apt-get install -y chromium");
  count("browser tests: no Chromium", false);
} else {
  process.env.LAMPCRATE_CHROMIUM = chromium;
  process.env.PLAYWRIGHT_JSON_OUTPUT_FILE = join(reports, "browser.json");
  const browser = npx("playwright", "test", "--config", "e2e/playwright.config.ts");
  const { stats } = read(join(reports, "browser.json")) ?? {};
  addUp("browser tests", browser, stats ? { passed: stats.expected + stats.flaky, failed: stats.unexpected } : null);
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
