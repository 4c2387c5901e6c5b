import { copyFileSync, mkdtempSync, readdirSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { holdFolder } from "../src/db/lock.ts";
import { openDatabase } from "../src/db/open.ts";
import { serveHouse } from "../src/index.ts";
import { folderOfMigrations } from "./oldMigrations.ts";

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "lampcrate-folder-"));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const serve = () => serveHouse({ port: 0, data: folder, url: null, clock: Date.now, web: null, logLevel: "silent" });
const mode = (path: string): string => (statSync(path).mode & 0o777).toString(8);

describe("a house's folder", () => {
  it("is served by one server: a second is refused and told who has it; once the first ends it may", async () => {
    const first = await serve();
    await expect(serve()).rejects.toThrow(new RegExp(`process ${process.pid} on .* is serving it since 20`));
    await first.stop();
    const second = await serve();
    await second.stop();
  });

  it("that another process loads is not served meanwhile", async () => {
    const release = holdFolder(folder, "loading the demo into");
    await expect(serve()).rejects.toThrow("loading the demo into");
    release();
  });

  it("and its files are for their owner only", () => {
    openDatabase(folder).$client.close();
    expect([mode(folder), mode(join(folder, "lampcrate.sqlite"))]).toEqual(["700", "600"]);
  });
});

describe("bringing a file up to date", () => {
  /** A file as the version before this one left it. */
  function oldFile(): Sqlite.Database {
    const old = folderOfMigrations(folder, 6);
    const client = new Sqlite(join(folder, "lampcrate.sqlite"));
    migrate(drizzle(client), { migrationsFolder: old });
    return client;
  }

  it("keeps every row, mends amounts beyond all measure, and leaves a copy of before", () => {
    const client = oldFile();
    client.exec(`
      insert into house values (1, 'Old', 'CET', 'EUR', 'metric', 'https://x', null, 90, 1, null);
      insert into material (id, name, unit, pack_size, pack_price_cents, allergens, small_part, latex, revision) values ('card01', 'Card', 'piece', 25, 400, '[]', 0, 0, 3), ('huge01', 'Huge', 'piece', 9e999, 400, '[]', 0, 0, 1);
      insert into stock_move (material_id, amount, reason, words, at) values ('card01', 40, 'opening', '', 1), ('card01', 9e999, 'put right', '', 2);
      insert into brief (id, family, story, spec, design, trials, youngest_age, sketch_first, plain_build_shown, build_by, team_size, rebuild_rate, loops, target, seats_per_table, share_at_once, rig_serves, revision) values ('brief1', 'descent', '', '{}', '{}', 3, 6, 1, 1, 'builder', 2, 0.4, 2, 0.95, 6, 0.6, 12, 1);
      insert into run (id, brief_id, title, kind, status, scoring, units, heads, afterwards, created_at, revision) values ('run001', 'brief1', 'Old run', 'at-home', 'draft', 'best', 'metric', '{}', 'erase', 1, 1);
      insert into room values ('room01', 'Loft', 9, 6, 3, 20, 0, 'carpet', 0);
      insert into session (id, run_id, title, room_id, start_at, start_wall, zone, minutes, set_up_min, tear_down_min, heads, cancelled, revision) values ('sess01', 'run001', 'One', 'room01', 5, '2026-12-05T10:00', 'CET', 60, 5, 5, '{}', 0, 4);
      insert into session_count (session_id, builders, rebuilds, lines, used, at, revision) values ('sess01', 9, '[]', '[]', '{}', 1, 1);
      insert into entry (key, id, run_id, brief_version, alias, said, source, state, sent_at, revision) values (1, 'entry1', 'run001', 1, 'Misty Heron', 'hello', 'home', 'accepted', 1, 1);
      insert into version (id, entry_key, number, role, changed, made_of, variables) values (1, 1, 1, 'build', 'wings', 'paper', '{}');
      insert into trial (version_id, number, raw, value, instrument, seen, at_least, kept) values
        (1, 1, '1.2', 1.2, 'hand stopwatch', '[]', 0, 0),
        (1, 2, '1.4', 1.4, 'hand stopwatch', '[]', 1, 0),
        (1, 3, null, null, 'hand stopwatch', '["hard"]', 0, 0);
    `);
    client.close();
    const db = openDatabase(folder);
    const rows = (sql: string): unknown[] => db.$client.prepare(sql).raw().all();
    expect(rows("select name, pack_size, archived from material order by id")).toEqual([
      ["Card", 25, 0],
      ["Huge", 1e6, 0],
    ]);
    expect(rows("select amount from stock_move")).toEqual([[40]]);
    expect(
      rows("select e.said, v.made_of, t.value from entry e join version v on v.entry_key = e.key join trial t on t.version_id = v.id"),
    ).toEqual([
      ["hello", "paper", 1.2],
      ["hello", "paper", 1.4],
      ["hello", "paper", null],
    ]);
    // A table that was built anew keeps its rows, and what hangs on them; new columns hold nothing yet.
    expect(rows("select id, room_id, start_wall, people, part, repeat_id, sequence, revision from session")).toEqual([
      ["sess01", "room01", "2026-12-05T10:00", "[]", null, null, 0, 4],
    ]);
    expect(rows("select session_id, builders from session_count")).toEqual([["sess01", 9]]);
    // What was ticked as still holding stays so, and a test without a number failed.
    expect(rows("select outcome, raw, broke_raw, seen from trial order by number")).toEqual([
      ["number", "1.2", null, "[]"],
      ["atLeast", "1.4", null, "[]"],
      ["failed", null, null, '["hard"]'],
    ]);
    expect(db.$client.pragma("foreign_key_check")).toEqual([]);
    expect(db.$client.pragma("foreign_keys", { simple: true })).toBe(1);
    db.$client.close();
    const [copy = ""] = readdirSync(join(folder, "copies"));
    const before = new Sqlite(join(folder, "copies", copy), { readonly: true });
    expect(before.prepare("select count(*) from stock_move").pluck().get()).toBe(2);
    before.close();
    openDatabase(folder).$client.close();
    expect(readdirSync(join(folder, "copies"))).toHaveLength(1);
  });

  it("refuses a file that a newer version wrote, and leaves it as it is", () => {
    openDatabase(folder).$client.close();
    const file = join(folder, "lampcrate.sqlite");
    copyFileSync(file, join(folder, "kept"));
    const client = new Sqlite(file);
    client.prepare("insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)").run();
    client.close();
    expect(() => openDatabase(folder)).toThrow(/written by a newer Lamp Crate/);
  });

  it("lets the database itself refuse numbers that are none", () => {
    const db = openDatabase(folder);
    const add = (size: number) =>
      db.$client
        .prepare(
          "insert into material (id, name, unit, pack_size, pack_price_cents, allergens, small_part, latex, revision) values ('a', 'A', 'piece', ?, 1, '[]', 0, 0, 1)",
        )
        .run(size);
    expect(() => add(Number.POSITIVE_INFINITY)).toThrow(/CHECK constraint/);
    expect(() => add(-1)).toThrow(/CHECK constraint/);
    expect(add(25).changes).toBe(1);
    db.$client.close();
  });
});
