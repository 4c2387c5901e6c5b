import type { BriefDoc, ChallengePack, MaterialDoc, ProblemDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { type KitLine, runKinds, unbound } from "@lampcrate/core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { starters } from "../src/starters/index.ts";
import { openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse();
});
afterAll(() => house.close());

const runOf = async (id: string): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const start = async (id: string, kind = "workshop"): Promise<RunDoc> =>
  runOf(((await house.ask("POST", `/api/starters/${id}`, { title: id, kind })).body as { id: string }).id);
const save = async (run: RunDoc, patch: Partial<BriefDoc>) => {
  const { briefRevision: revision, brief } = await runOf(run.id);
  return house.ask("PUT", `/api/runs/${run.id}/brief`, { revision, brief: { ...brief, ...patch }, words: "changed" });
};
const sheetOf = async (run: RunDoc): Promise<SheetDoc> => (await house.ask("GET", `/api/runs/${run.id}/sheet/draft`)).body as SheetDoc;
const told = (sheet: SheetDoc): string =>
  [
    sheet.brief.story,
    ...sheet.brief.tiers.map(({ words }) => words),
    ...sheet.brief.rules.map(({ words }) => words),
    ...sheet.words.rules,
    ...sheet.words.howTo.map(({ words }) => words),
    ...sheet.lines.map(({ words }) => words),
  ].join("\n");
const of = (line: KitLine | undefined, patch: Partial<KitLine>): KitLine => {
  if (!line) throw new Error("no such line");
  return { ...line, ...patch };
};

describe("one number, one place", () => {
  it("moves crate and every word of the sheet with the goal, whoever saves it", async () => {
    const run = await start("heron-lookout");
    const saved = (await save(run, { spec: { ...run.brief.spec, sticks: 50, joints: 20 } })).body as RunDoc;
    expect(saved.brief.lines.map(({ amount }) => amount).slice(0, 2)).toEqual([50, 100]);
    const words = told(await sheetOf(run));
    expect(words).toMatch(/50 strands, 20 joints/);
    expect(words).toMatch(/50 × Dry spaghetti/);
    expect(words).toMatch(/no more than 50 sticks and 20 joints/);
    expect(words).not.toMatch(/\b30\b|\b12\b|thirty|twelve|\{/i);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect((await runOf(run.id)).brief.lines[0]?.amount).toBe(30);
  });

  it("tells a sheet in the run's units, and one build as one build", async () => {
    const run = await start("heron-lookout");
    const { revision, title, kind, opensOn, closesOn, revealOn, scoring, heads, afterwards } = run;
    await house.ask("PUT", `/api/runs/${run.id}`, {
      revision,
      title,
      kind,
      opensOn,
      closesOn,
      revealOn,
      scoring,
      heads,
      afterwards,
      units: "imperial",
    });
    await save(run, { spec: { ...run.brief.spec, sticks: 1 + 29, goalM: 0.4064 }, buildMinutes: 1 });
    const words = told(await sheetOf(run));
    expect(words).toMatch(/Stand 20\s?in high/);
    expect(words).toMatch(/^1 minute$/m);
  });

  it("refuses by its place what can't be followed or said, and keeps nothing of it", async () => {
    const run = await start("foil-squares");
    const [first, ...rest] = run.brief.lines;
    const bind = (patch: object) => [of(first, { bind: { ...unbound, ...patch } }), ...rest];
    const follow = (field: string) => ({ field, times: 1, plus: 0, round: "none", loose: false });
    for (const [patch, field] of [
      [{ cutWidth: follow("gapM") }, "brief.lines[0].bind.cutWidth"],
      [{ cutWidth: follow("goalCount") }, "brief.lines[0].bind.cutWidth"],
      [{ amount: { ...follow("goalCount"), times: -1 } }, "brief.lines[0].bind.amount"],
      [
        { material: { field: "token", of: { "washer-m99": first?.materialId }, loose: false } },
        "brief.lines[0].bind.material.of.washer-m99",
      ],
      [{ material: { field: "token", of: { "washer-m6": "nothing-like-it" }, loose: false } }, "brief.lines[0].bind.material.of.washer-m6"],
    ] as const) {
      const { status, body } = await save(run, { lines: bind(patch) });
      expect([status, (body as ProblemDoc).errors?.[0]?.field]).toEqual([422, field]);
    }
    expect((await runOf(run.id)).brief).toEqual(run.brief);
  });

  it("stops a sheet that says two things, until it is mended", async () => {
    const run = await start("foil-squares");
    const publish = () => house.ask("POST", `/api/runs/${run.id}/publish`);
    await save(run, { story: "Fold a square of 20 cm." });
    const refused = await publish();
    expect(refused.status).toBe(422);
    expect((refused.body as ProblemDoc).errors?.map(({ message }) => message)).toEqual([
      "“Fold a square of 20 cm.”, but “Square sheet, side” is 18\u00a0cm.",
    ]);
    await save(run, { story: "Fold a square of {sideM}." });
    expect((await publish()).status).toBe(200);
    expect(told(await sheetOf(run))).toMatch(/Fold a square of 18\s?cm\./);
    const [foil, ...rest] = (await runOf(run.id)).brief.lines;
    const loose = of(foil, { cut: foil?.cut ? { ...foil.cut, widthM: 0.25 } : null });
    const stands = { ...loose, bind: { ...loose.bind, cutWidth: loose.bind.cutWidth && { ...loose.bind.cutWidth, loose: true } } };
    await save(run, { lines: [stands, ...rest] });
    expect(((await publish()).body as ProblemDoc).errors?.[0]?.message).toContain("how wide it is cut stands by itself");
    await save(run, { story: "Open from {opns}.", lines: [of(foil, {}), ...rest] });
    expect(((await publish()).body as ProblemDoc).errors?.[0]?.message).toContain("“{opns}” is no number of this brief");
  });

  it("travels in a pack, its cargo by the names of its materials; a pack that names none of its own is refused", async () => {
    const run = await start("canopy-ladder");
    const figure = run.brief.lines.find((line) => line.bind.material !== null);
    const pack = (await house.ask("GET", `/api/runs/${run.id}/pack.json`)).body as ChallengePack;
    const copy = await runOf(((await house.ask("POST", "/api/packs", pack)).body as { id: string }).id);
    expect(copy.brief).toEqual(run.brief);
    const saved = (await save(copy, { spec: { ...copy.brief.spec, payload: "bead-shell" } })).body as RunDoc;
    const store = (await house.ask("GET", "/api/materials")).body as MaterialDoc[];
    const cargo = saved.brief.lines.find((line) => line.id === figure?.id);
    expect(store.find((m) => m.id === cargo?.materialId)?.name).toBe("Hollow shell with beads");
    // What a choice may bring in is not thrown out of the store room.
    const spare = Object.values(figure?.bind.material?.of ?? {}).find((id) => id !== figure?.materialId);
    expect(((await house.ask("DELETE", `/api/materials/${spare}`)).body as { taken: string }).taken ?? "put away").toBe("put away");
    const lost = {
      ...pack,
      lines: pack.lines.map((line) =>
        line.bind?.material
          ? { ...line, bind: { ...line.bind, material: { ...line.bind.material, of: { "clay-figure": "gone" } } } }
          : line,
      ),
    };
    const { status, body } = await house.ask("POST", "/api/packs", lost);
    expect([status, (body as ProblemDoc).errors?.[0]?.message]).toEqual([
      422,
      expect.stringContaining("bind.material.of.clay-figure names gone, which is not among the pack's materials."),
    ]);
  });

  it.each(starters.map(({ id }) => id))("%s is published as any kind of run", async (id) => {
    for (const kind of runKinds) {
      const run = await start(id, kind);
      expect([kind, (await house.ask("POST", `/api/runs/${run.id}/publish`)).status]).toEqual([kind, 200]);
      expect(run.brief.lines.some((line) => line.source === (kind === "at-home" ? "house" : "nobody's"))).toBe(false);
      const sheet = await sheetOf(run);
      expect(told(sheet)).not.toMatch(/[{}]/);
    }
  });
});
