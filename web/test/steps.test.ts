import { expect, it } from "vitest";
import { steps } from "../desk/run/steps.ts";
import type { BriefWork } from "../desk/work/RunContext.ts";
import type { Crate } from "../desk/work/useCrate.ts";

const crate = (patch: Partial<Crate>): Crate => ({ manifest: null, slow: false, trouble: null, again: () => undefined, ...patch });
const manifest = (short: number) => ({ short }) as unknown as NonNullable<Crate["manifest"]>;
const work = { brief: { lines: [{}] } } as unknown as BriefWork;

it("says of a crate that all is on hand only once it is sized and is", () => {
  const state = steps[2].state;
  const words = (patch: Partial<Crate>): string => state(work, crate(patch)).words;
  expect([words({}), words({ trouble: "no room" }), words({ manifest: manifest(0) }), words({ manifest: manifest(2) })]).toEqual([
    "being sized",
    "can't be sized",
    "all on hand",
    "2 lines short",
  ]);
});
