import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, statfsSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openDatabase } from "@lampcrate/server";
import { freePort, type House, root, startHouse } from "../harness.ts";
import { rest, sendEntries } from "./posts.ts";
import { signInTo } from "./staff.ts";
import type { Told } from "./told.ts";

/** Two servers on one folder, and who may read it. */
export async function twoServers(): Promise<readonly Told[]> {
  const house = await startHouse();
  try {
    const port = await freePort();
    const second = spawnSync(process.execPath, ["server/dist/main.js"], {
      cwd: root,
      env: { ...process.env, LAMPCRATE_DATA: house.data, PORT: String(port) },
      encoding: "utf8",
      timeout: 20_000,
    });
    const modes = ["", "lampcrate.sqlite", "lampcrate.sqlite-wal"].map((name) =>
      (statSync(join(house.data, name)).mode & 0o77).toString(8),
    );
    return [
      {
        tried: "a second server on the same folder",
        came: `ends with ${second.status}: “${second.stderr.trim().replace(house.data, "FOLDER")}”`,
        good: second.status === 1 && second.stderr.includes(String(house.process.pid)),
      },
      {
        tried: "folder, file and log read by somebody else",
        came: modes.every((mode) => mode === "0") ? "owner only" : modes.join(),
        good: modes.every((mode) => mode === "0"),
      },
    ];
  } finally {
    await house.stop();
  }
}

/** A disk that fills up while so many entries come in, and then has room again: about 1 kB of room for each at first. */
export async function diskFull(entries = 20_000): Promise<readonly Told[]> {
  const disk = mkdtempSync(join(tmpdir(), "lampcrate-disk-"));
  if (spawnSync("mount", ["-t", "tmpfs", "-o", "size=80m", "tmpfs", disk]).status !== 0) {
    rmSync(disk, { recursive: true });
    return [{ tried: "a full disk", came: "not tried: no small disk can be mounted here", good: true }];
  }
  const data = join(disk, "house");
  mkdirSync(data);
  let house: House | null = null;
  try {
    const env = { ...process.env, LAMPCRATE_DATA: data, LAMPCRATE_NOW: "2026-11-25T10:00:00Z" };
    spawnSync(process.execPath, ["server/dist/loadDemo.js"], { cwd: root, env });
    const full = statfsSync(disk);
    const used = (full.blocks - full.bfree) * full.bsize;
    spawnSync("mount", ["-o", `remount,size=${used + 1050 * entries}`, disk]);
    house = await startHouse({ data });
    const { code } = await (await signInTo(house)).run("Seed-Wing Spinner");
    const sent = await sendEntries(house, code, { from: 0, count: entries, connections: 32 });
    const refused = sent.filter(({ status }) => status === 507).length;
    const other = sent.filter(({ status }) => status !== 507 && status !== 201).length;
    const alive = (await fetch(`${house.url}/api/public/runs/${encodeURIComponent(code)}`)).status;
    spawnSync("mount", ["-o", "remount,size=80m", disk]);
    const again = await sendEntries(house, code, { from: 0, count: entries, connections: 32 });
    const acknowledged = again.filter(({ status }) => status === 201 || status === 200).length;
    const db = openDatabase(data);
    const kept = db.$client.prepare("select count(*) from entry where id like 'burst-%'").pluck().get() as number;
    const integrity = db.$client.pragma("integrity_check", { simple: true });
    db.$client.close();
    return [
      {
        tried: `a disk that fills up under ${entries.toLocaleString("en")} entries, then has room again`,
        came: `${(entries - refused - other).toLocaleString("en")} kept, ${refused.toLocaleString("en")} told “no room left” (507), ${other} anything else; sheets still served (${alive}); sent again: ${acknowledged.toLocaleString("en")} acknowledged, ${kept.toLocaleString("en")} there, ${integrity}`,
        good: refused > 0 && other === 0 && alive === 200 && acknowledged === entries && kept === entries && integrity === "ok",
      },
    ];
  } finally {
    await house?.stop();
    spawnSync("umount", [disk]);
    rmSync(disk, { recursive: true, force: true });
  }
}

/** A clock that jumps while the server is off, and a closing day in the year 9999. */
export async function clocks(): Promise<readonly Told[]> {
  const house = await startHouse();
  const { data } = house;
  const before = entriesIn(data);
  house.process.kill("SIGTERM");
  await new Promise((end) => house.process.once("exit", end));
  const came: string[] = [];
  for (const now of ["2027-12-31T00:00:00Z", "9998-01-01T00:00:00Z", "1970-01-02T00:00:00Z", "2026-11-25T11:00:00Z"]) {
    const later = await startHouse({ data, now });
    await rest(500);
    came.push(`${now.slice(0, 4)}: ${entriesIn(data)} left`);
    await later.stop();
  }
  const db = openDatabase(data);
  db.$client.exec("update run set closes_on = '9999-12-31', reveal_on = null; update clock_watch set held = null");
  db.$client.close();
  const far = await startHouse({ data });
  await rest(500);
  const left = entriesIn(data);
  await far.stop();
  rmSync(data, { recursive: true, force: true });
  return [
    {
      tried: "the clock set to 2027, 9998, 1970 and back between starts",
      came: came.join("; "),
      good: came.every((one) => one.endsWith(`: ${before} left`)),
    },
    { tried: "closing days in the year 9999", came: `${left} of ${before} entries left`, good: left === before },
  ];
}

function entriesIn(data: string): number {
  const db = openDatabase(data);
  const n = db.$client.prepare("select count(*) from entry where link_hash is not null").pluck().get() as number;
  db.$client.close();
  return n;
}

/** Starts a process and gives what it printed and its code once it ended. */
export function command(
  args: readonly string[],
  env: NodeJS.ProcessEnv,
): Promise<{ readonly code: number | null; readonly out: string; readonly ms: number }> {
  const began = performance.now();
  const child = spawn(process.execPath, [...args], { cwd: root, env });
  let out = "";
  for (const stream of [child.stdout, child.stderr])
    stream.on("data", (chunk: Buffer) => {
      out += chunk.toString();
    });
  return new Promise((done) => child.once("exit", (code) => done({ code, out, ms: performance.now() - began })));
}
