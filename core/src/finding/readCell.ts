import type { Measure } from "../family/shape.ts";
import { said } from "../language/language.ts";
import { cleanTyped } from "../quantity/clean.ts";
import { atLeastPart } from "../quantity/plainly.ts";
import { refusalWords } from "../quantity/reasons.ts";
import { readTrial } from "./readTrial.ts";

/** What a cell of a table says of one trial, as an entry holds it. */
export interface CellTrial {
  readonly outcome: "number" | "atLeast" | "failed" | "passed" | "rung";
  readonly raw: string | null;
  readonly rung: number | null;
}

/** A cell read: its trial, null where it is empty; else how to mend it. */
export type Cell = { readonly ok: true; readonly trial: CellTrial | null } | { readonly ok: false; readonly trouble: string };

const failedSigns = ["x", "-", "fail", "failed", "no", "n"];
const passedSigns = ["yes", "y", "sí", "si", "ok", "pass", "passed"];

const trial = (outcome: CellTrial["outcome"], raw: string | null = null, rung: number | null = null): Cell => ({
  ok: true,
  trial: { outcome, raw, rung },
});

/** One cell as people fill in a table: a number, "> 2 kg" or "400+" where it still held, a rung by its name or its place, yes or no, x where it failed. */
export function readCell(text: string, measure: Measure): Cell {
  const typed = cleanTyped(text);
  if (typed === "") return { ok: true, trial: null };
  const { rungs, passes, steps, numberless } = measure;
  if (rungs) return readRung(typed, rungs.steps);
  const named = (words: string | undefined, signs: readonly string[]): boolean =>
    signs.includes(typed) || (words !== undefined && typed === words.toLowerCase());
  if (named(passes?.not, failedSigns) || typed === said("failed")) return trial("failed");
  if (passes && named(passes.passed, passedSigns)) return trial("passed");
  if (passes && numberless) return { ok: false, trouble: said("Write yes or no.") };
  const least = steps ? atLeastPart(text) : null;
  const raw = least ?? text.trim();
  const read = readTrial(raw, measure);
  if (read.ok) return trial(least === null ? "number" : "atLeast", raw);
  return { ok: false, trouble: refusalWords(read.reason, raw, { dimension: measure.dimension, defaultUnit: measure.unit }) };
}

function readRung(typed: string, steps: readonly string[]): Cell {
  const named = steps.findIndex((step) => step.toLowerCase() === typed);
  const placed = /^\d+$/.test(typed) ? Number(typed) - 1 : -1;
  const rung = named >= 0 ? named : placed;
  if (rung >= 0 && rung < steps.length) return trial("rung", null, rung);
  if (failedSigns.includes(typed)) return trial("failed");
  return { ok: false, trouble: `${said("Write one of these, or its place:")} ${steps.map((step, i) => `${i + 1} ${step}`).join(", ")}.` };
}
