import type { EntryDoc, KeyedDoc, MineDoc, ProblemDoc, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, expect, it } from "vitest";
import { entriesOf, everything, goodEntry, makeRun, openTestHouse, password, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const { versions } = goodEntry("paper");
const paper = { ageBand: null, consentKeep: true, consentPhoto: false, consentVersion: "es-1", said: "We liked it.", versions };
const keyIn = (patch: object = {}, of: RunDoc = run) => house.ask("POST", `/api/runs/${of.id}/entries`, { ...paper, ...patch });

it("what came on paper is an entry as any other, marked, with the consent as it was given and a link to hand on", async () => {
  const { status, body } = await keyIn();
  expect(status).toBe(201);
  const { entry, secret } = body as KeyedDoc;
  expect(entry).toMatchObject({ source: "keyed in", state: "waiting", language: "es", said: "We liked it.", groupRow: null });
  expect((await entriesOf(house, run.id)).map(({ id }) => id)).toEqual([entry.id]);
  const headers = { "x-entry-secret": secret };
  const mine = (await house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers })).body as MineDoc;
  expect(mine.consents.map(({ part, given, words }) => [part, given, words.slice(0, 30)])).toEqual([
    ["keep", true, "On paper: Soy una persona adul"],
    ["photo", false, "On paper: Estas imágenes se pu"],
  ]);
  expect(everything(house)).not.toContain(secret);
});

it("is taken after the closing day too, never before there is a version that a family saw, and not without an adult's yes", async () => {
  const draft = await makeRun(house, { publish: false, title: "Draft" });
  expect((await keyIn({}, draft)).status).toBe(422);
  expect(((await keyIn({ consentKeep: false })).body as ProblemDoc).errors?.[0]?.field).toBe("consentKeep");
  const bad = versions.map((version) => ({ ...version, trials: version.trials.map((trial) => ({ ...trial, raw: "soon" })) }));
  const before = everything(house);
  expect(((await keyIn({ versions: bad })).body as ProblemDoc).errors?.[0]?.field).toBe("versions[0].trials[0].raw");
  expect(everything(house)).toBe(before);
  house.at("2026-12-22T12:00:00Z");
  const cookie = await house.signIn("pat", password);
  expect((await house.ask("POST", `/api/runs/${run.id}/entries`, paper, { cookie })).status).toBe(201);
});

it("is taken back by undo, while nobody has changed it", async () => {
  await keyIn();
  expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
  expect(await entriesOf(house, run.id)).toEqual([]);
  const { entry } = (await keyIn()).body as KeyedDoc;
  await house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/decision`, { decision: "accepted", why: "", revision: entry.revision });
  await house.ask("POST", `/api/runs/${run.id}/undo`);
  expect((await entriesOf(house, run.id)).map(({ state }: EntryDoc) => state)).toEqual(["waiting"]);
});

it("a floor lead may not, a sifter may", async () => {
  for (const [role, status] of [
    ["floor", 403],
    ["sifter", 201],
  ] as const) {
    await house.ask("POST", "/api/staff", { name: role, signIn: role, role, active: true, password });
    const cookie = await house.signIn(role, password);
    expect((await house.ask("POST", `/api/runs/${run.id}/entries`, paper, { cookie })).status).toBe(status);
  }
});
