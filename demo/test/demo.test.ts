import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bookedSpan, familyIds, runKinds, sessionKinds } from "@lampcrate/core";
import { entriesOf, houseDoc, openDatabase, runDoc, schema } from "@lampcrate/server";
import { afterEach, describe, expect, it } from "vitest";
import { loadDemo } from "../src/index.ts";

const folders: string[] = [];
afterEach(() => {
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
});

async function load(day: string) {
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-demo-"));
  folders.push(folder);
  await loadDemo(folder, Date.parse(day), "http://localhost:8150");
  return openDatabase(folder);
}

const planner = { id: "nobody", name: "", role: "planner" } as const;

/** Each weekday, both clock changes, a leap day, the turn of the year. */
const days = [
  "2026-11-23T08:00:00Z",
  "2026-11-24T23:30:00Z",
  "2026-11-26T10:00:00Z",
  "2026-11-27T10:00:00Z",
  "2026-11-28T09:00:00Z",
  "2026-11-29T22:00:00Z",
  "2026-10-25T00:30:00Z",
  "2027-03-28T01:00:00Z",
  "2028-02-29T12:00:00Z",
  "2026-12-31T23:30:00Z",
];

describe.each(days)("the demo laid from %s", (day) => {
  it("has every state to show, nothing in the wrong time, and no room taken twice", async () => {
    const db = await load(day);
    const now = Date.parse(day);
    const runs = db
      .select()
      .from(schema.run)
      .all()
      .map((row) => runDoc(db, row.id, planner));
    const count = (status: string): number => runs.filter((run) => run.status === status).length;
    expect([count("published"), count("draft")]).toEqual([5, 10]);
    expect(new Set(runs.map((run) => run.brief.family))).toEqual(new Set(familyIds));
    const sessions = db.select().from(schema.session).all();
    expect(new Set(sessions.map(({ kind }) => kind))).toEqual(new Set(sessionKinds));
    expect(new Set(runs.filter((run) => run.sessions.length > 0).map(({ kind }) => kind))).toEqual(new Set(runKinds));
    // Six weeks back and about eight ahead.
    const weeks = sessions.map((s) => (s.startAt - now) / (7 * 86_400_000));
    expect(Math.min(...weeks)).toBeLessThan(-3.9);
    expect(Math.max(...weeks)).toBeGreaterThan(5.9);
    expect(sessions.some((s) => s.startAt < now) && sessions.some((s) => s.startAt > now)).toBe(true);
    for (const a of sessions) {
      for (const b of sessions) {
        if (a.id >= b.id || a.roomId === null || a.roomId !== b.roomId) continue;
        const [[fromA, toA], [fromB, toB]] = [bookedSpan({ ...a, start: a.startAt }), bookedSpan({ ...b, start: b.startAt })];
        expect(fromA < toB && fromB < toA).toBe(false);
      }
    }
    const entries = runs.flatMap((run) => entriesOf(db, run.id));
    expect(entries.every((entry) => entry.sentAt <= now)).toBe(true);
    const flags = new Set(entries.flatMap((e) => e.versions.flatMap((v) => v.trials.map((t) => t.flag))));
    const outcomes = new Set(entries.flatMap((e) => e.versions.flatMap((v) => v.trials.map((t) => t.outcome))));
    expect(outcomes).toEqual(new Set(["number", "failed", "atLeast", "between", "below", "passed", "rung"]));
    expect([...flags]).toEqual(expect.arrayContaining([null, "impossible"]));
    expect(new Set(entries.map((e) => e.state))).toEqual(new Set(["waiting", "accepted", "set aside"]));
    expect(entries.filter(({ groupRow }) => groupRow !== null)).toHaveLength(8);
    expect(entries.flatMap(({ asks }) => asks.map(({ answer }) => answer))).toEqual(["Yes, we filmed it. It was windy and went up first."]);
    expect(houseDoc(db).rooms).toHaveLength(3);
    db.$client.close();
  });
});

describe("loaded twice", () => {
  it("has the same runs, codes, aliases and numbers", async () => {
    const shape = async () => {
      const db = await load("2026-11-25T10:00:00Z");
      const runs = db
        .select()
        .from(schema.run)
        .all()
        .map(({ id, title, code, opensOn }) => ({ id, title, code, opensOn }));
      const found = {
        runs,
        entries: runs.flatMap((run) =>
          entriesOf(db, run.id).map((e) => [e.alias, e.state, e.versions.map((v) => v.trials.map((t) => t.raw))]),
        ),
      };
      db.$client.close();
      return found;
    };
    expect(await shape()).toEqual(await shape());
  });
});
