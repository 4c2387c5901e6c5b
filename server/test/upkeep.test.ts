import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { HealthDoc, RunDoc } from "@lampcrate/contract";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { holdFolder } from "../src/db/lock.ts";
import { openDatabase } from "../src/db/open.ts";
import { runJob } from "../src/jobs/job.ts";
import { backUp, newestBackup, tooOld } from "../src/upkeep/backup.ts";
import { commands, type Given } from "../src/upkeep/commands.ts";
import { health } from "../src/upkeep/health.ts";
import { restore } from "../src/upkeep/restore.ts";
import { goodEntry, makeRun, openTestHouse, password, sendTo, type TestHouse } from "./house.ts";

const day = 86_400_000;
const now = Date.parse("2026-11-25T10:00:00Z");

let house: TestHouse;
let run: RunDoc;
let folder: string;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  folder = mkdtempSync(join(tmpdir(), "lampcrate-upkeep-"));
});
afterEach(() => {
  house.close();
  rmSync(folder, { recursive: true, force: true });
});

const send = (name: string) => sendTo(house, run, goodEntry(name));
const give = (patch: Partial<Given>): { given: Given; said: string[] } => {
  const said: string[] = [];
  const plain = {
    data: house.deps.data,
    args: [],
    replica: null,
    at: null,
    erasures: null,
    clockIsRight: false,
    goNow: null,
    backups: null,
  };
  return { said, given: { ...plain, say: (words) => void said.push(words), typed: () => "", ...patch } };
};
const ids = (data: string): readonly unknown[] => {
  const db = openDatabase(data);
  const all = db.$client.prepare("select id from entry order by id").pluck().all();
  db.$client.close();
  return all;
};

describe("a backup", () => {
  it("made while entries come in is whole, for its owner only, and holds what was there when it began", async () => {
    await send("before");
    const sending = Promise.all(Array.from({ length: 30 }, (_, i) => send(`during${i}`)));
    const { file, wrong, entries } = backUp(house.deps.data, folder, now);
    await sending;
    expect([wrong, entries, statSync(file).mode & 0o777]).toEqual([[], 1, 0o600]);
    expect(readdirSync(folder)).toEqual(["lampcrate-2026-11-25T100000Z.sqlite"]);
    expect(newestBackup(folder)).toBe(now);
  });

  it("has nothing of what was deleted before", async () => {
    await sendTo(house, run, goodEntry("gone", { said: "the purple umbrella" }));
    await house.ask("DELETE", "/api/public/mine", undefined, { cookie: null, headers: { "x-entry-secret": goodEntry("gone").secret } });
    expect(readFileSync(backUp(house.deps.data, folder, now).file, "latin1")).not.toContain("umbrella");
  });

  it("is let go by age: of any times, all of two days, one a day, a week, a month, none beyond a year", () => {
    const name = (at: number): string => `lampcrate-${new Date(at).toISOString().slice(0, 19).replaceAll(":", "")}Z.sqlite`;
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 500 * 24 }), { maxLength: 80 }), (hours) => {
        const all = hours.map((h) => now - h * 3600_000);
        const gone = new Set(tooOld([...all.map(name), "notes.txt"], now));
        const kept = all.filter((at) => !gone.has(name(at)));
        expect(gone.has("notes.txt")).toBe(false);
        expect(all.filter((at) => now - at < 2 * day && gone.has(name(at)))).toEqual([]);
        expect(kept.filter((at) => now - at >= 366 * day)).toEqual([]);
        for (const [youngest, oldest, span] of [
          [2, 14, day],
          [14, 60, 7 * day],
        ] as const) {
          const within = (list: readonly number[]) => list.filter((at) => now - at >= youngest * day && now - at < oldest * day);
          const spans = (list: readonly number[]) => within(list).map((at) => Math.floor(at / span));
          expect(spans(kept).sort()).toEqual([...new Set(spans(all))].sort());
        }
      }),
    );
  });
});

describe("restoring", () => {
  it("puts a copy in place, keeps what was there, and erases again what was erased since", async () => {
    for (const name of ["stays", "erased"]) await send(name);
    const { file } = backUp(house.deps.data, folder, now);
    await house.ask("DELETE", "/api/public/mine", undefined, { cookie: null, headers: { "x-entry-secret": goodEntry("erased").secret } });
    await send("later");
    house.deps.db.$client.close();
    const done = restore(house.deps.data, { copy: file, erasures: null }, now);
    expect(done).toMatchObject({ wrong: [], entries: 1, erasedAgain: 1 });
    expect(ids(house.deps.data)).toEqual([goodEntry("stays").id]);
    expect(existsSync(done.before ?? "")).toBe(true);
    house = await openTestHouse();
  });

  it("is refused while a server has the folder, and from a copy that is not whole: nothing is touched", async () => {
    await send("there");
    const { file } = backUp(house.deps.data, folder, now);
    const release = holdFolder(house.deps.data, "serving");
    expect(() => restore(house.deps.data, { copy: file, erasures: null }, now)).toThrow(/is serving it since/);
    release();
    const bytes = readFileSync(file);
    const broken = join(folder, "broken.sqlite");
    writeFileSync(broken, Buffer.concat([bytes.subarray(0, 20_000), Buffer.alloc(4000, 7), bytes.subarray(24_000)]));
    expect(() => restore(house.deps.data, { copy: broken, erasures: null }, now)).toThrow();
    expect(() => restore(house.deps.data, { copy: join(folder, "not-there.sqlite"), erasures: null }, now)).toThrow();
    expect((await house.ask("GET", "/api/season")).status).toBe(200);
  });
});

describe("a whole house", () => {
  it("goes out in open formats and comes into an empty folder as it was, but for passwords", async () => {
    for (const name of ["one", "two"]) await send(name);
    await house.ask("POST", `/api/runs/${run.id}/entries/${goodEntry("one").id}/decision`, { decision: "accepted", why: "", revision: 1 });
    const { given, said } = give({ args: [folder] });
    expect(await commands["export"]?.(given)).toBe(0);
    expect(said.join()).toContain("house.json");
    expect(readdirSync(join(folder, "runs"))).toHaveLength(2);
    expect(readFileSync(join(folder, "tables", "entry.csv"), "utf8").split("\r\n")).toHaveLength(3);
    const whole = readFileSync(join(folder, "house.json"), "utf8");
    for (const secret of ["argon2", password]) expect(whole).not.toContain(secret);
    const empty = join(folder, "empty");
    expect(await commands["import"]?.(give({ data: empty, args: [join(folder, "house.json")] }).given)).toBe(0);
    const again = join(folder, "again");
    await commands["export"]?.(give({ data: empty, args: [again] }).given);
    expect(readFileSync(join(again, "house.json"), "utf8")).toBe(whole);
    expect(() => commands["import"]?.(give({ data: empty, args: [join(folder, "house.json")] }).given)).toThrow("has a house already");
  });

  it.each([
    ["no export at all", "{}", /no exported house/],
    ["another version's tables", '{"format":"lamp-crate house","version":1,"schema":1,"tables":{}}', /another version/],
  ])("is not brought in from %s", (_, text, words) => {
    const file = join(folder, "bad.json");
    writeFileSync(file, text);
    const data = join(folder, "empty");
    expect(() => commands["import"]?.(give({ data, args: [file] }).given)).toThrow(words);
    expect(ids(data)).toEqual([]);
  });
});

describe("the commands", () => {
  it("check a file, and end with 1 when something is wrong", async () => {
    expect(await commands["check"]?.(give({}).given)).toBe(0);
    await runJob(house.deps, "backup", () => Promise.reject(new Error("no room")));
    const { given, said } = give({});
    expect(await commands["check"]?.(given)).toBe(1);
    expect(said).toContain("Wrong: backup failed: no room.");
  });

  it("set a password that was forgotten, and sign its person out; not a weak one, nobody's", async () => {
    const set = (signIn: string, typed: string) => commands["password"]?.(give({ args: [signIn], typed: () => typed }).given);
    await expect(set("nobody", "a new long word")).rejects.toThrow("There are: pat");
    for (const weak of ["short", "password123"]) await expect(set("pat", weak)).rejects.toThrow();
    expect((await house.ask("GET", "/api/season")).status).toBe(200);
    expect(await set("PAT", "a new long word")).toBe(0);
    expect((await house.ask("GET", "/api/season")).status).toBe(401);
    expect((await house.ask("POST", "/api/sign-in", { signIn: "pat", password: "a new long word" }, { cookie: null })).status).toBe(200);
  });

  it("say what is missing instead of making an empty house", async () => {
    for (const name of ["backup", "export", "check", "password"] as const)
      await expect(async () => commands[name]?.(give({ data: join(folder, "none"), args: ["x"] }).given)).rejects.toThrow();
    expect(existsSync(join(folder, "none"))).toBe(false);
  });
});

describe("health", () => {
  const stateOf = ({ lines }: HealthDoc, name: string) => lines.find((line) => line.name === name)?.state;

  it("says how space, writing, jobs, copies and the clock stand, and what was not asked for", async () => {
    await runJob(house.deps, "retention", () => Promise.resolve("Nothing was due."));
    const found = await health(house.deps, {});
    expect(found.ok).toBe(true);
    expect(found.lines.map(({ name, state }) => [name, state])).toEqual([
      ["disk", "fine"],
      ["writing", "fine"],
      ["entries let go", "fine"],
      ["backup", "off"],
      ["replica", "off"],
      ["clock", "fine"],
    ]);
  });

  it("is broken when a job failed, was long not done, or the newest copy is old", async () => {
    await runJob(house.deps, "retention", () => Promise.reject(new Error("stuck")));
    expect(stateOf(await health(house.deps, {}), "entries let go")).toBe("broken");
    await runJob(house.deps, "retention", () => Promise.resolve("Nothing was due."));
    backUp(house.deps.data, folder, house.deps.clock());
    expect(stateOf(await health(house.deps, { backups: folder }), "backup")).toBe("fine");
    house.pass(27 * 3600_000);
    const later = await health(house.deps, { backups: folder });
    expect([stateOf(later, "entries let go"), stateOf(later, "backup"), later.ok]).toEqual(["broken", "broken", false]);
  });

  it("is told to planners in words, to a watcher without sign-in by states alone", async () => {
    await runJob(house.deps, "retention", () => Promise.reject(new Error("a secret path")));
    const open = await house.ask("GET", "/healthz/deep", undefined, { cookie: null });
    expect([open.status, JSON.stringify(open.body)]).toEqual([503, expect.not.stringContaining("secret")]);
    expect((await house.ask("GET", "/api/health", undefined, { cookie: null })).status).toBe(401);
    expect(((await house.ask("GET", "/api/health")).body as HealthDoc).lines.map((line) => line.words).join()).toContain("a secret path");
  });
});
