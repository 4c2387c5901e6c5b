import { said, saying } from "../../language/language.ts";
import { showNumber, type UnitChoice } from "../../quantity/show.ts";
import { amountWords, type StockUnit } from "./amountWords.ts";

/** What may stand in for a material, and how much of it for one of its own unit. */
export interface StandIn {
  readonly words: string;
  /** Two paper bowls for one cup: 2. */
  readonly ratio: number;
  readonly unit: StockUnit;
}

/** So much of a material as its stand-in: "12 × paper bowl", "90 cm of yarn". Whole pieces, rounded up; "a foil ball" loses its article. */
export function standInFor(amount: number, { words, ratio, unit }: StandIn, choice: UnitChoice): string {
  if (unit !== "piece") return saying`${amountWords(amount * ratio, unit, choice)} of ${said(words)}`;
  return `${showNumber(Math.ceil(amount * ratio - 1e-9), 0)}\u00a0×\u00a0${said(words).replace(/^an? /i, "")}`;
}

/** Reads "2 × paper bowl": how many stand in for one, and what; 1 where no number and × stand before it. */
export function readStandIn(text: string): Pick<StandIn, "words" | "ratio"> {
  const [, number = "", words = ""] = /^(\d+(?:[.,]\d+)?)\s*[×x]\s+(\S.*)$/.exec(text.trim()) ?? [];
  const ratio = Number(number.replace(",", "."));
  return words !== "" && ratio >= 0.01 && ratio <= 1000 ? { words, ratio } : { words: text.trim(), ratio: 1 };
}
