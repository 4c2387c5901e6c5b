import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { HealthDoc, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { createApp, openDatabase, reckonHere } from "../src/index.ts";
import { backUp } from "../src/upkeep/backup.ts";
import { commands, type Given } from "../src/upkeep/commands.ts";
import { erasureListName, updateErasureLists } from "../src/upkeep/erasureList.ts";
import { goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

const now = Date.parse("2026-11-25T10:00:00Z");

let house: TestHouse;
let run: RunDoc;
let folder: string;
let copy: string;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  folder = mkdtempSync(join(tmpdir(), "lampcrate-erasures-"));
  for (const name of ["stays", "erased"]) await sendTo(house, run, goodEntry(name));
  copy = backUp(house.deps.data, join(folder, "copies"), now).file;
  const headers = { "x-entry-secret": goodEntry("erased").secret };
  await house.ask("DELETE", "/api/public/mine", undefined, { cookie: null, headers });
});
afterEach(() => {
  house.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Restores the copy into an empty folder by the command; gives what it printed. */
async function restored(patch: Partial<Given> = {}): Promise<{ readonly data: string; readonly printed: string }> {
  const data = join(folder, "elsewhere");
  const lines: string[] = [];
  const given = { data, args: [copy], replica: null, at: null, erasures: null, clockIsRight: false, goNow: null, backups: null };
  await commands["restore"]?.({ ...given, say: (words) => void lines.push(words), typed: () => "", ...patch });
  return { data, printed: lines.join("\n") };
}

/** Asks a restored house, as the planner who was signed in when the copy was made. */
async function inRestored<T>(
  data: string,
  work: (ask: (method: string, path: string, secret?: string) => Promise<{ status: number; body: unknown }>) => Promise<T>,
): Promise<T> {
  const db = openDatabase(data);
  const app = createApp({ ...house.deps, db, data, erasureFolders: [data], reckon: reckonHere(db, data) });
  const signedIn = await app.request("/api/sign-in", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ signIn: "pat", password: "a long enough word" }),
  });
  const cookie = signedIn.headers.get("set-cookie")?.split(";")[0] ?? "";
  try {
    return await work(async (method, path, secret) => {
      const answer = await app.request(path, { method, headers: secret ? { "x-entry-secret": secret } : { cookie } });
      return { status: answer.status, body: await answer.json() };
    });
  } finally {
    db.$client.close();
  }
}

describe("the list of erased entries", () => {
  it("is written with each erasure, holds hashes alone, and is whole again after it was lost", () => {
    const file = join(house.deps.data, erasureListName);
    const text = readFileSync(file, "utf8");
    expect(text.trim().split("\n")).toHaveLength(2);
    expect(text).not.toContain(goodEntry("erased").id);
    rmSync(file);
    expect(updateErasureLists(house.deps.db, house.deps.erasureFolders, { whole: true })).toEqual([]);
    expect(readFileSync(file, "utf8")).toBe(text);
  });

  it("names the folders that it can't be written to", () => {
    expect(updateErasureLists(house.deps.db, [house.deps.data, copy], { whole: true })).toEqual([copy]);
  });

  it("beside the copy erases again what was erased since, in an empty folder", async () => {
    copyFileSync(join(house.deps.data, erasureListName), join(folder, "copies", erasureListName));
    const { data, printed } = await restored();
    expect(printed).toContain("1 entries that were erased since are erased again.");
    await inRestored(data, async (ask) => {
      const { body } = await ask("GET", `/api/runs/${run.id}/entries`);
      expect((body as { entries: { id: string }[] }).entries.map(({ id }) => id)).toEqual([goodEntry("stays").id]);
      expect((await ask("GET", "/api/public/mine", goodEntry("erased").secret)).status).toBe(404);
    });
    expect(existsSync(join(data, erasureListName))).toBe(true);
  });

  it("may be named, and must be one", async () => {
    const { printed } = await restored({ erasures: join(house.deps.data, erasureListName) });
    expect(printed).toContain("erased again");
    expect(printed).not.toContain("held back");
    await expect(restored({ erasures: copy })).rejects.toThrow("is not a list of erased entries");
  });
});

describe("a copy restored without its list", () => {
  const hidden = ["entries", "findings", "findings/builders", "reveal", "trials.csv", "outbox", "prize"];

  it("hides entries from everybody but their family, until a planner shows them", async () => {
    const { data, printed } = await restored();
    expect(printed).toContain("No list of erased entries was found");
    await inRestored(data, async (ask) => {
      for (const path of hidden)
        expect(await ask("GET", `/api/runs/${run.id}/${path}`), path).toMatchObject({ status: 409, body: { title: "Entries are hidden" } });
      expect((await ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/reveal`)).status).toBe(409);
      expect((await ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}`)).status).toBe(200);
      expect((await ask("GET", "/api/public/mine", goodEntry("stays").secret)).status).toBe(200);
      const { lines } = (await ask("GET", "/api/health")).body as HealthDoc;
      expect(lines.find(({ name }) => name === "restored entries")?.words).toContain("entries are hidden");
      expect((await ask("POST", "/api/held-back-entries/show")).status).toBe(200);
      expect((await ask("GET", `/api/runs/${run.id}/entries`)).status).toBe(200);
      expect(((await ask("GET", "/api/health")).body as HealthDoc).lines.map(({ name }) => name)).not.toContain("restored entries");
    });
  });

  it("hides nothing where the house that was there still says what was erased", async () => {
    house.deps.db.$client.close();
    const { printed } = await restored({ data: house.deps.data });
    expect(printed).toContain("erased again");
    expect(printed).not.toContain("No list");
    house = await openTestHouse();
  });
});
