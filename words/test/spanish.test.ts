import { atLeastPart, comparedGuess, families, parseQuantity, readTrial } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { allLanguages, consentWords } from "../src/all.ts";
import { consentNow, consentVersionOf, isLanguage, languageIds, languageName, wordsNow } from "../src/index.ts";

const length = { dimension: "length", defaultUnit: "m" } as const;
const [time] = families.descent.measures({});
const [count] = families.float.measures({});
const load = families.span.measures({})[0];

const si = (raw: string, measure = time): number | string => {
  const read = readTrial(raw, measure);
  return read.ok ? read.si : read.reason;
};

describe("what people write in Spanish is read", () => {
  it.each([
    ["1,5 metros", 1.5],
    ["80 centímetros", 0.8],
    ["12metros", 12],
    ["2 m 30 centimetros", 2.3],
    ["6 pulgadas", 0.1524],
  ])("%s is %f m", (text, value) => {
    const read = parseQuantity(text, length);
    expect(read.ok && read.si).toBeCloseTo(value, 10);
  });

  it.each([
    ["1,62 segundos", 1.62],
    ["unos 2 seg", 2],
    ["más o menos 1,5 s", 1.5],
    ["casi tres segundos", 3],
    ["1 minuto 5 segundos", 65],
    ["veinte", 20],
  ])("%s is %f s", (text, value) => expect(si(text)).toBeCloseTo(value, 10));

  it("counts and weighs by their names", () => {
    expect(si("23 arandelas", count)).toBe(23);
    expect(si("900 gramos", load)).toBeCloseTo(0.9, 10);
    expect(si("1,5 kilos", load)).toBeCloseTo(1.5, 10);
    expect(si("8 bolsas", load)).toBeCloseTo(0.8, 10);
  });

  it("at the least, more or less than the last one", () => {
    expect(atLeastPart("más de 2 kg")).toBe("2 kg");
    expect(atLeastPart("al menos 12")).toBe("12");
    expect([comparedGuess("más que la última"), comparedGuess("menos")]).toEqual(["more", "less"]);
  });

  it("what is no number stays none, and English is read as before", () => {
    expect(si("un poco")).toBe("not a number");
    expect(si("perros")).toBe(si("dogs"));
    expect(si("1 min 5 s")).toBe(65);
    expect(si("1,234 s")).toBe("ambiguous");
  });
});

it("every language is known by its id and its name, agrees under its own versions, and says all of the pages", () => {
  expect(languageIds).toEqual(["en", "es"]);
  expect([isLanguage("es"), isLanguage("toString"), languageName("es")]).toEqual([true, false, "Español"]);
  expect(Object.keys(consentWords)).toEqual(["en-1", "es-1"]);
  expect(consentNow().version).toBe("en-1");
  for (const id of languageIds) expect(consentVersionOf(id)).toBe(Object.keys(allLanguages[id].consents).at(-1));
  expect(wordsNow().log.title).toBe("Logbook");
  expect(allLanguages.es.pages.sheet.test(3)).toBe("Pruébala 3 veces, siempre de la misma manera.");
});
