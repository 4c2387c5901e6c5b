import type { EntryDoc, MineDoc, ProblemDoc, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, expect, it } from "vitest";
import { entriesOf, goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
const heron = goodEntry("heron");
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  await sendTo(house, run, heron);
});
afterEach(() => house.close());

const only = async (): Promise<EntryDoc> => {
  const [entry] = await entriesOf(house, run.id);
  if (!entry) throw new Error("an entry was sent");
  return entry;
};
const asks = async (words: string, revision?: number) => {
  const entry = await only();
  return house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/asks`, { words, revision: revision ?? entry.revision });
};
const mine = (method: string, path: string, body?: unknown, secret = heron.secret) =>
  house.ask(method, `/api/public/mine${path}`, body, { cookie: null, headers: { "x-entry-secret": secret } });
const askId = async (): Promise<string> => (await only()).asks[0]?.id ?? "";

it("a family finds what is asked behind its private link, answers, and the entry is before the sifter again", async () => {
  expect((await asks("Was it 1.61 s?")).status).toBe(201);
  expect(((await mine("GET", "")).body as MineDoc).entry.asks).toMatchObject([{ words: "Was it 1.61 s?", answer: null, answeredAt: null }]);
  const { id, revision } = await only();
  await house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision: "accepted", why: "", revision });
  house.at("2026-11-25T12:00:00Z");
  const answered = (await mine("PUT", `/asks/${await askId()}`, { answer: "Yes, a slip." })).body as MineDoc;
  expect(answered.entry.asks).toMatchObject([{ answer: "Yes, a slip.", answeredAt: Date.parse("2026-11-25T12:00:00Z") }]);
  expect(await only()).toMatchObject({ state: "waiting", asks: [{ answer: "Yes, a slip." }] });
});

it("is asked only over the entry as it was seen; undone while nobody has answered, and not after", async () => {
  const { revision } = await only();
  expect((await asks("Late?", revision + 1)).status).toBe(409);
  await asks("Was it 1.61 s?");
  expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
  expect((await only()).asks).toEqual([]);
  await asks("Was it 1.62 s?");
  await mine("PUT", `/asks/${await askId()}`, { answer: "No." });
  expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(409);
  expect((await only()).asks).toMatchObject([{ words: "Was it 1.62 s?", answer: "No." }]);
});

it("only this entry's family answers, in words; erased with the entry", async () => {
  await sendTo(house, run, goodEntry("otter"));
  await house.ask("POST", `/api/runs/${run.id}/entries/${heron.id}/asks`, { words: "Really?", revision: 1 });
  const id = (await entriesOf(house, run.id)).find((one) => one.id === heron.id)?.asks[0]?.id ?? "";
  expect((await mine("PUT", `/asks/${id}`, { answer: "Me!" }, goodEntry("otter").secret)).status).toBe(404);
  expect(((await mine("PUT", `/asks/${id}`, { answer: "" })).body as ProblemDoc).errors?.[0]?.field).toBe("answer");
  expect((await house.ask("POST", `/api/runs/${run.id}/entries/${heron.id}/asks`, { words: "", revision: 2 })).status).toBe(422);
  await mine("DELETE", "");
  expect(house.deps.db.$client.prepare("select count(*) from ask").pluck().get()).toBe(0);
});
