import { launch } from "../browser.ts";
import { startHouse } from "../harness.ts";
import { benchDial, benchDrag, benchFirstLoads } from "./desk.ts";
import { benchEntryPosts } from "./entryPosts.ts";
import { benchPredictions } from "./predictions.ts";

/** One line a figure: what it is, what was measured, what it should be, and the two as a ratio. */
function say(what: string, got: number, limit: number, unit: string, better: "below" | "above"): void {
  const good = better === "below" ? got <= limit : got >= limit;
  const share = better === "below" ? got / limit : got / limit;
  console.log(
    `${good ? "ok  " : "MISS"} ${what.padEnd(52)} ${got.toFixed(got < 10 ? 2 : 0).padStart(7)} ${unit.padEnd(3)} ${better} ${limit} (${share.toFixed(2)} of it)`,
  );
}

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
await browser.close();
await house.stop();
const { worst, judgeMs } = benchPredictions();
for (const [family, ms] of worst) say(`slowest prediction, drawing or bound: ${family}`, ms, 10, "ms", "below");
say("what a test can tell, in the worker", judgeMs, 100, "ms", "below");
const posts = await benchEntryPosts();
console.log(
  `     entry posts a second: full stack ${posts.full.toFixed(0)}, bare route ${posts.bare.toFixed(0)}, both synchronous=FULL, by turns`,
);
say("entry posts, full stack ÷ bare route", posts.ratio, 0.6, "", "above");
