import {
  blankTrial,
  type ChallengePack,
  type LearnedDoc,
  type MaterialDoc,
  type PackPreview,
  type ProblemDoc,
  type RunDoc,
  type StarterLine,
} from "@lampcrate/contract";
import { families, familyIds, measurability, reachOf } from "@lampcrate/core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { starters } from "../src/starters/index.ts";
import { packOfStarter } from "../src/starters/starter.ts";
import { entriesOf, everything, openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse();
});
afterAll(() => house.close());

const runOf = async (id: string): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const start = async (id: string): Promise<RunDoc> => {
  const title = starters.find((s) => s.id === id)?.title;
  return runOf(((await house.ask("POST", `/api/starters/${id}`, { title, kind: "workshop" })).body as { id: string }).id);
};

describe("starters", () => {
  it("are two or more for each family, 24 or more in all, no two alike", async () => {
    const lines = (await house.ask("GET", "/api/starters")).body as StarterLine[];
    expect(lines.length).toBeGreaterThanOrEqual(24);
    for (const family of familyIds) expect([family, lines.filter((line) => line.family === family).length >= 2]).toEqual([family, true]);
    expect(new Set(lines.map((line) => line.goal)).size).toBe(lines.length);
    expect(new Set(lines.map((line) => line.told)).size).toBe(lines.length);
    const crates = starters.map((s) => JSON.stringify(s.lines.map(([material]) => material).sort()));
    expect(new Set(crates).size).toBe(lines.length);
  });

  describe.each(starters.map((s) => [s.id, s] as const))("%s", (id, starter) => {
    it("is complete, in reach and not trivial", () => {
      const { brief, lines } = packOfStarter(starter);
      const family = families[starter.family];
      expect(lines.length).toBeGreaterThanOrEqual(3);
      expect(lines.some((line) => line.standIn !== "")).toBe(true);
      expect(brief.tiers.length * brief.cautions.length * brief.rules.length).toBeGreaterThan(0);
      expect(new Set(brief.hints.map((hint) => hint.rung)).size).toBe(3);
      expect(brief.protocolNote.length).toBeGreaterThan(20);
      expect(family.cannot(brief.spec, brief.design)).toBeNull();
      const goal = family.goal(brief.spec);
      const band = family.predict(brief.spec, brief.design).find((p) => p.id === goal.measure)?.band;
      if (!band || goal.value === 0) return;
      const { first, within } = reachOf({ band, ratios: [], better: goal.better }, goal.value, brief.loops);
      expect(first).toBeLessThan(0.95);
      expect(within).toBeGreaterThan(0.2);
    });

    it("starts a run that can be published as it stands, with its materials in the store room", async () => {
      const run = await start(id);
      expect(run.brief.lines).toHaveLength(starter.lines.length);
      const store = (await house.ask("GET", "/api/materials")).body as MaterialDoc[];
      for (const line of run.brief.lines) expect(store.some((m) => m.id === line.materialId)).toBe(true);
      expect((await house.ask("POST", `/api/runs/${run.id}/publish`)).status).toBe(200);
    });
  });
});

describe("challenge packs", () => {
  const exported = async (id: string): Promise<ChallengePack> =>
    (await house.ask("GET", `/api/runs/${id}/pack.json`)).body as ChallengePack;

  it("go out and come in again as they were, materials matched by name", async () => {
    const run = await start("seed-wing");
    const pack = await exported(run.id);
    const before = ((await house.ask("GET", "/api/materials")).body as unknown[]).length;
    const preview = (await house.ask("POST", "/api/packs/preview", pack)).body as PackPreview;
    expect(preview).toMatchObject({ title: "Seed-Wing Spinner", family: "descent", newMaterials: [], unknown: [], hints: 3 });
    const copy = await runOf(((await house.ask("POST", "/api/packs", pack)).body as { id: string }).id);
    expect(copy.brief).toEqual(run.brief);
    expect((await house.ask("GET", "/api/materials")).body).toHaveLength(before);
  });

  it("carry what this version doesn't know, through an edit, out again", async () => {
    const run = await start("foil-squares");
    const pack = await exported(run.id);
    const newer = {
      ...pack,
      license: "free to share",
      brief: {
        ...pack.brief,
        lighting: { lamps: 3 },
        spec: { ...pack.brief.spec, ripplesM: 0.01 },
        tiers: pack.brief.tiers.map((tier) => ({ ...tier, badge: "wave" })),
      },
      lines: pack.lines.map((line) => ({ ...line, colour: "silver" })),
      materials: pack.materials.map((m, i) => (i === 0 ? { ...m, grain: "none" } : m)),
    };
    const preview = (await house.ask("POST", "/api/packs/preview", newer)).body as PackPreview;
    expect(preview.unknown).toEqual(
      expect.arrayContaining(["license", "brief.lighting", "brief.spec.ripplesM", "brief.tiers.tier-1.badge"]),
    );
    const copy = await runOf(((await house.ask("POST", "/api/packs", newer)).body as { id: string }).id);
    const edited = { ...copy.brief, story: "another story" };
    await house.ask("PUT", `/api/runs/${copy.id}/brief`, { revision: copy.briefRevision, words: "story", brief: edited });
    expect(await exported(copy.id)).toMatchObject({
      license: "free to share",
      brief: {
        story: "another story",
        lighting: { lamps: 3 },
        spec: { ripplesM: 0.01, sideM: 0.18 },
        tiers: [{ badge: "wave" }, { badge: "wave" }, { badge: "wave" }],
      },
      lines: newer.lines.map(() => ({ colour: "silver" })),
    });
    expect((await exported(copy.id)).materials.filter((m) => "grain" in m)).toHaveLength(1);
  });

  it("are refused part by part, in words, with nothing written", async () => {
    const pack = await exported((await start("paper-deck")).id);
    const before = everything(house);
    const wrong = [
      [{ ...pack, format: "another" }, "format"],
      [{ ...pack, version: 2 }, "version"],
      [{ ...pack, brief: { ...pack.brief, family: "juggling" } }, "brief.family"],
      [{ ...pack, brief: { ...pack.brief, trials: 0 } }, "brief.trials"],
      [{ ...pack, brief: { ...pack.brief, spec: { gapM: 90 } } }, "brief.spec.gapM"],
      [{ ...pack, lines: [{ ...pack.lines[0], material: "moon-cheese" }] }, "lines[0].material"],
      [{ ...pack, lines: [{ ...pack.lines[0], amount: undefined }] }, "lines[0].amount"],
      [[], "pack"],
    ] as const;
    for (const [body, field] of wrong) {
      const answer = await house.ask("POST", "/api/packs", body);
      expect([field, answer.status]).toEqual([field, 422]);
      expect((answer.body as ProblemDoc).errors?.map((e) => e.field)).toContain(field);
    }
    expect((await house.ask("POST", "/api/packs", "{")).status).toBe(400);
    expect(everything(house)).toBe(before);
  });
});

describe("house trials", () => {
  const trial = (raws: readonly string[], patch: Record<string, unknown> = {}) => ({
    buildMinutes: 9,
    rebuilds: 1,
    broke: [],
    note: "",
    versions: [
      {
        role: "build",
        changed: "",
        madeOf: "",
        pictures: [],
        variables: {},
        guess: null,
        place: null,
        trials: raws.map((raw) => ({ ...blankTrial("hand stopwatch"), raw })),
      },
    ],
    ...patch,
  });

  it("move the prediction, say what the defaults should be, and count nowhere else", async () => {
    const run = await start("filter-canopy");
    const family = families.descent;
    const [measure] = family.measures(run.brief.spec);
    const mid = family.predict(run.brief.spec, run.brief.design).find((p) => p.id === measure.id)?.band.mid ?? 0;
    const [line] = run.brief.lines;
    const times = [mid * 1.2, mid * 1.24].map((t) => t.toFixed(2));
    const answer = await house.ask(
      "POST",
      `/api/runs/${run.id}/house-trials`,
      trial(times, { broke: [{ lineId: line?.id, spoilt: 2, good: 6 }] }),
    );
    expect(answer.status).toBe(201);
    const learned = answer.body as LearnedDoc;
    const mean = (Number(times[0]) + Number(times[1])) / 2;
    expect(learned.checked.at(0)).toMatchObject({ from: "house trial" });
    expect(learned.checked.find((c) => c.from === "house trial")?.ratio).toBeCloseTo(mean / mid, 9);
    expect(learned.marks).toEqual(times.map(Number));
    expect(learned.seen).toBeCloseTo(Math.abs(Number(times[0]) - Number(times[1])) / Math.SQRT2, 9);
    expect(learned.advice?.buildMinutes).toEqual({ before: run.brief.buildMinutes, after: 9 });
    // Beta(10 · 0.05 + 2, 10 · 0.95 + 6)
    expect(learned.advice?.spoil[0]?.learned.value).toBeCloseTo(2.5 / 18, 9);
    // Beta(10 · 0.4 + 1, 10 · 0.6 + chances not taken): two chances, the second not taken.
    expect(learned.advice?.rebuildRate.learned.value).toBeCloseTo(5 / 12, 9);
    expect((await runOf(run.id)).entries).toEqual({ waiting: 0, accepted: 0, setAside: 0 });
    expect(await entriesOf(house, run.id)).toEqual([]);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(((await house.ask("GET", `/api/runs/${run.id}/learned`)).body as LearnedDoc).trials).toEqual([]);
  });

  it("are refused by field: words that can't be read, lines that are gone", async () => {
    const run = await start("filter-canopy");
    const before = everything(house);
    const unread = await house.ask("POST", `/api/runs/${run.id}/house-trials`, trial(["3 or so"]));
    expect((unread.body as ProblemDoc).errors?.[0]?.field).toBe("versions[0].trials[0].raw");
    const gone = await house.ask(
      "POST",
      `/api/runs/${run.id}/house-trials`,
      trial(["1.2"], { broke: [{ lineId: "no-such-line", spoilt: 1, good: 1 }] }),
    );
    expect((gone.body as ProblemDoc).errors?.[0]?.field).toBe("broke[0].lineId");
    expect(everything(house)).toBe(before);
  });
});

describe("measurability of a starter", () => {
  it("says how many trials would tell its two designs apart", () => {
    const { brief } = packOfStarter(starters.find((s) => s.id === "cup-canopy") ?? (starters[0] as never));
    const found = measurability({
      family: families.descent,
      spec: brief.spec,
      design: brief.design,
      rival: { ...brief.design, sizeM: 0.7 },
      trials: 2,
      instrument: "hand stopwatch",
      seen: null,
    });
    expect(found?.chance).toBeLessThan(0.8);
    expect(found?.needed).toBeGreaterThan(2);
    expect(found?.cures.map((cure) => cure.kind)).toContain("lever");
  });
});
