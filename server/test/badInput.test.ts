import type { ProblemDoc, RunDoc } from "@lampcrate/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { entriesOf, everything, goodEntry, makeRun, openTestHouse, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
let other: RunDoc;
let entryOfOther: string;

beforeAll(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  other = await makeRun(house, { title: "Others" });
  const entry = goodEntry("others");
  await house.ask("POST", `/api/public/runs/${code(other)}/entries`, entry);
  entryOfOther = entry.id;
});
afterAll(() => house.close());

const code = (of: RunDoc): string => encodeURIComponent(of.code ?? "");
const send = (body: unknown) => house.ask("POST", `/api/public/runs/${code(run)}/entries`, body, { cookie: null });
const saveBrief = (patch: Record<string, unknown>) =>
  house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: run.briefRevision, words: "", brief: { ...run.brief, ...patch } });
const session = (patch: Record<string, unknown>) =>
  house.ask("POST", `/api/runs/${run.id}/sessions`, {
    title: "",
    roomId: "marsh-room",
    start: "2026-12-05T10:00",
    minutes: 60,
    setUpMin: 0,
    tearDownMin: 0,
    heads: { model: "forecast", low: 5, likely: 8, high: 12 },
    ...patch,
  });
const versions = (patch: Record<string, unknown>) => [{ ...goodEntry("a").versions[0], ...patch }];
const trialWith = (patch: Record<string, unknown>) =>
  versions({ trials: [{ outcome: "number", raw: "1.2", broke: null, instrument: "hand stopwatch", seen: [], kept: false, ...patch }] });

/** Twenty and more ways to send nonsense: the status, and the field that must be named. */
const cases: readonly (readonly [string, number, string, () => ReturnType<TestHouse["ask"]>])[] = [
  ["broken JSON", 400, "body", () => send('{"id": "abc", ')],
  ["NaN in JSON", 400, "body", () => send('{"id": NaN}')],
  ["a 2 MB body", 413, "body", () => send({ ...goodEntry("big"), said: "x".repeat(2_000_000) })],
  ["an empty body", 422, "id", () => send({})],
  ["a list for an object", 422, "body", () => send([])],
  ["a number for text", 422, "said", () => send({ ...goodEntry("a"), said: 5 })],
  ["text too long", 422, "said", () => send({ ...goodEntry("a"), said: "x".repeat(601) })],
  ["no consent", 422, "consentKeep", () => send({ ...goodEntry("a"), consentKeep: false })],
  ["consent as text", 422, "consentKeep", () => send({ ...goodEntry("a"), consentKeep: "true" })],
  ["a short secret", 422, "secret", () => send({ ...goodEntry("a"), secret: "abc" })],
  ["an id with markup", 422, "id", () => send({ ...goodEntry("a"), id: "<script>alert(1)</script>" })],
  ["an unknown key", 422, "isAdmin", () => send({ ...goodEntry("a"), isAdmin: true })],
  ["no versions", 422, "versions", () => send({ ...goodEntry("a"), versions: [] })],
  [
    "a bare test that is not first",
    422,
    "versions",
    () => send({ ...goodEntry("a"), versions: [...goodEntry("a").versions, { ...goodEntry("a").versions[0], role: "control" }] }),
  ],
  ["a trial below zero", 422, "versions[0].trials[0].raw", () => send({ ...goodEntry("a"), versions: trialWith({ raw: "-1.2" }) })],
  ["a trial in kilograms", 422, "versions[0].trials[0].raw", () => send({ ...goodEntry("a"), versions: trialWith({ raw: "3 kg" }) })],
  [
    "a result of no kind",
    422,
    "versions[0].trials[0].outcome",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "perhaps" }) }),
  ],
  [
    "passed where a number is asked",
    422,
    "versions[0].trials[0].outcome",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "passed", raw: null }) }),
  ],
  [
    "still holding where nothing is found step by step",
    422,
    "versions[0].trials[0].outcome",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "atLeast" }) }),
  ],
  ["a number that is none", 422, "versions[0].trials[0].raw", () => send({ ...goodEntry("a"), versions: trialWith({ raw: null }) })],
  [
    "a failure with a number",
    422,
    "versions[0].trials[0].raw",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "failed" }) }),
  ],
  [
    "between one number",
    422,
    "versions[0].trials[0].broke",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "between" }) }),
  ],
  [
    "below what it held",
    422,
    "versions[0].trials[0].broke",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "between", broke: "1.1" }) }),
  ],
  [
    "what broke it in kilograms",
    422,
    "versions[0].trials[0].broke",
    () => send({ ...goodEntry("a"), versions: trialWith({ outcome: "below", raw: null, broke: "3 kg" }) }),
  ],
  [
    "a guess held against nothing",
    422,
    "versions[0].guess",
    () => send({ ...goodEntry("a"), versions: versions({ guess: "more than last" }) }),
  ],
  ["a guess in words", 422, "versions[0].guess", () => send({ ...goodEntry("a"), versions: versions({ guess: "a good while" }) })],
  [
    "an instrument that is none",
    422,
    "versions[0].trials[0].instrument",
    () => send({ ...goodEntry("a"), versions: trialWith({ instrument: "sundial" }) }),
  ],
  [
    "a ruler for a time",
    422,
    "versions[0].trials[0].instrument",
    () => send({ ...goodEntry("a"), versions: trialWith({ instrument: "ruler" }) }),
  ],
  [
    "a variable of nobody's",
    422,
    "versions[0].variables.__proto",
    () => send({ ...goodEntry("a"), versions: versions({ variables: { __proto: "x" } }) }),
  ],
  [
    "a variable that is a list",
    422,
    "versions[0].variables.sizeM",
    () => send({ ...goodEntry("a"), versions: versions({ variables: { sizeM: [0.1] } }) }),
  ],
  [
    "a variable beyond all measure",
    422,
    "versions[0].variables.sizeM",
    () => send({ ...goodEntry("a"), versions: versions({ variables: { sizeM: 1e9 } }) }),
  ],
  ["another run's entry id", 409, "id", () => send({ ...goodEntry("others"), secret: "z".repeat(32) })],
  [
    "another run's entry in a decision",
    404,
    "id",
    () => house.ask("POST", `/api/runs/${run.id}/entries/${entryOfOther}/decision`, { decision: "accepted", why: "", revision: 1 }),
  ],
  [
    "a decision that is none",
    422,
    "decision",
    () => house.ask("POST", `/api/runs/${other.id}/entries/${entryOfOther}/decision`, { decision: "perhaps", why: "", revision: 1 }),
  ],
  ["a bad code", 404, "code", () => house.ask("GET", "/api/public/runs/NO-SUCH-9", undefined, { cookie: null })],
  ["a code without letters", 422, "code", () => house.ask("GET", "/api/public/runs/12345", undefined, { cookie: null })],
  [
    "a private link cut short",
    422,
    "secret",
    () => house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers: { "x-entry-secret": "abc" } }),
  ],
  [
    "a private link of nobody",
    404,
    "secret",
    () => house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers: { "x-entry-secret": "q".repeat(32) } }),
  ],
  ["an id that can't be one", 422, "id", () => house.ask("GET", "/api/runs/'; drop table run; --")],
  ["an unknown run", 404, "id", () => house.ask("GET", "/api/runs/abcdefgh12345678")],
  ["a drop height that is text", 422, "brief.spec.heightM", () => saveBrief({ spec: { ...run.brief.spec, heightM: "tall" } })],
  ["a drop of a kilometre", 422, "brief.spec.heightM", () => saveBrief({ spec: { ...run.brief.spec, heightM: 1000 } })],
  ["a negative cargo", 422, "brief.spec.cargoKg", () => saveBrief({ spec: { ...run.brief.spec, cargoKg: -1 } })],
  ["a service level of two", 422, "brief.target", () => saveBrief({ target: 2 })],
  ["another family", 422, "brief.family", () => saveBrief({ family: "tall" })],
  [
    "a line of an unknown material",
    422,
    "brief.lines[0].materialId",
    () =>
      saveBrief({
        lines: [
          {
            id: "line-one",
            materialId: "nothing-here",
            per: "builder",
            kind: "counted",
            amount: 1,
            perRebuild: 0,
            spoilRate: 0,
            spread: 0,
            share: 1,
            unitsPerItem: 1,
            loss: 0,
            source: "packed",
            standIn: "",
            standInRatio: 1,
            tier: null,
            cut: null,
          },
        ],
      }),
  ],
  [
    "an amount of nothing",
    422,
    "brief.lines[0].amount",
    () =>
      saveBrief({
        lines: [
          {
            id: "line-one",
            materialId: "nothing-here",
            per: "builder",
            kind: "counted",
            amount: 0,
            perRebuild: 0,
            spoilRate: 0,
            spread: 0,
            share: 1,
            unitsPerItem: 1,
            loss: 0,
            source: "packed",
            standIn: "",
            standInRatio: 1,
            tier: null,
            cut: null,
          },
        ],
      }),
  ],
  ["a session on 30 February", 422, "start", () => session({ start: "2026-02-30T10:00" })],
  ["a session in a room that is none", 422, "roomId", () => session({ roomId: "broom-cupboard" })],
  ["heads upside down", 422, "heads.likely", () => session({ heads: { model: "forecast", low: 9, likely: 3, high: 12 } })],
  ["heads of a model that is none", 422, "heads.model", () => session({ heads: { model: "oracle" } })],
  ["a session of a minute", 422, "minutes", () => session({ minutes: 1 })],
  [
    "entries that close before they open",
    422,
    "closesOn",
    () => house.ask("PUT", `/api/runs/${run.id}`, settings(run, { closesOn: "2026-11-01" })),
  ],
  [
    "a zone that is none",
    422,
    "zone",
    async () => house.ask("PUT", "/api/house", { ...((await house.ask("GET", "/api/house")).body as object), zone: "Marsh/Bog" }),
  ],
  [
    "an address that is a script",
    422,
    "publicUrl",
    async () =>
      house.ask("PUT", "/api/house", { ...((await house.ask("GET", "/api/house")).body as object), publicUrl: "javascript:alert(1)" }),
  ],
  [
    "closed days upside down",
    422,
    "closures[0].to",
    async () =>
      house.ask("PUT", "/api/house", {
        ...((await house.ask("GET", "/api/house")).body as object),
        closures: [{ id: "closure-1", from: "2026-12-24", to: "2026-12-20", why: "" }],
      }),
  ],
  [
    "a password too short",
    422,
    "password",
    () => house.ask("POST", "/api/staff", { name: "X", signIn: "xx", role: "sifter", active: true, password: "short" }),
  ],
  [
    "a wrong password",
    422,
    "password",
    () => house.ask("POST", "/api/sign-in", { signIn: "pat", password: "guess guess guess" }, { cookie: null }),
  ],
];

describe("bad input", () => {
  it.each(cases)("%s is answered %i and names %s", async (_, status, field, asked) => {
    const before = everything(house, { trail: false });
    const answer = await asked();
    const problem = answer.body as ProblemDoc;
    expect([answer.status, problem.status]).toEqual([status, status]);
    expect(answer.headers.get("content-type")).toContain("application/problem+json");
    expect((problem.errors ?? []).map((error) => error.field)).toContain(field);
    expect(problem.detail.length).toBeGreaterThan(10);
    expect(everything(house, { trail: false })).toBe(before);
  });

  it("keeps HTML in text as text", async () => {
    const said = '<img src=x onerror="alert(1)">';
    const entry = goodEntry("html", { said });
    expect((await send(entry)).status).toBe(201);
    const list = await entriesOf(house, run.id);
    expect(list.find((e) => e.id === entry.id)?.said).toBe(said);
  });

  it("keeps what a spreadsheet would take for a formula from being one", async () => {
    const [first] = goodEntry("formula").versions;
    const entry = goodEntry("formula", { versions: first ? [{ ...first, changed: '=HYPERLINK("elsewhere")', madeOf: "@paper" }] : [] });
    expect((await send(entry)).status).toBe(201);
    const csv = String((await house.ask("GET", `/api/runs/${run.id}/trials.csv`)).body);
    expect(csv).toContain(`"'=HYPERLINK(""elsewhere"")","'@paper"`);
    expect(csv).not.toMatch(/(^|[,"])[=@]/m);
  });

  it("answers a closed run with the day it closed", async () => {
    house.at("2026-12-20T23:00:01Z");
    const answer = await send(goodEntry("late"));
    expect(answer.status).toBe(403);
    expect((answer.body as ProblemDoc).errors).toEqual([
      { field: "code", message: "Entries closed at the end of Sunday 20 December 2026." },
    ]);
    house.at("2026-12-20T22:59:59Z");
    expect((await send(goodEntry("in-time"))).status).toBe(201);
  });
});
