import { launch } from "../browser.ts";
import { startHouse } from "../harness.ts";
import { benchCalendarDrag } from "./calendarDrag.ts";
import { benchDial, benchDrag, benchFirstLoads } from "./desk.ts";
import { benchEntryPosts } from "./entryPosts.ts";
import { benchFloor } from "./floor.ts";
import { benchKit } from "./kit.ts";
import { benchBuying, benchLarge } from "./large.ts";
import { benchPlacing } from "./placing.ts";
import { benchPredictions } from "./predictions.ts";
import { writeInstances } from "./seasonInstances.ts";

/** One line a figure: what it is, what was measured, what it should be, and the two as a ratio. */
function say(what: string, got: number, limit: number, unit: string, better: "below" | "above"): void {
  const good = better === "below" ? got <= limit : got >= limit;
  console.log(
    `${good ? "ok  " : "MISS"} ${what.padEnd(52)} ${got.toFixed(got < 10 ? 2 : 0).padStart(7)} ${unit.padEnd(3)} ${better} ${limit} (${(got / limit).toFixed(2)} of it)`,
  );
}

if (process.argv.includes("--write-instances")) writeInstances();
const house = await startHouse();
const browser = await launch();
const loads = await benchFirstLoads(browser, house);
say("first load, gzipped script: challenge sheet", loads.sheet, 180, "kB", "below");
say("first load, gzipped script: logbook", loads.logbook, 240, "kB", "below");
say("first load, gzipped script: desk", loads.desk, 450, "kB", "below");
const dial = await benchDial(browser, house);
say("manifest, 20 lines, 4,000 draws, in the worker", dial.workerMs, 50, "ms", "below");
say("dial to painted manifest, median of 20", dial.paintedMs, 100, "ms", "below");
say("dial to painted manifest, worst of 20", dial.worstPaintedMs, 100, "ms", "below");
for (const [starter, frames] of await benchDrag(browser, house)) say(`drag of a dial: ${starter}`, frames, 50, "fps", "above");
await house.stop();
for (const { what, ms, frames } of await benchLarge(browser)) {
  say(`opens: ${what}`, ms, 1000, "ms", "below");
  say(`scrolls: ${what}`, frames, 50, "fps", "above");
}
for (const { show, inSight, frames, longestMs } of await benchCalendarDrag(browser)) {
  say(`a session dragged among 300, ${inSight} in sight by the ${show}`, frames, 50, "fps", "above");
  console.log(`     its longest frame: ${longestMs.toFixed(0)} ms`);
}
const buying = await benchBuying(browser);
say("buying of 60 runs, first answer, median of five", buying.firstMs, 2000, "ms", "below");
say("buying of 60 runs, longest freeze, median of five", buying.frozenMs, 100, "ms", "below");
await browser.close();
const { worst, judgeMs } = benchPredictions();
for (const [family, ms] of worst) say(`slowest prediction, drawing or bound: ${family}`, ms, 10, "ms", "below");
say("what a test can tell, in the worker", judgeMs, 100, "ms", "below");
const kit = await benchKit();
say("manifest, 40 lines, 10,000 draws", kit.manifestMs, 150, "ms", "below");
say("season's buying, good plan, slowest of five", kit.goodMs, 1000, "ms", "below");
console.log(`     its greatest gap to what nothing can beat: ${kit.goodGap.toFixed(1)} %`);
say("season's buying, proven optimum, median of five", kit.provenMs / 1000, 10, "s", "below");
console.log(`     the slowest of the five: ${(kit.slowestMs / 1000).toFixed(1)} s`);
say("cut plan, 60 pieces of 6 sizes", kit.cutMs, 500, "ms", "below");
if (kit.cut.feasible) console.log(`     ${kit.cut.parents} sheets, at least ${kit.cut.bound}, a gap of ${kit.cut.gapPercent.toFixed(0)} %`);
const { gap, sheets, slowestMs } = kit.mixed;
console.log(
  `     60 mixed jobs: ${sheets} sheets, a mean gap to the best bound of ${gap.toFixed(1)} %, the slowest in ${slowestMs.toFixed(0)} ms`,
);
const floor = benchFloor();
say("drop-in days of 150 builders simulated a second", floor.daysPerS, 3000, "", "above");
say("adviser, 4 × 6 × 4 rooms of which none will do", floor.adviseS, 3, "s", "below");
const placing = await benchPlacing();
say("40 sessions placed in 6 rooms with 10 people, proven", placing.provenS, 10, "s", "below");
console.log(`     ${placing.proven ? "proven" : "NOT proven"}, ${placing.wishes} of 80 wishes met`);
const posts = await benchEntryPosts();
console.log(
  `     entry posts a second: full stack ${posts.full.toFixed(0)}, bare route ${posts.bare.toFixed(0)}, both synchronous=FULL, by turns`,
);
say("entry posts, full stack ÷ bare route", posts.ratio, 0.6, "", "above");
