import {
  blankTrial,
  type EvidenceDoc,
  type FindingsDoc,
  type FoundEntry,
  type LearnedDoc,
  type RevealDoc,
  type RunDoc,
  type SheetDoc,
} from "@lampcrate/contract";
import { families, versionPrediction } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { goodEntry, makeRun, openTestHouse, password, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const get = async <T>(path: string): Promise<T> => (await house.ask("GET", path)).body as T;
const evidence = (id: string) => get<EvidenceDoc>(`/api/runs/${run.id}/entries/${id}/evidence`);
const decide = (id: string, decision: string) =>
  house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision, why: "", revision: 1 });
const valued = (name: string, raws: readonly string[]) => {
  const base = goodEntry(name);
  const [first] = base.versions;
  if (!first) throw new Error("an entry has a version");
  return { ...base, versions: [{ ...first, trials: first.trials.slice(0, raws.length).map((t, i) => ({ ...t, raw: raws[i] ?? null })) }] };
};

describe("what an entry is judged beside", () => {
  it("is what its sheet predicts for what it declares, what is possible, and all others' values but those set aside", async () => {
    const mine = valued("mine", ["1.25"]);
    for (const sent of [mine, valued("kept", ["1.1", "1.3"]), valued("waits", ["1.2"]), valued("aside", ["1.4"])])
      await sendTo(house, run, sent);
    await decide(valued("kept", []).id, "accepted");
    await decide(valued("aside", []).id, "set aside");
    const found = await evidence(mine.id);
    const { spec, design } = run.brief;
    const predicted = versionPrediction(families.descent, spec, design, {
      role: "build",
      variables: { kind: "spinner", sizeM: 0.07 },
      place: null,
    });
    expect(found.others).toEqual({ count: 3, values: [1.1, 1.2, 1.3] });
    expect(found.goal).toBe(families.descent.goal(spec).value);
    expect(found.versions).toHaveLength(1);
    expect(found.versions[0]?.predicted?.mid).toBeCloseTo(predicted?.mid ?? 0, 9);
    const [low, high] = found.versions[0]?.hard ?? [null, null];
    expect([low === null || low < 1, high === null || high > 1.25]).toEqual([true, true]);
  });

  it("is no business of floor staff, and there is none of what isn't there", async () => {
    await sendTo(house, run, goodEntry("one"));
    await house.ask("POST", "/api/staff", { name: "Fen", signIn: "fen", role: "floor", active: true, password });
    const fen = await house.signIn("fen", password);
    const id = goodEntry("one").id;
    expect((await house.ask("GET", `/api/runs/${run.id}/entries/${id}/evidence`, undefined, { cookie: fen })).status).toBe(403);
    expect((await house.ask("GET", `/api/runs/${run.id}/entries/nobody-at-all/evidence`)).status).toBe(404);
    const other = await makeRun(house, { title: "Others" });
    expect((await house.ask("GET", `/api/runs/${other.id}/entries/${id}`)).status).toBe(404);
    expect((await house.ask("GET", `/api/runs/${run.id}/entries/${id}`)).body).toMatchObject({ id, state: "waiting" });
  });

  it("tells at Findings how first builds of the newest sheet came out", async () => {
    await sendTo(house, run, valued("one", ["1.1", "1.3"]));
    await decide(valued("one", []).id, "accepted");
    await sendTo(house, run, valued("two", ["1.9"]));
    const { outcome } = await get<FindingsDoc>(`/api/runs/${run.id}/findings`);
    expect(outcome).toMatchObject({ first: { count: 2, values: [1.1, 1.3] }, middle: expect.closeTo(1.2, 9) });
    expect(outcome.predicted?.mid).toBeCloseTo(families.descent.predict(run.brief.spec, run.brief.design)[0]?.band.mid ?? 0, 9);
  });
});

describe("an entry looked for by its made-up name", () => {
  it("is found by any letters of it, in any case, in runs that are not put away", async () => {
    await sendTo(house, run, goodEntry("one"));
    const { alias } = await get<{ alias: string }>(`/api/runs/${run.id}/entries/${goodEntry("one").id}`);
    const find = async (letters: string) => await get<readonly FoundEntry[]>(`/api/entries?alias=${encodeURIComponent(letters)}`);
    const whole = { id: goodEntry("one").id, runId: run.id, runTitle: "Spinners", alias, state: "waiting" };
    expect(await find(alias.slice(1, 6).toUpperCase())).toEqual([whole]);
    expect(await find("%%")).toEqual([]);
    expect(await find("__")).toEqual([]);
    expect((await house.ask("GET", "/api/entries?alias=a")).status).toBe(422);
    await house.ask("POST", `/api/runs/${run.id}/put-away`);
    expect(await find(alias)).toEqual([]);
  });
});

describe("a sheet before it is published", () => {
  it("is the draft's, with the number it would have; families still have the frozen one", async () => {
    await house.ask("PUT", `/api/runs/${run.id}/brief`, {
      revision: run.briefRevision,
      words: "",
      brief: { ...run.brief, story: "A new story." },
    });
    const draft = await get<SheetDoc>(`/api/runs/${run.id}/sheet/draft`);
    expect(draft).toMatchObject({ version: 2, code: run.code, brief: { story: "A new story." } });
    expect(await get<SheetDoc>(`/api/public/runs/${encodeURIComponent(run.code ?? "")}`)).toMatchObject({
      version: 1,
      brief: { story: run.brief.story },
    });
  });

  it("is there before there is a code, and for nobody outside the house", async () => {
    const fresh = await makeRun(house, { publish: false, title: "Fresh" });
    await house.ask("PUT", `/api/runs/${fresh.id}`, settings(fresh, { title: "Renamed" }));
    expect(await get<SheetDoc>(`/api/runs/${fresh.id}/sheet/draft`)).toMatchObject({ title: "Renamed", version: 1, code: "CODE TO COME" });
    expect((await house.ask("GET", `/api/runs/${fresh.id}/sheet/draft`, undefined, { cookie: null })).status).toBe(401);
  });
});

describe("what entries teach of a prediction", () => {
  it("is the mean of the first build against what was predicted for it, never the bare test; and the reveal names who improved", async () => {
    const base = goodEntry("one");
    const [first] = base.versions;
    if (!first) throw new Error("an entry has a version");
    const tried = (role: "build" | "control", raws: readonly string[], sizeM: number) => ({
      ...first,
      role,
      variables: role === "control" ? {} : { kind: "spinner", sizeM },
      trials: raws.map((raw) => ({ ...blankTrial("hand stopwatch"), raw })),
    });
    const sent = { ...base, versions: [tried("control", ["0.6"], 0), tried("build", ["1.1", "1.3"], 0.07), tried("build", ["1.8"], 0.1)] };
    await sendTo(house, run, sent);
    await decide(sent.id, "accepted");
    const { spec, design } = run.brief;
    const predicted = versionPrediction(families.descent, spec, design, {
      role: "build",
      variables: { kind: "spinner", sizeM: 0.07 },
      place: null,
    });
    const { checked } = await get<LearnedDoc>(`/api/runs/${run.id}/learned`);
    const isForm = families.descent.formOf(spec, design) === families.descent.formOf(spec, { ...design, kind: "spinner" });
    // As alike as wings of 70 mm are to the brief's own.
    const weight = expect.closeTo(Math.exp(-(Math.log2(0.07 / Number(design["sizeM"])) ** 2) / 2), 9);
    expect(checked).toEqual(isForm ? [{ ratio: expect.closeTo(1.2 / (predicted?.mid ?? 1), 9), weight, from: "entry" }] : []);
    house.at("2026-12-25T10:00:00Z");
    const reveal = await get<RevealDoc>(`/api/public/runs/${encodeURIComponent(run.code ?? "")}/reveal`);
    expect(reveal.mostImproved).toEqual([{ alias: expect.any(String), improved: expect.closeTo(1.5, 9) }]);
  });
});
