// Which mutants there are in the parts that are tried, and a seeded sample of them.
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { createInstrumenter } from "@stryker-mutator/instrumenter";
import { createInjector } from "typed-inject";
import { root } from "../ensure.mjs";

/** Words are read by people, and states are checked by their types: changed strings tell nothing about the tests. */
export const leftOut = ["StringLiteral"];

const silent = () => {};
const off = () => false;
const logger = {
  trace: silent,
  debug: silent,
  info: silent,
  warn: console.warn,
  error: console.error,
  fatal: console.error,
  isTraceEnabled: off,
  isDebugEnabled: off,
  isInfoEnabled: off,
  isWarnEnabled: off,
  isErrorEnabled: off,
  isFatalEnabled: off,
};

/** Every mutant in files under these folders, in order of file and place. Lines begin at 1, columns at 0. */
export async function allMutants(folders) {
  const listed = spawnSync("git", ["ls-files", ...folders], { cwd: root, encoding: "utf8" }).stdout.split("\n");
  const files = listed
    .filter((name) => name.endsWith(".ts"))
    .map((name) => ({ name, content: readFileSync(join(root, name), "utf8"), mutate: true }));
  const instrumenter = createInjector().provideValue("logger", logger).injectFunction(createInstrumenter);
  const { mutants } = await instrumenter.instrument(files, { plugins: null, excludedMutations: leftOut, ignorers: [], noHeader: false });
  return mutants.filter(({ mutatorName }) => !leftOut.includes(mutatorName)).map((mutant) => plainly(mutant, mutant.fileName));
}

// Stryker's own counts lines from 0, its ranges and reports from 1.
const fromOne = ({ line, column }) => ({ line: line + 1, column });

/** A mutant of Stryker's as it stands in the sample, under its file's name in the project. */
export const plainly = ({ location, mutatorName, replacement }, file) => ({
  file,
  start: fromOne(location.start),
  end: fromOne(location.end),
  mutator: mutatorName,
  replacement,
});

/** `count` of them, the same for the same seed. */
export function sampled(mutants, count, seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  const rest = [...mutants];
  const chosen = [];
  while (chosen.length < count && rest.length > 0) chosen.push(...rest.splice(Math.floor(next() * rest.length), 1));
  return chosen;
}

/** One name for a mutant, whoever lists it. */
export const nameOf = ({ file, start, end, mutator, replacement }) =>
  [file, start.line, start.column, end.line, end.column, mutator, replacement].join("|");
