import type { HeadsModel } from "@lampcrate/core";
import type Joi from "joi";
import { describe, expect, it } from "vitest";
import { newRun, runSave, sessionInput, signInInput } from "../src/schemas/index.ts";

const options = { abortEarly: false, convert: false } as const;
const fields = (schema: Joi.Schema, value: unknown): string[] =>
  schema.validate(value, options).error?.details.map((d) => d.path.join(".")) ?? [];
const session = (patch: object) => ({
  title: "",
  roomId: "marsh-room",
  start: "2026-12-05T10:00",
  minutes: 60,
  setUpMin: 0,
  tearDownMin: 0,
  heads: { model: "forecast", low: 1, likely: 2, high: 3 },
  ...patch,
});

describe("heads at the door", () => {
  const good: readonly HeadsModel[] = [
    { model: "signedUp", signedUp: 24, showRate: 0.8, walkIns: 3 },
    { model: "forecast", low: 5, likely: 5, high: 5, cap: 40 },
    { model: "learned", low: 5, likely: 8, high: 12, past: [6, 0, 9] },
    { model: "atHome", asked: 0, takeUp: 1, more: 12.5 },
  ];
  it.each(good)("takes %j", (heads) => expect(fields(sessionInput, session({ heads }))).toEqual([]));

  it.each([
    [{ model: "signedUp", signedUp: 2.5, showRate: 0.8, walkIns: 3 }, "heads.signedUp"],
    [{ model: "signedUp", signedUp: 2, showRate: 1.2, walkIns: 3 }, "heads.showRate"],
    [{ model: "forecast", low: 0, likely: 5, high: 9 }, "heads.low"],
    [{ model: "forecast", low: 5, likely: 9, high: 8 }, "heads.high"],
    [{ model: "learned", low: 5, likely: 8, high: 12 }, "heads.past"],
    [{ model: "atHome", asked: -1, takeUp: 1, more: 0 }, "heads.asked"],
    [{ model: "forecast", low: 1, likely: 2, high: 3, cap: 0 }, "heads.cap"],
    [{}, "heads.model"],
    [null, "heads"],
    ["many", "heads"],
  ])("refuses %j at %s", (heads, field) => expect(fields(sessionInput, session({ heads }))).toContain(field));
});

describe("days and times at the door", () => {
  it.each(["2026-12-05", "2026-12-05 10:00", "10:00", "2026-12-05T10:00:00Z", "", 5, null])("a session doesn't start at %j", (start) =>
    expect(fields(sessionInput, session({ start }))).toContain("start"),
  );
  it.each(["2026-02-29", "2026-13-01", "26-01-01", "tomorrow"])("%s is no day", (opensOn) => {
    const settings = {
      revision: 1,
      title: "x",
      kind: "drop-in",
      opensOn,
      closesOn: null,
      revealOn: null,
      scoring: "best",
      units: "metric",
      heads: { model: "atHome", asked: 1, takeUp: 1, more: 0 },
      afterwards: "erase",
    };
    expect(fields(runSave, settings)).toEqual(["opensOn"]);
  });
});

describe("other doors", () => {
  it("know the families that are built, and no other", () => {
    expect(fields(newRun, { title: "A", kind: "drop-in", family: "span" })).toEqual([]);
    expect(fields(newRun, { title: " ", kind: "party", family: "juggling" }).sort()).toEqual(
      ["family", "kind", "title", "title"].slice(0, 3).sort(),
    );
  });

  it("take no keys that nobody asked for", () =>
    expect(fields(signInInput, { signIn: "a", password: "b", remember: true })).toEqual(["remember"]));
});
