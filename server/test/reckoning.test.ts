import type { BuilderPage, EntryPage, FindingsDoc, Receipt, RevealDoc, RevealPage, RunDoc } from "@lampcrate/contract";
import { families, surelyBetter } from "@lampcrate/core";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { reckonHere } from "../src/index.ts";
import { RunDigest } from "../src/services/findings/digest.ts";
import { Digests } from "../src/services/findings/digests.ts";
import { ranksOf } from "../src/services/findings/reveal.ts";
import { runRow } from "../src/services/runs/runs.ts";
import { entriesOf, goodEntry, makeRun, openTestHouse, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const code = (): string => encodeURIComponent(run.code ?? "");
const entry = (i: number) => {
  const base = goodEntry(`e${i}`);
  const raw = (1 + ((i * 37) % 90) / 100).toFixed(2);
  return {
    ...base,
    versions: base.versions.map((v, n) => ({ ...v, trials: v.trials.map((t) => ({ ...t, raw: n === 1 ? raw : t.raw })) })),
  };
};
const send = (i: number) => sendTo(house, run, entry(i));
const decide = (id: string, decision: string, revision: number) =>
  house.ask("POST", `/api/runs/${run.id}/entries/${id}/decision`, { decision, why: "", revision });
const get = async <T>(path: string): Promise<T> => (await house.ask("GET", path)).body as T;

describe("findings that are kept", () => {
  it("are those that would be reckoned anew, whatever happened in between", async () => {
    const mine = (i: number, method: string, path = "", body?: unknown) =>
      house.ask(method, `/api/public/mine${path}`, body, { cookie: null, headers: { "x-entry-secret": entry(i).secret } });
    const anew = () => reckonHere(house.deps.db, house.deps.data).ask("findings", { runId: run.id });
    const steps: readonly (() => Promise<unknown>)[] = [
      () => send(0),
      () => Promise.all([1, 2, 3, 4, 5].map(send)),
      () => decide(entry(1).id, "accepted", 1),
      () => decide(entry(2).id, "accepted", 1),
      () => decide(entry(3).id, "accepted", 1),
      () => decide(entry(2).id, "set aside", 2),
      () => house.ask("POST", `/api/runs/${run.id}/undo`),
      () => mine(3, "PUT", "", { revision: 2, ageBand: null, said: "", versions: entry(7).versions }),
      () => mine(1, "POST", "/withdraw"),
      () => mine(2, "DELETE"),
      () => decide(entry(3).id, "accepted", 3),
      async () => {
        const now = await get<RunDoc>(`/api/runs/${run.id}`);
        const brief = { ...now.brief, spec: { ...now.brief.spec, goalS: 1.9 } };
        await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: now.briefRevision, words: "", brief });
        await house.ask("POST", `/api/runs/${run.id}/publish`);
      },
      async () => house.ask("PUT", `/api/runs/${run.id}`, { ...settings(await get<RunDoc>(`/api/runs/${run.id}`)), units: "imperial" }),
      () => mine(1, "POST", "/restore"),
    ];
    for (const step of steps) {
      await step();
      expect(await get<FindingsDoc>(`/api/runs/${run.id}/findings`)).toEqual(JSON.parse(JSON.stringify(await anew())));
    }
    expect(await get<FindingsDoc>(`/api/runs/${run.id}/findings`)).toMatchObject({ entries: 1, goal: 1.9, waiting: 4 });
  });

  it("judge each entry by the sheet its family built from, whatever was published since", async () => {
    const publishGoal = async (goalS: number): Promise<void> => {
      const now = await get<RunDoc>(`/api/runs/${run.id}`);
      const brief = { ...now.brief, spec: { ...now.brief.spec, goalS } };
      await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: now.briefRevision, words: "", brief });
      expect((await house.ask("POST", `/api/runs/${run.id}/publish`)).status).toBe(200);
    };
    const accepted = async (name: string): Promise<void> => {
      const sent = goodEntry(name);
      expect((await sendTo(house, run, sent)).status).toBe(201);
      await decide(sent.id, "accepted", 1);
    };
    await publishGoal(1.5);
    await accepted("early");
    expect(await get<FindingsDoc>(`/api/runs/${run.id}/findings`)).toMatchObject({ goalMet: 1, plain: ["1 of 1 met the goal.", {}, {}] });
    await publishGoal(1.9);
    await accepted("late");
    const { goal, goalMet, plain, table } = await get<FindingsDoc>(`/api/runs/${run.id}/findings`);
    expect([goal, goalMet, table.builders.map((b) => b.metGoal)]).toEqual([1.9, 1, [true, false]]);
    expect(plain[0]).toBe("1 of 2 met the goal of the sheet they built from.");
    house.at("2026-12-24T09:00:00Z");
    const reveal = (await house.ask("GET", `/api/public/runs/${code()}/reveal`, undefined, { cookie: null })).body as RevealDoc;
    expect(reveal).toMatchObject({ goalMet: 1, entries: 2, plain: [plain[0], {}, {}] });
  });

  it("are taken in some at a time, until none is left", async () => {
    await Promise.all(Array.from({ length: 7 }, (_, i) => send(i)));
    const digests = new Digests(house.deps.db);
    expect([3, 3, 3].map((most) => digests.refreshSome(most))).toEqual([false, false, true]);
  });

  it("hold the same entries as if read anew, in whatever order they came, changed, went and were taken in", async () => {
    const { db } = house.deps;
    const row = runRow(db, run.id);
    const digest = new RunDigest(run.id);
    const { $client } = db;
    const move = (state: string, at: number): void => {
      const keys = $client.prepare("select key from entry order by key").pluck().all();
      const key = keys[at % Math.max(1, keys.length)];
      if (state === "gone") $client.prepare("delete from entry where key = ?").run(key ?? 0);
      else $client.prepare("update entry set state = ?, revision = revision + 1 where key = ?").run(state, key ?? 0);
    };
    let sent = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.tuple(
            fc.constantFrom("new", "new", "accepted", "waiting", "withdrawn", "gone", "some", "all"),
            fc.integer({ min: 1, max: 9 }),
          ),
          { maxLength: 14 },
        ),
        async (steps) => {
          for (const [what, n] of steps) {
            if (what === "some" || what === "all") digest.refresh(db, row, what === "all" ? undefined : 1 + (n % 3));
            else if (what === "new") for (let i = 0; i < n % 4; i += 1) await send(sent++);
            else move(what, n);
          }
          digest.refresh(db, row);
          const anew = new RunDigest(run.id);
          anew.refresh(db, row);
          expect(digest.all()).toEqual(anew.all());
          expect(digest.waits).toBe(anew.all().filter(({ state }) => state === "waiting").length);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe("long lists", () => {
  beforeEach(async () => {
    for (let i = 0; i < 125; i += 1) await send(i);
  });

  it("of entries come page by page, those that wait first, each once", async () => {
    const all = house.deps.db.$client.prepare("select id from entry").pluck().all();
    await decide(entry(0).id, "accepted", 1);
    const pages: EntryPage[] = [];
    for (let from: number | null = 0; from !== null; from = pages.at(-1)?.next ?? null)
      pages.push(await get<EntryPage>(`/api/runs/${run.id}/entries?from=${from}`));
    expect(pages.map((page) => page.entries.length)).toEqual([60, 60, 5]);
    expect(pages[0]).toMatchObject({ total: 125, waiting: 124 });
    const listed = pages.flatMap((page) => page.entries.map(({ id }) => id));
    expect(new Set(listed)).toEqual(new Set(all));
    expect(listed.at(-1)).toBe(entry(0).id);
    for (const bad of ["-1", "1e3", "x", ""]) expect((await house.ask("GET", `/api/runs/${run.id}/entries?from=${bad}`)).status).toBe(422);
  });

  it("of builders too, at the desk and on the reveal, where one finds one's own by its first letters", async () => {
    for (const { id } of await entriesOf(house, run.id)) await decide(id, "accepted", 1);
    for (const { id } of await entriesOf(house, run.id)) await decide(id, "accepted", 1);
    for (let i = 0; i < 125; i += 1) await decide(entry(i).id, "accepted", 1);
    const findings = await get<FindingsDoc>(`/api/runs/${run.id}/findings`);
    const more = await get<BuilderPage>(`/api/runs/${run.id}/findings/builders?from=${findings.table.next}`);
    expect([findings.entries, findings.table.builders.length, more.builders.length, more.next]).toEqual([125, 100, 25, null]);
    house.at("2026-12-24T09:00:00Z");
    const reveal = (await house.ask("GET", `/api/public/runs/${code()}/reveal`, undefined, { cookie: null })).body as RevealDoc;
    expect(reveal.table).toMatchObject({ total: 125, next: 100 });
    expect(JSON.stringify(reveal)).not.toContain("entryId");
    const { alias } = (await send(0)).body as Receipt;
    const found = (
      await house.ask("GET", `/api/public/runs/${code()}/reveal/builders?find=${encodeURIComponent(alias.toUpperCase())}`, undefined, {
        cookie: null,
      })
    ).body as RevealPage;
    expect(found.builders.map((b) => b.alias)).toContain(alias);
    expect(found.total).toBeLessThan(5);
  });

  it("of trials are written out whole, one heading above them, in parts", async () => {
    for (let i = 125; i < 510; i += 1) await send(i);
    const rows = ((await house.ask("GET", `/api/runs/${run.id}/trials.csv`)).body as string).trim().split("\r\n");
    expect(rows).toHaveLength(1 + 510 * 6);
    expect(rows.filter((row) => row.startsWith("alias,"))).toHaveLength(1);
    expect(new Set(rows.map((row) => row.split(",").length)).size).toBeLessThan(4);
  });
});

const exact = (value: number) => ({ low: value, high: value, open: false });

describe("ranks", () => {
  it("where values are known between bounds, count those who surely did better", () => {
    const anyInterval = fc.tuple(fc.integer({ min: 0, max: 5 }), fc.constantFrom(0, 1, 3, null)).map(([low, wide]) => ({
      low,
      high: wide === null ? null : low + wide,
      open: wide !== 0,
    }));
    fc.assert(
      fc.property(fc.array(anyInterval, { maxLength: 20 }), fc.constantFrom("more", "less"), (all, better) => {
        const ranks = ranksOf(
          all.map((best, i) => ({ alias: `b${i}`, best, last: null, measure: null })),
          "best",
          better,
        );
        for (const [i, one] of all.entries())
          expect(ranks.get(`b${i}`)).toBe(1 + all.filter((other) => surelyBetter(other, one, better)).length);
      }),
    );
  });

  it("are one more than the number with a strictly better score", () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.integer({ min: 0, max: 6 }), { nil: null }), { maxLength: 30 }),
        fc.constantFrom("more", "less"),
        (scores, better) => {
          const builders = scores.map((best, i) => ({
            alias: `b${i}`,
            best: best === null ? null : exact(best),
            last: null,
            measure: null,
          }));
          const ranks = ranksOf(builders, "best", better);
          for (const [i, { alias }] of builders.entries()) {
            const best = scores[i] ?? null;
            const ahead = scores.filter((s) => s !== null && best !== null && (better === "more" ? s > best : s < best)).length;
            expect(ranks.get(alias)).toBe(best === null ? undefined : 1 + ahead);
          }
        },
      ),
    );
  });

  it("leave out whoever measured something else, by an earlier sheet", () => {
    const all = [
      { alias: "far", best: exact(4), last: exact(4), measure: families["launch-band"].measures({ aim: "far" })[0] },
      { alias: "near", best: exact(0.1), last: exact(0.1), measure: null },
    ];
    expect([...ranksOf(all, "best", "more")]).toEqual([["near", 1]]);
  });

  it("are given in no run that celebrates or lists the goal alone", () => {
    expect(ranksOf([{ alias: "a", best: exact(1), last: exact(1), measure: null }], "celebrate", "more").size).toBe(0);
    expect(ranksOf([{ alias: "a", best: exact(1), last: exact(1), measure: null }], "goal-improved", "more").size).toBe(0);
  });
});
