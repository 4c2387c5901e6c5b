import { blankTrial, type GroupDoc, type GroupInput, type MineDoc, type ProblemDoc, type RunDoc } from "@lampcrate/contract";
import { consentWords } from "@lampcrate/words/all";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { ClockWatch } from "../src/jobs/clockWatch.ts";
import { keepPromises } from "../src/jobs/keepPromises.ts";
import { entriesOf, everything, goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

/** A builder's line: two versions of two trials. */
const row = (number: number, raws: readonly string[] = ["1.20", "1.24", "1.60", "1.66"]): GroupInput["rows"][number] => {
  const [plain] = goodEntry("row").versions;
  if (!plain) throw new Error("a good entry has a version");
  const version = (some: readonly string[], sizeM: number) => ({
    ...plain,
    variables: { kind: "spinner", sizeM },
    trials: some.map((raw) => ({ ...blankTrial("hand stopwatch"), raw })),
  });
  return {
    id: `builder-${number}-`.padEnd(24, "x"),
    row: number,
    versions: [version(raws.slice(0, 2), 0.07), version(raws.slice(2), 0.1)],
  };
};
const group = (rows: GroupInput["rows"], patch: Partial<GroupInput> = {}): GroupInput => ({
  id: "group-otters-".padEnd(24, "x"),
  secret: "secret-group-".padEnd(32, "y"),
  ageBand: "9 to 11",
  consentKeep: true,
  consentVersion: "en-1",
  rows,
  ...patch,
});
const send = (input: unknown) =>
  house.ask("POST", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/groups`, input, { cookie: null });
const behind = (method: string, path: string, secret: string, body?: unknown) =>
  house.ask(method, `/api/public${path}`, body, { cookie: null, headers: { "x-entry-secret": secret } });
const { secret } = group([]);

describe("a leader's group sheet", () => {
  it("makes an entry of each builder, with a made-up name each, once however often it is sent", async () => {
    const first = await send(group([row(1), row(2), row(7)]));
    expect(first.status).toBe(201);
    const { aliases } = first.body as { aliases: string[] };
    expect(new Set(aliases).size).toBe(3);
    expect((await send(group([row(1), row(2), row(7)]))).body).toEqual({ aliases });
    const entries = await entriesOf(house, run.id);
    expect(entries.map(({ alias, groupRow, state }) => [alias, groupRow, state]).sort((a, b) => Number(a[1]) - Number(b[1]))).toEqual(
      aliases.map((alias, i) => [alias, [1, 2, 7][i], "waiting"]),
    );
    expect(entries[0]?.versions[1]?.trials.map(({ value }) => value)).toEqual([1.6, 1.66]);
  });

  it("is kept whole or not at all, and names each cell that can't be read", async () => {
    const before = everything(house);
    const bad = [1, 2, 3, 4, 5, 6].map((n) => row(n, n % 2 === 0 ? ["1.2", "perhaps", "1.6", "3 kg"] : undefined));
    const refused = await send(group(bad));
    expect(refused.status).toBe(422);
    expect((refused.body as ProblemDoc).errors?.map(({ field }) => field)).toEqual(
      [1, 3, 5].flatMap((i) => [`rows[${i}].versions[0].trials[1].raw`, `rows[${i}].versions[1].trials[1].raw`]),
    );
    expect(everything(house)).toBe(before);
  });

  it("takes sixty builders and no more, each row once, with an adult's yes, while entries are open", async () => {
    const many = (count: number) => Array.from({ length: count }, (_, i) => row(i + 1));
    expect((await send(group(many(61)))).status).toBe(422);
    expect((await send(group(Array.from({ length: 5000 }, (_, i) => row(1 + (i % 60)))))).status).toBe(413);
    expect((await send(group([row(1), { ...row(2), row: 1 }]))).status).toBe(422);
    expect((await send(group([row(1)], { consentKeep: false }))).status).toBe(422);
    expect((await send(group([]))).status).toBe(422);
    expect((await send(group(many(60)))).status).toBe(201);
    house.at("2026-12-21T12:00:00Z");
    const late = await send(
      group([{ ...row(1), id: "builder-late-".padEnd(24, "x") }], { id: "group-late-".padEnd(24, "x"), secret: "z".repeat(32) }),
    );
    expect(late.status).toBe(403);
  });

  it("is opened by its own link, each builder by it with a row; by another link nothing is", async () => {
    await send(group([row(1), row(2)]));
    await sendTo(house, run, goodEntry("heron"));
    const { entries } = (await behind("GET", "/group", secret)).body as GroupDoc;
    expect(entries.map(({ groupRow }) => groupRow)).toEqual([1, 2]);
    const mine = (await behind("GET", "/mine", `${secret}~2`)).body as MineDoc;
    expect(mine.entry.alias).toBe(entries[1]?.alias);
    expect(mine.consents.find(({ part }) => part === "keep")?.words).toBe(consentWords["en-1"]?.group);
    for (const other of [`${secret}~3`, goodEntry("heron").secret, "w".repeat(32)])
      expect((await behind("GET", "/group", other)).status).toBe(404);
    expect((await behind("GET", "/mine", secret)).status).toBe(404);
    expect((await send(group([row(1)], { secret: "q".repeat(32) }))).status).toBe(409);
  });

  it("a builder is corrected by their row, and the rest is not touched", async () => {
    await send(group([row(1), row(2)]));
    const { entry } = (await behind("GET", "/mine", `${secret}~1`)).body as MineDoc;
    const { ageBand, said, tokens, timer, answers } = entry;
    const versions = row(1, ["1.30", "1.32", "1.70", "1.72"]).versions;
    const saved = await behind("PUT", "/mine", `${secret}~1`, {
      revision: entry.revision,
      ageBand,
      said,
      tokens,
      timer,
      answers,
      versions,
    });
    expect(saved.status).toBe(200);
    const { entries } = (await behind("GET", "/group", secret)).body as GroupDoc;
    expect(entries.map(({ versions: [first] }) => first?.trials[0]?.value)).toEqual([1.3, 1.2]);
  });

  it("is withdrawn and put back whole; erased whole it leaves nothing, and does not come back", async () => {
    await send(group([row(1), row(2)]));
    expect(((await behind("POST", "/group/withdraw", secret)).body as GroupDoc).entries.map(({ state }) => state)).toEqual([
      "withdrawn",
      "withdrawn",
    ]);
    expect(((await behind("POST", "/group/restore", secret)).body as GroupDoc).entries.map(({ state }) => state)).toEqual([
      "waiting",
      "waiting",
    ]);
    expect((await behind("DELETE", "/group", secret)).status).toBe(200);
    expect((await behind("GET", "/group", secret)).status).toBe(404);
    expect(house.deps.db.$client.prepare("select count(*) from group_sheet").pluck().get()).toBe(0);
    expect((await send(group([row(1), row(2)]))).status).toBe(410);
    expect(await entriesOf(house, run.id)).toEqual([]);
    expect(house.deps.db.$client.prepare("select count(*) from group_sheet").pluck().get()).toBe(0);
  });

  it("a sheet goes with the last of its builders, and its link when they are made anonymous", async () => {
    await send(group([row(1), row(2)]));
    await behind("DELETE", "/mine", `${secret}~1`);
    expect(((await behind("GET", "/group", secret)).body as GroupDoc).entries).toHaveLength(1);
    // Months pass evenly, with the job at the end of each part.
    const watch = new ClockWatch(house.deps);
    for (const day of ["2027-03-17T00:00:00Z", "2027-03-24T08:00:00Z"]) {
      house.pass(Date.parse(day) - house.deps.clock());
      await keepPromises(house.deps, watch);
    }
    expect((await behind("GET", "/group", secret)).status).toBe(404);
    expect(house.deps.db.$client.prepare("select count(*), count(group_id), count(group_row) from entry").raw().get()).toEqual([1, 0, 0]);
  });
});
