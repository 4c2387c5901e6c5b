import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type Filling,
  families,
  fillText,
  follows,
  linePlace,
  meantIn,
  numbersIn,
  plainSource,
  readText,
  roundIn,
  saidFor,
  startValues,
  statedPlace,
  textTrouble,
  unbound,
  valuesRoundIn,
  withPlace,
} from "../src/index.ts";
import { line } from "./samples.ts";

const filling = (patch: Partial<Filling> = {}): Filling => ({
  brief: {
    family: "tall",
    spec: { ...startValues(families.tall.spec), sticks: 30 },
    design: startValues(families.tall.design),
    trials: 1,
    buildMinutes: 20,
    teamSize: 2,
    youngestAge: 7,
    lines: [line("tape", { id: "line-2", amount: 1200 }), line("cup", { id: "line_3", amount: 1 })],
  },
  units: "metric",
  unitOf: (id) => (id === "tape" ? "mm" : "piece"),
  dates: { opens: null, closes: "2026-12-05", reveal: null },
  ...patch,
});

describe("a text with places", () => {
  it.each([
    ["{sticks, plural, one {# stick} other {# sticks}}", "30 sticks"],
    ["Test it {trials, plural, one {once} other {# times}}.", "Test it once."],
    ["{minutes, plural, one {# minute} other {# minutes}}, from {age} years", "20 minutes, from 7 years"],
    ["as high as {goalM}, for {standS}", "as high as 40\u00a0cm, for 10\u00a0s"],
    ["{stick} of {stickM}", "dry spaghetti of 25\u00a0cm"],
    ["{kit_line·2} of tape, {kit_line_3, plural, one {# cup} other {# cups}}", "1.2\u00a0m of tape, 1 cup"],
    ["by {closes, date}", "by Saturday 5 December 2026"],
    ["no more than {is_200_g}, {is_1·5_m} away, {is_2} of them", "no more than 200\u00a0g, 1.5\u00a0m away, 2 of them"],
    ["Stand {stretch}, not {goal}", "Stand 50\u00a0cm, not 40\u00a0cm"],
    ["the hare's <b> #1", "the hare's <b> #1"],
  ])("says %s", (text, said) => {
    expect(fillText(text, filling({ times: 1.25 }))).toBe(said);
  });

  it("is told in feet and pounds where the run is", () => {
    const imperial = filling({ units: "imperial" });
    expect(fillText("{goalM}, {is_200_g}, {kit_line·2}", imperial)).toBe("15.7\u00a0in, 7.05\u00a0oz, 47.2\u00a0in");
  });

  it.each([
    "{goalM, number}",
    "the {goalM, selectordinal, one {#st} other {#th}} metre",
    "{goalM, plural, one {# metre} other {# metres}}",
    "{closes, time}",
    "{sticks, plural, one {one} other {# of {goalM, number}}}",
  ])("never says NaN for words in a number's place, and stops them before publishing: %s", (text) => {
    expect(fillText(text, filling())).not.toMatch(/NaN|Invalid/);
    expect(textTrouble(text, filling())).toMatch(/^“(goalM|closes)” comes with its unit, .* Write \{(goalM|closes)\} alone\.$/);
  });

  it("fills a number's place with a number, and a day's with its words", () => {
    for (const text of ["{sticks, number}", "{sticks, plural, one {# stick} other {# sticks}}", "until {closes, date, long}"]) {
      expect(textTrouble(text, filling())).toBeNull();
      expect(fillText(text, filling())).not.toMatch(/NaN|Invalid|[{}]/);
    }
    expect(fillText("the {sticks, selectordinal, one {#st} other {#th}} stick", filling())).toBe("the 30th stick");
  });

  it("shows what it can't fill as it was written, and says what is wrong with it", () => {
    expect(fillText("over {gapp} now", filling())).toBe("over {gapp} now");
    expect(textTrouble("over {gapp} now", filling())).toBe("“{gapp}” is no number of this brief: take it out, or put in one that is.");
    expect(textTrouble("over {gap", filling())).toContain("The place that begins at “{gap”");
    expect(textTrouble("Stand {stretch}", filling())).toContain("“{stretch}”");
    expect(textTrouble("Stand {stretch}", filling({ times: 2 }))).toBeNull();
    // A day that isn't set is no mistake of the words.
    expect([textTrouble("from {opens}", filling()), fillText("from {opens}", filling())]).toEqual([null, "from {opens}"]);
  });

  it("reads back whatever was typed, braces and apostrophes too", () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom("a", " ", "'", "{", "}", "#", "<", "9", "\n", "é") }), (typed) => {
        const read = readText(plainSource(typed));
        if (!read.ok) throw new Error(read.words);
        expect(read.parts.map((part) => (part.kind === "words" ? part.words : "?")).join("")).toBe(typed);
      }),
    );
  });

  it("has words for its build alone", () => {
    const steps = saidFor(families.span.howTo, { form: "bricks" }, false).map(({ words }) => words);
    expect(steps.some((words) => words.includes("bricks in layers"))).toBe(true);
    expect(steps.join(" ")).not.toMatch(/pleat|sheet|triangle/);
    const cut = (atHome: boolean) =>
      saidFor(families.float.howTo, { from: "sheet" }, atHome).some(({ words }) => words.startsWith("Cut the sheet"));
    expect([cut(true), cut(false)]).toEqual([true, false]);
  });
});

describe("numbers in plain words", () => {
  it.each([
    ["thirty strands", [["thirty", 30, "count", "strand"]]],
    [
      "a 20 cm square, 1,5 kg and twenty-five minutes",
      [
        ["20 cm", 0.2, "length", "square"],
        ["1,5 kg", 1.5, "mass", "and"],
        ["twenty-five minutes", 1500, "time", ""],
      ],
    ],
    ["one at a time, never someone or a tent", []],
    ["2½ feet", [["2½ feet", 0.762, "length", ""]]],
  ] as const)("finds those in “%s”", (text, wanted) => {
    expect(numbersIn(text).map(({ written, value, dimension, noun }) => [written, Number(value.toPrecision(6)), dimension, noun])).toEqual(
      wanted,
    );
  });

  const brief = filling().brief;
  const nameOf = (id: string) => ({ cup: "Paper cup", tape: "Tape" })[id] ?? "";
  const meant = (text: string) => meantIn(text, brief, nameOf).map(({ field, same }) => [field, same]);

  it("mean a field by the word beside them, and nothing without one", () => {
    expect(meant("Take 30 sticks")).toEqual([["Sticks", true]]);
    expect(meant("Take fifty sticks and 12 joints")).toEqual([
      ["Sticks", false],
      ["Joints", true],
    ]);
    expect(meant("fifteen minutes of building")).toEqual([["Build time", false]]);
    expect(meant("15 minutes of silence; 3 layers; 30 birds; 2 paper cups")).toEqual([]);
    expect(meant("3 cups")).toEqual([["Paper cup, each takes", false]]);
    expect(meant("a height of 60 cm")).toEqual([["Height", false]]);
  });

  it("follow from then on, or are said to be none of the brief's", () => {
    const text = "In fifty sticks' time, don't use {joints} or fifty sticks.";
    const [first] = meantIn("Use fifty sticks, don't {joints}.", brief, nameOf);
    if (!first) throw new Error("nothing meant");
    expect(withPlace("Use fifty sticks, don't {joints}.", first, first.place)).toBe("Use {sticks} sticks, don't {joints}.");
    const stated = withPlace("Use fifty sticks, don't {joints}.", first, statedPlace(first.number));
    expect([stated, meantIn(stated, brief, nameOf)]).toEqual(["Use {is_50} sticks, don't {joints}.", []]);
    expect(fillText(stated, filling())).toBe("Use 50 sticks, don't 12.");
    expect(meantIn(text, brief, nameOf)).toHaveLength(2);
  });
});

describe("round numbers", () => {
  it.each([
    [0.3, "length", "imperial", 0.3048],
    [0.5, "mass", "imperial", 0.45359237],
    [0.4, "mass", "imperial", 0.396893],
    [0.1, "length", "imperial", 0.1016],
    [0.12, "length", "imperial", 0.12065],
    [0.11, "length", "imperial", 0.10795],
    [0.1016, "length", "metric", 0.1],
    [0.05, "length", "imperial", 0.0508],
    [2, "length", "imperial", 1.9812],
    [0.3048, "length", "metric", 0.3],
    [0.45359237, "mass", "metric", 0.45],
    [10, "time", "imperial", 10],
    [0.2937, "length", "imperial", 0.2937],
    [0.3048, "length", "imperial", 0.3048],
  ] as const)("%d of %s in %s units is %d", (si, dimension, units, wanted) => {
    expect(roundIn(si, dimension, units)).toBeCloseTo(wanted, 6);
  });

  it("move by less than a tenth, stay once they are round, and stay within their field", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), fc.constantFrom("length", "mass" as const), (thousandths, dimension) => {
        const si = thousandths / 1000;
        const round = roundIn(si, dimension, "imperial");
        expect(Math.abs(round / si - 1)).toBeLessThan(0.1);
        expect(roundIn(round, dimension, "imperial")).toBeCloseTo(round, 9);
      }),
    );
    const spec = startValues(families.span.spec);
    const moved = valuesRoundIn(spec, families.span.spec, "imperial");
    expect([moved["gapM"], moved["loadKg"], moved["holdS"], moved["until"]]).toEqual([0.5334, 0.90718474, 15, "set"]);
    expect(valuesRoundIn(moved, families.span.spec, "imperial")).toBe(moved);
    expect(linePlace("a-b")).toBe("kit_a·b");
    expect(follows("x")).toMatchObject({ times: 1, plus: 0, loose: false });
    expect(unbound.amount).toBeNull();
  });
});
