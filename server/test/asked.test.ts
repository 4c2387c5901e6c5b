import {
  type BriefDoc,
  blankTrial,
  type EntryInput,
  type FindingsDoc,
  type MineDoc,
  type RunDoc,
  type TrialInput,
} from "@lampcrate/contract";
import { asFamily, type Outcomes } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { entriesOf, everything, goodEntry, openTestHouse, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

/** Numbers stand apart from their units by a space that doesn't break. */
const plain = (words: string): string => words.replace(/[\u202f\u00a0]/g, " ");

async function runOf(family: string, outcomes: Partial<Outcomes>, brief: Partial<BriefDoc> = {}): Promise<RunDoc> {
  const { id } = (await house.ask("POST", "/api/runs", { title: "Asked", kind: "at-home", family })).body as { id: string };
  const run = (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
  await house.ask("PUT", `/api/runs/${id}`, settings(run, { opensOn: "2026-11-20", closesOn: "2026-12-20", revealOn: "2026-12-24" }));
  const saved = await save(run, { ...run.brief, ...brief, outcomes: { ...asFamily, ...outcomes } });
  if (saved.status !== 200) throw new Error(JSON.stringify(saved.body));
  await house.ask("POST", `/api/runs/${id}/publish`);
  return (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
}

const save = (run: RunDoc, brief: unknown) =>
  house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: run.briefRevision, brief, words: "what a trial shows" });

const ladder: Partial<Outcomes> = {
  main: { kind: "rungs", steps: ["whole", "marked", "cracked", "broken"], asked: 1 },
  setting: "goalM",
  further: ["buildMass"],
};
const drop = (setting: string | null, rung: number, patch: Partial<TrialInput> = {}): TrialInput => ({
  ...blankTrial("tape"),
  outcome: "rung",
  rung,
  setting,
  ...patch,
});
const version = (trials: readonly TrialInput[], variables: Readonly<Record<string, number | string>> = {}): EntryInput["versions"][0] => ({
  role: "build",
  changed: "",
  madeOf: "",
  pictures: [],
  variables,
  guess: null,
  guessed: null,
  place: "indoors",
  trials,
});
const fieldsOf = (body: unknown): string[] => (body as { errors: { field: string }[] }).errors.map(({ field }) => field);

async function acceptAll(run: RunDoc): Promise<void> {
  for (const { id, revision } of await entriesOf(house, run.id))
    await house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision: "accepted", why: "", revision });
}

describe("rungs at heights", () => {
  it("go from a phone through sift, findings, reveal and the table", async () => {
    const run = await runOf("landing", ladder);
    const sent = await sendTo(
      house,
      run,
      goodEntry("ladder", {
        answers: [{ rule: "Was it weighed?", yes: false }],
        versions: [
          version([drop("1 m", 0), drop("2", 2, { further: { buildMass: "42 g" } })]),
          version([drop("2 m", 1, { further: { buildMass: "50" } }), drop("2.5 m", 3, { outcome: "failed", rung: null })]),
        ],
      }),
    );
    expect(sent.status).toBe(201);
    const [entry] = await entriesOf(house, run.id);
    expect(entry?.answers).toEqual([{ rule: "Was it weighed?", yes: false }]);
    expect(entry?.versions[0]?.trials[1]).toMatchObject({ rung: 2, setting: "2", at: 2, furtherValues: { buildMass: 0.042 } });
    await acceptAll(run);
    const found = (await house.ask("GET", `/api/runs/${run.id}/findings`)).body as FindingsDoc;
    expect(found.table.builders[0]).toMatchObject({
      first: { low: 1, high: 2 },
      last: { low: 2, high: 2.5 },
      best: { low: 2, high: 2.5 },
      change: "better",
      metGoal: true,
      further: { buildMass: 0.05 },
    });
    expect(found.ladder).toMatchObject({ tried: 4, all: [{ at: 1 }, { at: 2, tried: 2, through: 1 }, { at: 2.5 }] });
    const csv = (await house.ask("GET", `/api/runs/${run.id}/trials.csv`)).body as string;
    expect(csv).toContain("cracked,2,2,");
    expect(csv).toContain('"{""buildMass"":0.042}"');
  });

  it("are refused without a height, off the list, or as a number, and nothing is written", async () => {
    const run = await runOf("landing", ladder);
    const before = everything(house);
    const refused = async (...trials: TrialInput[]) => {
      const { status, body } = await sendTo(house, run, goodEntry("bad", { versions: [version(trials)] }));
      expect(status).toBe(422);
      return fieldsOf(body).map((field) => field.replace("versions[0].trials[0].", ""));
    };
    expect(await refused(drop(null, 0))).toEqual(["setting"]);
    expect(await refused(drop("high up", 0))).toEqual(["setting"]);
    expect(await refused(drop("1 m", 4))).toEqual(["rung"]);
    expect(await refused({ ...blankTrial("tape"), raw: "2 m", setting: "2 m" })).toEqual(["outcome"]);
    expect(await refused(drop("1 m", 0, { further: { mood: "good" } }))).toEqual(["further.mood"]);
    expect(await refused(drop("1 m", 0, { further: { buildMass: "heavy" } }))).toEqual(["further.buildMass"]);
    const { status, body } = await sendTo(house, run, goodEntry("bad", { versions: [version([drop("1 m", 0, { rung: null })])] }));
    expect([status, fieldsOf(body)]).toEqual([422, ["versions[0].trials[0].rung"]]);
    expect(everything(house)).toBe(before);
  });
});

describe("a test that is passed or not", () => {
  it("is told by its own words, and counts as many passes as the brief asks for", async () => {
    const main = { kind: "passes", passed: "held the heavy dictionary", not: "gave way", asked: 2 } as const;
    const run = await runOf("span", { main });
    const trial = (outcome: "passed" | "failed"): TrialInput => ({ ...blankTrial("kitchen scale"), outcome });
    const entry = (name: string, ...outcomes: ("passed" | "failed")[]) =>
      sendTo(house, run, goodEntry(name, { versions: [version(outcomes.map(trial))] }));
    expect((await entry("twice", "passed", "failed", "passed")).status).toBe(201);
    expect((await entry("once", "passed", "failed")).status).toBe(201);
    const number = await sendTo(house, run, goodEntry("n", { versions: [version([{ ...blankTrial("kitchen scale"), raw: "200 g" }])] }));
    expect([number.status, fieldsOf(number.body)]).toEqual([422, ["versions[0].trials[0].outcome"]]);
    await acceptAll(run);
    const found = (await house.ask("GET", `/api/runs/${run.id}/findings`)).body as FindingsDoc;
    expect([found.goalMet, found.entries]).toEqual([1, 2]);
    expect(found.measure.words).toBe("How often: held the heavy dictionary");
  });
});

describe("loads in things of one's own", () => {
  it("are read by what the brief and the family named, and stay a count where nobody weighed one", async () => {
    const coin = { name: "coin", massKg: 0.0025, weighed: null };
    const run = await runOf("span", { tokens: [coin] });
    const load = (raw: string): TrialInput => ({ ...blankTrial("kitchen scale"), raw });
    const tokens = [
      { name: "book", massKg: null, weighed: null },
      { name: "potato", massKg: 0.1, weighed: { count: 10, togetherKg: 1, stepKg: 0.001 } },
    ];
    const sent = await sendTo(
      house,
      run,
      goodEntry("own", { tokens, versions: [version([load("60 coins"), load("2 potatoes"), load("3 books")])] }),
    );
    expect(sent.status).toBe(201);
    const [entry] = await entriesOf(house, run.id);
    expect(entry?.versions[0]?.trials.map(({ raw, value }) => [raw, value])).toEqual([
      ["60 coins", 0.15],
      ["2 potatoes", 0.2],
      ["3 books", null],
    ]);
    expect(entry?.tokens).toEqual(tokens);
    const books = (raw: string) => version([load(raw), load(raw)]);
    await sendTo(house, run, goodEntry("books", { tokens, versions: [books("3 books"), books("5 books")] }));
    await acceptAll(run);
    const found = (await house.ask("GET", `/api/runs/${run.id}/findings`)).body as FindingsDoc;
    const own = found.table.builders.find(({ measure }) => measure !== null);
    expect(own).toMatchObject({ metGoal: false, first: { low: 3 }, last: { low: 5 }, change: "better", measure: { dimension: "count" } });
    expect(found.plain).toContain(
      "1 counted loads in something that nobody weighed: each is held against itself alone, and against no goal.",
    );
    const unknown = await sendTo(house, run, goodEntry("other", { versions: [version([load("3 pans")])] }));
    expect([unknown.status, fieldsOf(unknown.body)]).toEqual([422, ["versions[0].trials[0].raw"]]);
    const weightless = await sendTo(house, run, goodEntry("w", { tokens: [{ name: "feather", massKg: 0, weighed: null }] }));
    expect([weightless.status, fieldsOf(weightless.body)]).toEqual([422, ["tokens[0].massKg"]]);
  });
});

describe("what a brief asks of its trials", () => {
  it("is saved, undone and refused by field", async () => {
    const run = await runOf("landing", {});
    const bad = async (outcomes: unknown) => fieldsOf((await save(run, { ...run.brief, outcomes })).body);
    expect(await bad({ ...asFamily, main: { kind: "rungs", steps: ["only"], asked: 0 } })).toEqual([
      "brief.outcomes.main.steps",
      "brief.outcomes.main.asked",
    ]);
    expect(await bad({ ...asFamily, setting: "moon" })).toEqual(["brief.outcomes.setting"]);
    expect(await bad({ ...asFamily, versions: 400 })).toEqual(["brief.outcomes.versions"]);
    expect(await bad({ ...asFamily, tokens: [{ name: "coin", massKg: 0, weighed: null }] })).toEqual(["brief.outcomes.tokens[0].massKg"]);
    expect(await bad({ ...asFamily, tokens: [{ name: "2 coins", massKg: null, weighed: null }] })).toEqual([
      "brief.outcomes.tokens[0].name",
    ]);
    const { outcomes: _, ...older } = run.brief;
    expect((await save(run, older)).status).toBe(200);
    const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
    expect(now.brief.outcomes).toEqual(asFamily);
  });

  it("goes out in a pack and comes in again", async () => {
    const run = await runOf("landing", ladder);
    const pack = (await house.ask("GET", `/api/runs/${run.id}/pack.json`)).body as { brief: { outcomes: Outcomes } };
    expect(pack.brief.outcomes).toEqual({ ...asFamily, ...ladder });
    const brought = await house.ask("POST", "/api/packs", {
      ...pack,
      brief: { ...pack.brief, outcomes: { ...pack.brief.outcomes, later: 1 } },
    });
    const { id } = brought.body as { id: string };
    expect(((await house.ask("GET", `/api/runs/${id}`)).body as RunDoc).brief.outcomes).toEqual(pack.brief.outcomes);
  });
});

describe("a guess", () => {
  it("is kept with when it was made, and held against what came out", async () => {
    const run = await runOf("descent", {});
    const guesser = (name: string, guess: string, guessed: "before" | "after") => {
      const entry = goodEntry(name);
      return sendTo(house, run, { ...entry, versions: entry.versions.map((one) => ({ ...one, guess, guessed })) });
    };
    await guesser("near", "1.3 s", "before");
    await guesser("far", "4 s", "before");
    await guesser("knew", "1.2 s", "after");
    expect((await entriesOf(house, run.id)).map((one) => one.versions[0]?.guessed)).toEqual(["before", "before", "after"]);
    await acceptAll(run);
    const found = (await house.ask("GET", `/api/runs/${run.id}/findings`)).body as FindingsDoc;
    expect(found.guesses.map(plain)).toEqual([
      "4 versions had a guess made before their first result: 2 came within a fifth of what came out, 2 guessed too much and none too little. The middle guess was 1.8 times what came out.",
    ]);
  });
});

describe("a yes to photos", () => {
  it("is given and taken back behind the private link, after entries have closed too", async () => {
    const run = await runOf("descent", {});
    const entry = goodEntry("photo");
    await sendTo(house, run, entry);
    house.at("2027-01-10T10:00:00Z");
    const headers = { "x-entry-secret": entry.secret };
    const mine = async () => ((await house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers })).body as MineDoc).photo;
    const put = (json: unknown) => house.ask("PUT", "/api/public/mine/photo", json, { cookie: null, headers });
    expect(await mine()).toBe(false);
    expect((await put({ given: true })).status).toBe(200);
    expect(await mine()).toBe(true);
    expect((await put({ given: "yes" })).status).toBe(422);
    expect((await put({ given: false })).status).toBe(200);
    expect(await mine()).toBe(false);
    const stranger = await house.ask(
      "PUT",
      "/api/public/mine/photo",
      { given: true },
      { cookie: null, headers: { "x-entry-secret": "q".repeat(32) } },
    );
    expect(stranger.status).toBe(404);
  });
});
