import { afterEach, describe, expect, it } from "vitest";
import {
  dateWords,
  english,
  families,
  familyInWords,
  fillText,
  inLanguage,
  inWords,
  type Language,
  said,
  saying,
  several,
  showAsTyped,
  showNumber,
  showQuantity,
  speak,
  speakAsAsked,
  spokenNow,
  unknownTo,
} from "../src/index.ts";

const german: Language = {
  id: "de",
  decimal: ",",
  said: {
    "Glide {0} or farther": "{0} weit gleiten oder weiter",
    "{0} of {1}": "von {1}: {0}",
    "Part {#}, length": "Teil {#}, Länge",
    washer: "Scheibe",
    "Mark {heightM}": "{heightM} anzeichnen",
    "Is it too heavy, or too small?": "Zu schwer, oder zu klein?",
    "Time to the floor": "Zeit bis zum Boden",
  },
  plural: (name) => `${name}n`,
  reading: {},
};

afterEach(() => {
  speak(english);
  speakAsAsked(() => undefined);
});

describe("what is said", () => {
  it("is found by its English, in English where there is none", () => {
    expect(inLanguage(german, () => [said("washer"), said("cork"), several("washer")])).toEqual(["Scheibe", "cork", "Scheiben"]);
    expect([said("washer"), several("washer"), several("box")]).toEqual(["washer", "washers", "boxes"]);
  });

  it("takes what is put in, in the order that its language has", () => {
    expect(saying`${2} of ${"3 m"}`).toBe("2 of 3 m");
    expect(inLanguage(german, () => saying`${2} of ${"3 m"}`)).toBe("von 3 m: 2");
  });

  it("keeps whole numbers of a counted text, but those in places", () => {
    expect(inLanguage(german, () => said("Part 12, length"))).toBe("Teil 12, Länge");
    expect(inLanguage(german, () => said("M8 washer"))).toBe("M8 washer");
  });

  it("is said by a brief's own words first", () => {
    expect(inLanguage(german, () => said("washer"), { washer: "Beilagscheibe" })).toBe("Beilagscheibe");
    expect(inLanguage(german, () => inLanguage(german, () => said("washer")), { washer: "Beilagscheibe" })).toBe("Scheibe");
  });

  it("is filled with a brief's numbers after it was said", () => {
    const { spec, design } = families.descent;
    const brief = { family: "descent", spec: { heightM: 1.8 }, design: {}, trials: 3, buildMinutes: 10, teamSize: 1 } as const;
    const filling = { brief: { ...brief, youngestAge: 6, lines: [] }, units: "metric", unitOf: () => null } as const;
    const dates = { opens: null, closes: null, reveal: null };
    expect(spec.length + design.length).toBeGreaterThan(0);
    expect(inLanguage(german, () => fillText("Mark {heightM}", { ...filling, dates }))).toBe("1,8\u00a0m anzeichnen");
    expect(fillText("Mark {heightM}", { ...filling, dates })).toBe("Mark 1.8\u00a0m");
  });

  it("has its own decimal mark, and its own days", () => {
    inLanguage(german, () => {
      expect(showNumber(-12.5, 1)).toBe("−12,5");
      expect(showQuantity(1.5, "length")).toBe("1,5\u00a0m");
      expect(showQuantity(2, "length")).toBe("2\u00a0m");
      expect(dateWords("2027-01-03")).toBe("Sonntag, 3. Januar 2027");
    });
    expect(dateWords("2027-01-03")).toBe("Sunday 3 January 2027");
  });

  it("is offered as a number that reads back as it is, never as one that could be a thousand", () => {
    expect(inLanguage(german, () => showAsTyped(1.234, "m"))).toBe("1,2340\u00a0m");
    expect(inLanguage(german, () => showAsTyped(12.35, "m"))).toBe("12,35\u00a0m");
  });
});

describe("the language that is spoken", () => {
  it("is that of the work at hand, else of whoever asked, else the page's", () => {
    const other = { ...german, id: "fr" };
    speak(german);
    expect(spokenNow().id).toBe("de");
    speakAsAsked(() => other);
    expect(spokenNow().id).toBe("fr");
    expect(inLanguage(english, () => spokenNow().id)).toBe("en");
    expect(spokenNow().id).toBe("fr");
  });

  it("is spoken for as long as the work takes, and no longer where it fails", () => {
    expect(() =>
      inLanguage(german, () => {
        throw new Error("no");
      }),
    ).toThrow("no");
    expect(spokenNow().id).toBe("en");
    expect(() => inLanguage(german, async () => 1)).toThrow("at once");
    expect(spokenNow().id).toBe("en");
  });
});

describe("a family in another language", () => {
  const { descent } = families;
  const spoken = inLanguage(german, () => familyInWords(descent));

  it("is the same family: its ids, its numbers, what it reckons", () => {
    const design = { kind: "square", sizeM: 0.4 };
    expect(spoken.variables.map(({ id }) => id)).toEqual(descent.variables.map(({ id }) => id));
    expect(spoken.bounds("time", {}, design, 0.12)).toEqual(descent.bounds("time", {}, design, 0.12));
    expect(inLanguage(german, () => spoken.predict({}, design)).map(({ band }) => band)).toEqual(
      descent.predict({}, design).map(({ band }) => band),
    );
    expect(inLanguage(german, () => familyInWords(descent))).toBe(spoken);
    expect(familyInWords(descent)).toBe(descent);
  });

  it("says what it says in it", () => {
    expect(spoken.symptoms[0]?.question).toBe("Zu schwer, oder zu klein?");
    expect(inLanguage(german, () => spoken.measures({})[0].words)).toBe("Zeit bis zum Boden");
    expect(inLanguage(german, () => families.glide.goalWords({ goalM: 7 }, (si) => `${si} m`))).toBe("7 m weit gleiten oder weiter");
  });

  it("knows a thing by its old names too", () => {
    const token = inLanguage(german, () => inWords({ names: ["washer", "m8 washer"], id: "washer" }));
    expect(token).toEqual({ names: ["Scheibe", "washer", "m8 washer"], id: "washer" });
  });
});

it("a language's unknown texts are those without words of it; mere places are no text", () => {
  expect(unknownTo(german, ["washer", "Part 3, length", "cork", "{stretch}", "7"])).toEqual(["cork"]);
});
