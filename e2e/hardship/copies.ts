import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openDatabase } from "@lampcrate/server";
import { startHouse } from "../harness.ts";
import { command } from "./folder.ts";
import { rest, type Sent, sendEntries } from "./posts.ts";
import { signInTo } from "./staff.ts";
import type { Told } from "./told.ts";

const idsIn = (data: string): ReadonlySet<string> => {
  const db = openDatabase(data);
  const ids = db.$client.prepare("select id from entry where id like 'burst-%'").pluck().all() as string[];
  db.$client.close();
  return new Set(ids);
};

/** Copies made while entries come in, and one of them put back. */
export async function backups(): Promise<readonly Told[]> {
  const house = await startHouse();
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-copies-"));
  const env = { ...process.env, LAMPCRATE_DATA: house.data };
  try {
    const { code } = await (await signInTo(house)).run("Seed-Wing Spinner");
    const sent: Sent[] = [];
    const sending = sendEntries(house, code, { from: 0, count: 3000, connections: 30, pace: 300 }, (one) => sent.push(one));
    await rest(3000);
    const before = sent.filter(({ status }) => status === 201).map(({ id }) => id);
    const copy = await command(["server/dist/house.js", "backup", folder], env);
    await sending;
    const [file = ""] = copy.out.split("\n");
    await house.stop();
    const restored = join(folder, "restored");
    const put = await command(["server/dist/house.js", "restore", file, "--data", restored], env);
    const there = idsIn(restored);
    const missing = before.filter((id) => !there.has(id)).length;
    const served = await startHouse({ data: restored });
    const health = (await fetch(`${served.url}/healthz`)).status;
    await served.stop();
    return [
      {
        tried: "a backup while 300 entries a second come in",
        came: `${(copy.ms / 1000).toFixed(1)} s, looked through, whole; of ${before.length.toLocaleString("en")} acknowledged before it began ${missing} missing; ${sent.filter(({ status }) => status !== 201).length} entries refused meanwhile`,
        good: copy.code === 0 && missing === 0 && sent.every(({ status }) => status === 201),
      },
      {
        tried: "that copy restored into another folder and served",
        came: `${there.size.toLocaleString("en")} entries; ${put.out.split("\n")[0]?.replace(restored, "FOLDER")} (${health})`,
        good: put.code === 0 && health === 200,
      },
    ];
  } finally {
    await house.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Deletes a folder that what was killed may still write to: for a moment, on a busy machine for seconds. */
async function lose(folder: string): Promise<void> {
  for (let attempt = 0; ; attempt += 1)
    try {
      return rmSync(folder, { recursive: true, force: true });
    } catch (error) {
      if (attempt >= 40) throw error;
      await rest(250);
    }
}

/** The server and its disk lost in a burst, and the house got back from its replica in another folder. */
export async function replica(): Promise<readonly Told[]> {
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-replica-"));
  const seed = await startHouse();
  const { data } = seed;
  const { code } = await (await signInTo(seed)).run("Seed-Wing Spinner");
  seed.process.kill("SIGTERM");
  await new Promise((end) => seed.process.once("exit", end));
  const address = join(folder, "replica");
  const house = await startHouse({ data, env: { LAMPCRATE_REPLICA: address } });
  try {
    await rest(2500);
    const acknowledged: { id: string; at: number }[] = [];
    const sending = sendEntries(house, code, { from: 0, count: 4000, connections: 20, pace: 200 }, (one) => {
      if (one.status === 201) acknowledged.push({ id: one.id, at: performance.now() });
    });
    await rest(8000);
    const killed = performance.now();
    house.process.kill("SIGKILL");
    await lose(data);
    await sending;
    const until = acknowledged.filter(({ at }) => at <= killed);
    await rest(1000);
    const restored = join(folder, "restored");
    const got = await command(["server/dist/house.js", "restore", "--replica", address, "--data", restored], process.env);
    const there = idsIn(restored);
    const missing = until.filter(({ id }) => !there.has(id));
    const oldest = missing.length === 0 ? 0 : killed - Math.min(...missing.map(({ at }) => at));
    return [
      {
        tried: "server and disk lost while 200 entries a second come in; restored elsewhere from the replica",
        came: `of ${until.length.toLocaleString("en")} acknowledged ${missing.length} missing, all of the last ${oldest.toFixed(0)} ms; back in ${(got.ms / 1000).toFixed(1)} s`,
        good: got.code === 0 && oldest <= 1000,
      },
    ];
  } finally {
    await house.stop();
    rmSync(folder, { recursive: true, force: true });
    rmSync(data, { recursive: true, force: true });
  }
}
