import { describe, expect, it } from "vitest";
import { type FindingEntry, families, type Guessed, guessesSeen, guessWords, startValues } from "../src/index.ts";

const [measure] = families.descent.measures(startValues(families.descent.spec));
const version = (number: number, value: number, guess?: Partial<Guessed>): FindingEntry["versions"][0] => ({
  number,
  role: "build",
  variables: {},
  place: null,
  instrument: "hand stopwatch",
  trials: [{ kind: "number", value }],
  ...(guess ? { guess: { value: null, compared: null, made: "before", ...guess } } : {}),
});
const entry = (id: string, ...versions: FindingEntry["versions"]): FindingEntry => ({ id, alias: id, versions });

describe("guesses against what came out", () => {
  it("count only where they were made in time, and know more and less", () => {
    const seen = guessesSeen(measure, [
      entry("a", version(1, 1, { value: 2 }), version(2, 2, { compared: "more" }), version(3, 1.5, { compared: "more" })),
      entry("b", version(1, 1, { value: 1.1 }), version(2, 2, { value: 2, made: "after" })),
      entry("c", version(1, 1), version(2, 1, { compared: "less" })),
    ]);
    expect(seen).toEqual({ near: 1, high: 1, low: 0, ratios: [2, 1.1], first: [2, 1.1], later: [], right: 1, told: 2 });
    expect(guessWords(seen)).toEqual([
      "2 versions had a guess made before their first result: 1 came within a fifth of what came out, 1 guessed too much and none too little. The middle guess was 1.6 times what came out.",
      "Of 2 who guessed only “more” or “less than the last one”, 1 was right.",
    ]);
    expect(guessWords(guessesSeen(measure, []))).toEqual([]);
  });

  it("are held against both ends of what is known only between two numbers", () => {
    const held = (id: string, guess: number): FindingEntry => {
      const one = version(1, 0, { value: guess });
      return entry(
        id,
        { ...one, trials: [{ kind: "between", held: 2, failed: 3 }] },
        { ...one, number: 2, trials: [{ kind: "atLeast", value: 2 }] },
      );
    };
    const seen = guessesSeen(measure, [held("within", 2.5), held("over", 9), held("under", 1)]);
    // Nothing is too much for what never gave way.
    expect(seen).toMatchObject({ near: 3, high: 1, low: 2, ratios: [] });
    expect(guessWords(seen)).toEqual([
      "6 versions had a guess made before their first result: 3 came within a fifth of what came out, 1 guessed too much and 2 too little.",
    ]);
  });

  it("say how much nearer later guesses came", () => {
    const pairs = [4, 2, 3].map((off, i) => entry(String(i), version(1, 1, { value: off }), version(2, 2, { value: 2.4 })));
    expect(guessWords(guessesSeen(measure, pairs)).at(-1)).toBe(
      "First guesses were off by a factor of 3.0 in the middle, later ones by 1.2.",
    );
  });
});
