import type { EntryDoc, EntryInput, Receipt, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { entriesOf, everything, goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const post = (entry: EntryInput, of = run) => sendTo(house, of, entry);
const entries = async (): Promise<readonly EntryDoc[]> => await entriesOf(house, run.id);
const mine = (entry: EntryInput, method: string, path = "", body?: unknown) =>
  house.ask(method, `/api/public/mine${path}`, body, { cookie: null, headers: { "x-entry-secret": entry.secret } });
const oneVersion = (entry: EntryInput): EntryInput => ({ ...entry, versions: entry.versions.slice(0, 1) });

describe("entries that come in together", () => {
  it("are kept although one of them has another's private link", async () => {
    const stolen = goodEntry("first");
    await post(stolen);
    const thief = { ...goodEntry("thief"), secret: stolen.secret };
    const answers = await Promise.all([
      ...Array.from({ length: 20 }, (_, i) => post(goodEntry(`a${i}`))),
      post(thief),
      ...Array.from({ length: 19 }, (_, i) => post(goodEntry(`b${i}`))),
    ]);
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(39);
    expect(answers[20]).toMatchObject({ status: 409, body: { errors: [{ field: "secret" }] } });
    expect(await entries()).toHaveLength(40);
  });

  it("are kept although the database itself refuses one of them, which leaves nothing", async () => {
    house.deps.db.$client.exec(
      "create trigger no_hats before insert on version when new.made_of = 'hat' begin select raise(abort, 'no hats'); end",
    );
    const base = goodEntry("hat");
    const hat = { ...base, versions: base.versions.map((v, i) => (i === 1 ? { ...v, madeOf: "hat" } : v)) };
    const answers = await Promise.all([post(goodEntry("a")), post(hat), post(goodEntry("b"))]);
    expect(answers.map(({ status }) => status)).toEqual([201, 500, 201]);
    expect(everything(house)).not.toContain(hat.id);
    expect(await entries()).toHaveLength(2);
  });
});

describe("the same entry again", () => {
  it("changes nothing and gets the same answer, as often as it comes", async () => {
    const entry = goodEntry("again");
    const first = await post(entry);
    const before = everything(house);
    const again = await Promise.all([post(entry), post(entry)]);
    expect(again.map(({ status, body }) => [status, body])).toEqual([
      [200, first.body],
      [200, first.body],
    ]);
    expect(everything(house)).toBe(before);
  });

  it("with other words puts these in place of the first, once, and back to the sifter", async () => {
    const entry = goodEntry("edited");
    await post(entry);
    await house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/decision`, { decision: "accepted", why: "", revision: 1 });
    const edited = { ...oneVersion(entry), said: "we found one more" };
    const answer = await post(edited);
    expect([answer.status, (answer.body as Receipt).revision]).toEqual([200, 3]);
    expect(await entries()).toEqual([expect.objectContaining({ id: entry.id, said: "we found one more", state: "waiting", revision: 3 })]);
    expect((await entries())[0]?.versions).toHaveLength(1);
    expect((await post(edited)).body).toEqual(answer.body);
  });

  it("with another word about the photo keeps that word", async () => {
    const entry = goodEntry("photo");
    await post(entry);
    const photo = () => house.deps.db.$client.prepare(`select given from consent where "to" = 'photo'`).pluck().get();
    expect(photo()).toBe(0);
    expect(((await post({ ...entry, consentPhoto: true })).body as Receipt).revision).toBe(2);
    expect(photo()).toBe(1);
  });

  it("with other words that can't be read is refused by field, and the first stays", async () => {
    const entry = goodEntry("bad");
    await post(entry);
    const before = everything(house);
    const [version] = entry.versions;
    const [trial] = version?.trials ?? [];
    const bad = { ...entry, versions: [{ ...version, trials: [{ ...trial, raw: "3 kg" }] }] } as EntryInput;
    expect(await post(bad)).toMatchObject({ status: 422, body: { errors: [{ field: "versions[0].trials[0].raw" }] } });
    expect(everything(house)).toBe(before);
  });

  it("is refused, and says where to look, once it was corrected behind the private link or taken out", async () => {
    const entry = goodEntry("corrected");
    await post(entry);
    await mine(entry, "PUT", "", { revision: 1, ageBand: null, said: "behind the link", versions: entry.versions });
    const late = await post({ ...entry, said: "from an old tab" });
    expect(late).toMatchObject({ status: 409, body: { detail: expect.stringContaining("private link") } });
    expect((await entries())[0]?.said).toBe("behind the link");
    const out = goodEntry("out");
    await post(out);
    await mine(out, "POST", "/withdraw");
    expect(await post({ ...out, said: "changed" })).toMatchObject({
      status: 409,
      body: { detail: expect.stringContaining("took this entry out") },
    });
  });

  it("with changes after closing keeps the first and says that entries are closed", async () => {
    const entry = goodEntry("closing");
    await post(entry);
    house.at("2026-12-21T08:00:00Z");
    expect((await post(entry)).status).toBe(200);
    expect(await post({ ...entry, said: "late" })).toMatchObject({ status: 403 });
  });
});

describe("erasing", () => {
  it("leaves nothing of an entry anywhere, pages and log of the file included, and it can't be sent again", async () => {
    const entry = goodEntry("gone", { said: "grandpa's purple umbrella" });
    const { alias } = (await post(entry)).body as Receipt;
    await house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/decision`, {
      decision: "set aside",
      why: "rang the umbrella's owner",
      revision: 1,
    });
    await mine(entry, "PUT", "", { revision: 2, ageBand: null, said: "grandpa's purple umbrella", versions: entry.versions });
    expect((await mine(entry, "DELETE")).status).toBe(200);
    const left = [everything(house), house.bytes()].join("");
    for (const word of ["umbrella", alias, entry.id, entry.secret]) expect(left).not.toContain(word);
    const again = await post(entry);
    expect(again).toMatchObject({ status: 410, body: { errors: [{ field: "id" }] } });
    expect(await entries()).toEqual([]);
  });

  it("does not block the sifter's undo", async () => {
    const [kept, gone] = [goodEntry("kept"), goodEntry("gone")];
    await post(kept);
    await post(gone);
    for (const { id } of [kept, gone])
      await house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision: "accepted", why: "", revision: 1 });
    await mine(gone, "DELETE");
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
    expect((await entries()).map(({ id, state }) => [id, state])).toEqual([[kept.id, "waiting"]]);
  });
});

it("a correction of an entry that was taken out is kept, and stays out", async () => {
  const entry = goodEntry("taken");
  await post(entry);
  await mine(entry, "POST", "/withdraw");
  const corrected = await mine(entry, "PUT", "", { revision: 2, ageBand: null, said: "still out", versions: entry.versions });
  expect(corrected.body).toMatchObject({ entry: { state: "withdrawn", said: "still out", revision: 3 } });
  expect(await entries()).toEqual([]);
});
