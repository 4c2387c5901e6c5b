import { rmSync } from "node:fs";
import { openDatabase } from "@lampcrate/server";
import { type House, startHouse } from "../harness.ts";
import { type Sent, sendEntries } from "./posts.ts";
import { signInTo } from "./staff.ts";
import type { Told } from "./told.ts";

/** Kills the server hard, again and again, while entries come in and a planner saves; then counts. */
export async function kills(times = 10, each = 400): Promise<readonly Told[]> {
  const seed = await startHouse();
  const { data } = seed;
  const { id, code } = await (await signInTo(seed)).run("Seed-Wing Spinner");
  seed.process.kill("SIGTERM");
  await new Promise((end) => seed.process.once("exit", end));
  const acknowledged = new Set<string>();
  let saved = -1;
  let savingRounds = 0;
  for (let round = 0; round < times; round += 1) {
    const house = await startHouse({ data });
    const kill = 40 + round * 25;
    let here = 0;
    // The burst begins once the planner saves: both are under way when the server is killed.
    let [begin, saves]: [() => void, number] = [() => {}, 0];
    const begun = new Promise<void>((go) => {
      begin = go;
    });
    const saving = saveUntilGone(house, id, round, (number) => {
      saved = Math.max(saved, number);
      saves += 1;
      if (saves === 2) begin();
    });
    await Promise.race([begun, saving]);
    savingRounds += saves > 0 ? 1 : 0;
    await sendEntries(house, code, { from: round * each, count: each, connections: 50 }, (one: Sent) => {
      if (one.status === 201 || one.status === 200) {
        acknowledged.add(one.id);
        here += 1;
        if (here === kill) house.process.kill("SIGKILL");
      }
    });
    await saving;
  }
  const db = openDatabase(data);
  const kept = db.$client.prepare("select id from entry where id like 'burst-%'").pluck().all() as string[];
  const halves = db.$client
    .prepare(
      "select count(*) from entry e where e.id like 'burst-%' and (select count(*) from version v join trial t on t.version_id = v.id where v.entry_key = e.key) <> 6",
    )
    .pluck()
    .get() as number;
  const integrity = db.$client.pragma("integrity_check", { simple: true });
  const title = db.$client.prepare("select title from run where id = ?").pluck().get(id) as string;
  db.$client.close();
  rmSync(data, { recursive: true, force: true });
  const lost = [...acknowledged].filter((one) => !kept.includes(one)).length;
  const savedTitle = Number(/(\d+)$/.exec(title)?.[1] ?? -1);
  return [
    {
      tried: `kill -9, ${times} times, each while 50 connections send entries and a planner saves`,
      came: `${acknowledged.size.toLocaleString("en")} acknowledged, ${lost} lost, ${kept.length - new Set(kept).size} doubled, ${halves} half-written; the planner saved in ${savingRounds} of ${times} rounds, and the last acknowledged save is ${savedTitle >= saved ? "" : "not "}there; ${integrity}`,
      good: lost === 0 && halves === 0 && integrity === "ok" && savingRounds === times && savedTitle >= saved,
    },
  ];
}

/** Renames a run over and over until the server is gone, and tells the number of each name that was acknowledged. */
async function saveUntilGone(house: House, id: string, round: number, onSaved: (number: number) => void): Promise<void> {
  try {
    const planner = await signInTo(house);
    for (let i = 0; ; i += 1) {
      const run = (await (await planner.get(`/api/runs/${id}`)).json()) as Record<string, unknown>;
      const { revision, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards } = run;
      const number = round * 10_000 + i;
      const body = { revision, title: `Seed-Wing Spinner ${number}`, kind, opensOn, closesOn, revealOn, scoring, units, heads, afterwards };
      if ((await planner.send("PUT", `/api/runs/${id}`, body)).ok) onSaved(number);
    }
  } catch {
    // The server was killed: what was not acknowledged does not count.
  }
}
