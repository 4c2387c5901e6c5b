// npm run mutants: changes the code in small ways, one at a time, and counts how many the tests notice.
//   npm run mutants -- [--count 420] [--seed 9] [--in core/src/finding]
import { mkdirSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { parseArgs } from "node:util";
import { Stryker } from "@stryker-mutator/core";
import { root } from "../ensure.mjs";
import { allMutants, leftOut, sampled } from "./sample.mjs";

const parts = ["core/src/kit", "core/src/finding", "core/src/calendar", "server/src/services"];
const { values } = parseArgs({
  options: {
    count: { type: "string", default: "420" },
    seed: { type: "string", default: "9" },
    in: { type: "string", multiple: true, default: parts },
    workers: { type: "string", default: "2" },
  },
});

const folder = join(root, "test-results", "mutants");
mkdirSync(folder, { recursive: true });
const all = await allMutants(values.in);
const chosen = sampled(all, Number(values.count), Number(values.seed));
const list = join(folder, "chosen.json");
writeFileSync(list, JSON.stringify(chosen, null, 1));
process.env.LAMPCRATE_MUTANTS = list;
console.log(`${all.length} mutants in ${values.in.join(", ")}; a sample of ${chosen.length}, seed ${values.seed}`);

const results = await new Stryker({
  mutate: chosen.map(({ file, start, end }) => `${file}:${start.line}:${start.column}-${end.line}:${end.column}`),
  mutator: { excludedMutations: leftOut },
  testRunner: "vitest",
  vitest: { configFile: "vitest.mutants.config.ts", related: false },
  checkers: ["only-chosen"],
  plugins: ["@stryker-mutator/vitest-runner", join(root, "scripts/mutants/onlyChosen.mjs")],
  coverageAnalysis: "perTest",
  ignoreStatic: true,
  concurrency: Number(values.workers),
  timeoutMS: 20_000,
  timeoutFactor: 2,
  tempDirName: "test-results/mutants/sandbox",
  ignorePatterns: ["web", "e2e", "deploy", "demo/dist", "server/dist", "test-results"],
  disableTypeChecks: true,
  reporters: ["progress-append-only", "json"],
  jsonReporter: { fileName: join(folder, "report.json") },
  logLevel: "warn",
}).runMutationTest();

const counted = results.filter(({ status }) => !["CompileError", "Ignored"].includes(status));
const isNoticed = ({ status }) => status === "Killed" || status === "Timeout";
const noticed = counted.filter(isNoticed);
const left = counted.filter((mutant) => !isNoticed(mutant));
const lines = left.map(
  ({ fileName, location, mutatorName, replacement, status }) =>
    `${relative(root, fileName)}:${location.start.line}:${location.start.column} ${status.toLowerCase()}: ${mutatorName} ${String(replacement).replace(/\s+/g, " ").slice(0, 90)}`,
);
writeFileSync(join(folder, "survivors.txt"), `${lines.sort().join("\n")}\n`);
console.log(lines.join("\n"));
console.log(
  `\n${noticed.length} of ${counted.length} noticed: ${((100 * noticed.length) / counted.length).toFixed(1)} % (${results.filter(({ status }) => status === "Ignored").length} only at loading, left out)`,
);
