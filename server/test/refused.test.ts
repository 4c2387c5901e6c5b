import type { MaterialDoc, ProblemDoc, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { starterPack } from "../src/starters/index.ts";
import { addMaterial, everything, goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

/** Sends it, and sees that it is refused at a field and nothing was written. */
async function refusedAt(field: RegExp, send: () => Promise<{ status: number; body: unknown }>): Promise<void> {
  const before = everything(house, { trail: false });
  const { status, body } = await send();
  expect(status).toBe(422);
  expect((body as ProblemDoc).errors?.[0]?.field).toMatch(field);
  expect(everything(house, { trail: false })).toBe(before);
}

describe("what can't be meant is refused at its field", () => {
  it("a floor tap without a body, and its burst can be sent again without it", async () => {
    const start = "2026-11-25T10:00";
    const session = {
      title: "",
      roomId: null,
      start,
      minutes: 60,
      setUpMin: 0,
      tearDownMin: 0,
      heads: { model: "forecast", low: 5, likely: 8, high: 12 },
    };
    const [held] = ((await house.ask("POST", `/api/runs/${run.id}/sessions`, session)).body as RunDoc).sessions;
    const path = `/api/sessions/${held?.id}/taps`;
    const tap = (n: number) => ({ id: `tap-00${n}`, at: Date.parse("2026-11-25T09:10:00Z"), by: "A" });
    const good = { ...tap(1), body: { kind: "in", heads: 2, number: 1 } };
    await refusedAt(/^taps\[1\]\.body/, () => house.ask("POST", path, { after: 0, taps: [good, tap(2)] }));
    expect((await house.ask("POST", path, { after: 0, taps: [good] })).status).toBe(200);
  });

  it("a question to a family, its answer, or a claim code of blanks alone", async () => {
    const entry = goodEntry("blank");
    await sendTo(house, run, entry);
    await refusedAt(/^words$/, () => house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/asks`, { words: "   ", revision: 1 }));
    const { body } = await house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/asks`, { words: "Really?", revision: 1 });
    const ask = (body as { asks: { id: string }[] }).asks[0]?.id ?? "";
    const headers = { "x-entry-secret": entry.secret };
    await refusedAt(/^answer$/, () => house.ask("PUT", `/api/public/mine/asks/${ask}`, { answer: " \n " }, { cookie: null, headers }));
    await refusedAt(/^code$/, () => house.ask("POST", `/api/runs/${run.id}/prize/claims`, { code: "  " }));
  });

  it("a size below nothing", async () => {
    const entry = goodEntry("minus");
    const [first, ...more] = entry.versions;
    if (!first) throw new Error("a good entry has a version");
    const minus = { ...entry, versions: [{ ...first, variables: { ...first.variables, sizeM: -0.08 } }, ...more] };
    await refusedAt(/^versions\[0\]\.variables\.sizeM$/, () => sendTo(house, run, minus));
  });

  it("bytes of another encoding, which arrive as marks for what could not be read", async () => {
    const latin = Buffer.from(JSON.stringify({ ...materialOf(await addMaterial(house, "Card")), name: "Cr\u00eape" }), "latin1");
    await refusedAt(/^name$/, async () => {
      const cookie = await house.signIn("pat", "a long enough word");
      const answer = await house.app.request("/api/materials", {
        method: "POST",
        headers: { "content-type": "application/json", cookie },
        body: new Uint8Array(latin),
      });
      return { status: answer.status, body: await answer.json() };
    });
  });

  it("a billionth of a piece, in stock or in a pack", async () => {
    const input = materialOf(await addMaterial(house, "Card"));
    await refusedAt(/^onHand$/, () => house.ask("POST", "/api/materials", { ...input, name: "Dust", onHand: 1e-9 }));
    await refusedAt(/^packSize$/, () => house.ask("POST", "/api/materials", { ...input, name: "Dust", packSize: 1e-9 }));
    expect((await house.ask("POST", "/api/materials", { ...input, name: "Dust", onHand: 0 })).status).toBe(201);
  });

  it("a second material of one name, however its spaces and letters are written", async () => {
    const input = materialOf(await addMaterial(house, "Cr\u00eape paper"));
    await refusedAt(/^name$/, () => house.ask("POST", "/api/materials", { ...input, name: "CRE\u0302PE  Paper" }));
  });

  it("a line break in a name of a store room file", async () => {
    const csv = 'name,unit\r\n"Copy\npaper",piece\r\n';
    await refusedAt(/^row 2/, () => house.ask("POST", "/api/stock/csv", { text: csv }));
  });
});

it("a pack with one name in two units brings two materials whose names tell them apart", async () => {
  const pack = structuredClone(starterPack("seed-wing")) as unknown as { materials: { key: string; name: string; unit: string }[] };
  const [first] = pack.materials;
  if (!first) throw new Error("a starter has materials");
  pack.materials.push({ ...first, key: "again", unit: first.unit === "g" ? "ml" : "g" });
  expect((await house.ask("POST", "/api/packs", pack)).status).toBe(201);
  const names = ((await house.ask("GET", "/api/materials")).body as MaterialDoc[]).map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  expect(names).toEqual(expect.arrayContaining([first.name, `${first.name} (${first.unit === "g" ? "ml" : "g"})`]));
});

it("a duplicated run keeps the parts of its pack that this version doesn't know", async () => {
  const pack = { ...structuredClone(starterPack("seed-wing")), lampsOnTheWay: { colour: "amber" } };
  const { id } = (await house.ask("POST", "/api/packs", pack)).body as { id: string };
  const copy = (await house.ask("POST", `/api/runs/${id}/duplicate`, { title: "Again", startOn: null })).body as { id: string };
  const out = (await house.ask("GET", `/api/runs/${copy.id}/pack.json`)).body;
  expect(out).toMatchObject({ lampsOnTheWay: { colour: "amber" } });
});

const materialOf = ({ id: _, revision: __, archived: ___, ...input }: MaterialDoc) => input;
