import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { computes, hold } from "../reference/hold.ts";
import type { Case } from "../reference/judge.ts";

const folder = new URL("../reference/cases/", import.meta.url);

const built = readdirSync(folder).flatMap((file) => {
  const { cases } = JSON.parse(readFileSync(new URL(file, folder), "utf8")) as { cases: readonly Case[] };
  return cases.filter((of) => computes(of) !== undefined).map((of) => ({ file, of }));
});

describe("numbers from independent programs", () => {
  for (const file of ["physics.json", "kit.json", "finding.json", "outcome.json", "calendar.json"]) {
    const cases = built.filter((one) => one.file === file).map(({ of }) => [of.id, of] as const);
    it.each(cases)(`${file} %s`, (_, of) => {
      const held = hold(of);
      if (!held.built) throw new Error("only built ones are listed");
      expect(held.judgement.wrong, `expected ${JSON.stringify(of.expected)}, got ${JSON.stringify(held.got)}`).toEqual([]);
    });
  }

  it("cover what the core is asked for", () => {
    const asked = [
      "heads",
      "units",
      "lineDemand",
      "jointServiceLevel",
      "rectangleCount",
      "quantity",
      "slips",
      "welch",
      "permutation",
      "comparison kind",
      "bounded comparison",
      "run model",
    ];
    expect(asked.filter((quantity) => !built.some(({ of }) => of.quantity === quantity))).toEqual([]);
  });
});
