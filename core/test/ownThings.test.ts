import { describe, expect, it } from "vitest";
import {
  asFamily,
  checkVersion,
  families,
  familyAs,
  type NamedToken,
  type Outcomes,
  readTrial,
  startValues,
  weighedEach,
} from "../src/index.ts";

const { span, float } = families;
const specOf = (family: typeof span) => startValues(family.spec);
const asked = (patch: Partial<Outcomes>): Outcomes => ({ ...asFamily, ...patch });

describe("loads counted in things of one's own", () => {
  const coin: NamedToken = { name: "coin", massKg: 0.0023, weighed: { count: 10, togetherKg: 0.023, stepKg: 0.001 } };
  const book: NamedToken = { name: "storybook", massKg: null, weighed: null };
  const tokens = asked({ tokens: [coin, book] });

  it("are read as mass where one was weighed, with what the scale leaves open", () => {
    const [measure] = familyAs(span, tokens).measures(specOf(span));
    expect(readTrial("60 coins", measure)).toMatchObject({ ok: true, si: 0.138 });
    expect(readTrial("2 bags", measure)).toMatchObject({ ok: true, si: 0.2 });
    expect(readTrial("3 storybooks", measure)).toEqual({ ok: false, reason: "token mass unknown" });
    expect(readTrial("60 coins", span.measures(specOf(span))[0])).toMatchObject({ ok: false });
    expect(weighedEach({ count: 10, togetherKg: 0.023, stepKg: 0.001 })).toEqual({ massKg: 0.0023, offKg: 0.0001 });
  });

  it("may be called tokens where only one kind is known", () => {
    const [plainSpan] = span.measures(specOf(span));
    expect(readTrial("3 tokens", plainSpan)).toMatchObject({ ok: true });
    expect(readTrial("60 tokens", float.measures(specOf(float))[0])).toMatchObject({ ok: true, si: 60 });
    expect(readTrial("3 tokens", familyAs(span, tokens).measures(specOf(span))[0])).toEqual({ ok: false, reason: "unknown word" });
  });

  it("are as many washers as weigh as much, where washers are counted", () => {
    const spec = { ...specOf(float), token: "washer-m6" };
    const [measure] = familyAs(float, tokens).measures(spec);
    const read = readTrial("10 coins", measure);
    expect(read.ok && read.si).toBeCloseTo(23, 9);
    expect(readTrial("10", measure)).toMatchObject({ ok: true, si: 10 });
  });
});

describe("a bare small number where grams are asked", () => {
  const offers = (raw: string) =>
    checkVersion(span, specOf(span), startValues(span.design), {
      role: "build",
      variables: {},
      place: null,
      trials: [{ raw, instrument: "kitchen scale" }],
    })[0]?.verdict;

  it("is asked about where it would be an ordinary result in the larger unit", () => {
    expect(offers("0,4")).toEqual({ flag: null, offers: [{ value: 0.4, reasons: ["unit kg"] }] });
    for (const raw of ["0,4 g", "400", "0.4 kg", "0", "12"]) expect(offers(raw)).toEqual({ flag: null, offers: [] });
  });
});
