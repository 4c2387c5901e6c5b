import { readFileSync } from "node:fs";
import { hold } from "./hold.ts";
import type { Case } from "./judge.ts";

/** Holds each file named on the command line against the core; exit 1 when a case is out of tolerance. */
function main(files: readonly string[]): number {
  if (files.length === 0) {
    console.error("Name one or more reference files: npm run reference -- FILE…");
    return 2;
  }
  let [good, bad, unbuilt] = [0, 0, 0];
  for (const file of files) {
    for (const of of casesOf(file)) {
      const held = hold(of);
      if (!held.built) {
        unbuilt += 1;
        console.log(`not built  ${of.id}  ${of.family ? `${of.family} ` : ""}${of.quantity}`);
        continue;
      }
      const { ok, deviation, wrong } = held.judgement;
      if (ok) good += 1;
      else bad += 1;
      const note = ok ? "" : `  out of tolerance at ${wrong.map((path) => path || "the value").join(", ")}`;
      console.log(
        `${ok ? "ok        " : "OUT       "} ${of.id}  expected ${JSON.stringify(of.expected)}  got ${JSON.stringify(held.got)}  deviation ${deviation.toExponential(1)}${note}`,
      );
    }
  }
  console.log(`${good} within tolerance, ${bad} out of tolerance, ${unbuilt} of quantities not built yet`);
  return bad > 0 ? 1 : 0;
}

function casesOf(file: string): readonly Case[] {
  const read = JSON.parse(readFileSync(file, "utf8")) as { cases?: readonly Case[] };
  if (!Array.isArray(read.cases)) throw new Error(`${file} has no list of cases`);
  return read.cases;
}

process.exitCode = main(process.argv.slice(2));
