import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { LineJoiner, readBenchLine } from "../src/index.ts";

describe("a line of the bench", () => {
  it("is a weight, a time or a greeting, in SI", () => {
    expect(readBenchLine("weight 412.6 g steady")).toEqual({ says: "weight", kg: 0.4126, steady: true });
    expect(readBenchLine("weight -0.5 oz moving\r")).toEqual({ says: "weight", kg: -0.5 * 0.028349523125, steady: false });
    expect(readBenchLine("weight 2 lb steady")).toEqual({ says: "weight", kg: 0.90718474, steady: true });
    expect(readBenchLine("time 1.234 s")).toEqual({ says: "time", s: 1.234 });
    expect(readBenchLine("time 250 ms")).toEqual({ says: "time", s: 0.25 });
    expect(readBenchLine("hello scale simulated")).toEqual({ says: "hello", device: "scale", simulated: true });
    expect(readBenchLine("hello gate")).toEqual({ says: "hello", device: "gate", simulated: false });
  });

  it("is nothing where it isn't one of ours", () => {
    for (const line of ["", "weight", "weight 4,2 g steady", "weight 1e9 g steady", "weight 4 g", "time -1 s", "time 1.2", "hello kettle"])
      expect(readBenchLine(line)).toBeNull();
    expect(readBenchLine(`time 1.2${" ".repeat(200)} s`)).toBeNull();
    fc.assert(fc.property(fc.string(), (line) => void readBenchLine(line)));
  });

  it("is put together whatever the pieces it comes in; one without an end is dropped", () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom("time 1.2 s", "weight 3 g steady", "x")), fc.integer({ min: 1, max: 7 }), (lines, size) => {
        const joiner = new LineJoiner();
        const text = lines.map((line) => `${line}\r\n`).join("");
        const pieces = Array.from({ length: Math.ceil(text.length / size) }, (_, i) => text.slice(i * size, (i + 1) * size));
        expect(pieces.flatMap((piece) => joiner.push(piece))).toEqual(lines);
      }),
    );
    const joiner = new LineJoiner();
    expect(joiner.push("x".repeat(500))).toEqual([]);
    expect(joiner.push("time 1 s\n")).toEqual(["time 1 s"]);
  });
});
