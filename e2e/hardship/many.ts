import { readFileSync } from "node:fs";
import { type House, startHouse } from "../harness.ts";
import { quantile, rest, sendEntries } from "./posts.ts";
import { type Planner, signInTo } from "./staff.ts";
import type { Told } from "./told.ts";

/** How fast a run of very many entries opens, and what that does to everybody else. */
export async function manyEntries(count = 20_000): Promise<readonly Told[]> {
  const house = await startHouse();
  try {
    const planner = await signInTo(house);
    const run = await planner.run("Seed-Wing Spinner");
    const sent = await sendEntries(house, run.code, { from: 0, count, connections: 64 });
    const kept = sent.filter(({ status }) => status === 201).length;
    await acceptAll(house, planner, run.id);
    const open: Told[] = [];
    for (const [words, path] of [
      ["sift's first page", `/api/runs/${run.id}/entries`],
      ["findings", `/api/runs/${run.id}/findings`],
      ["tryout", `/api/runs/${run.id}/learned`],
      ["reveal", `/api/runs/${run.id}/reveal`],
    ] as const) {
      const [first, ...later] = await timed(planner, path, 6);
      open.push({
        tried: `${words} of a run of ${count.toLocaleString("en")} entries`,
        came: `first ${first?.toFixed(0)} ms, then ${quantile(later, 0.5).toFixed(0)} ms (${(await (await planner.get(path)).text()).length >> 10} kB)`,
        good: Math.max(...later, first ?? 0) < 300,
      });
    }
    const reveals = await besideHealth(house, () =>
      Promise.all(Array.from({ length: 10 }, () => planner.get(`/api/runs/${run.id}/reveal`))),
    );
    const csv = await besideHealth(house, async () => (await planner.get(`/api/runs/${run.id}/trials.csv`)).text());
    const mixed = await besideHealth(
      house,
      () => sendEntries(house, run.code, { from: count, count: 1000, connections: 20, pace: 100 }),
      planner,
    );
    const busy = residentMb(house);
    await rest(35_000);
    const quiet = residentMb(house);
    return [
      {
        tried: `${count.toLocaleString("en")} entries from 64 connections`,
        came: `${kept.toLocaleString("en")} kept`,
        good: kept === count,
      },
      ...open,
      {
        tried: "ten reveals of it at once; /healthz meanwhile",
        came: `${reveals.ms.toFixed(0)} ms in all; health p99 ${reveals.health.toFixed(0)} ms`,
        good: reveals.health < 50,
      },
      {
        tried: "all its trials as CSV; /healthz meanwhile",
        came: `${csv.ms.toFixed(0)} ms; health p99 ${csv.health.toFixed(0)} ms`,
        good: csv.health < 50,
      },
      {
        tried: "100 entries a second for 10 s beside staff who open Season, run, sift and findings",
        came: `entries p99 ${quantile(
          mixed.value.map(({ ms }) => ms),
          0.99,
        ).toFixed(
          0,
        )} ms, ${mixed.value.filter(({ status }) => status !== 201).length} not kept; staff p99 ${mixed.staff.toFixed(0)} ms; health p99 ${mixed.health.toFixed(0)} ms`,
        good:
          quantile(
            mixed.value.map(({ ms }) => ms),
            0.99,
          ) < 100 && mixed.value.every(({ status }) => status === 201),
      },
      {
        tried: "memory of the server right after all this, and once the thread that printed has gone",
        came: `${busy.toFixed(0)} MB, ${quiet.toFixed(0)} MB`,
        good: Math.max(busy, quiet) < 300,
      },
    ];
  } finally {
    await house.stop();
  }
}

/** Accepts what waits, straight in the file: a sifter's presses are not what is measured. */
async function acceptAll(house: House, planner: Planner, runId: string): Promise<void> {
  const { openDatabase } = await import("@lampcrate/server");
  const db = openDatabase(house.data);
  db.$client.prepare("update entry set state = 'accepted', revision = revision + 1 where run_id = ? and state = 'waiting'").run(runId);
  db.$client.close();
  // One more change that the server itself sees, then the time in which it looks ahead.
  await sendEntries(house, (await planner.run("Seed-Wing Spinner")).code, { from: 900_000, count: 1, connections: 1 });
  await rest(15_000);
}

async function timed(planner: Planner, path: string, times: number): Promise<readonly number[]> {
  const all: number[] = [];
  for (let i = 0; i < times; i += 1) {
    const began = performance.now();
    await (await planner.get(path)).text();
    all.push(performance.now() - began);
  }
  return all;
}

/** Does something while the server's health is asked for all the time, and staff work if there are any. */
async function besideHealth<T>(
  house: House,
  work: () => Promise<T>,
  staff?: Planner,
): Promise<{ value: T; ms: number; health: number; staff: number }> {
  let working = true;
  const [health, asked]: [number[], number[]] = [[], []];
  const beside = async (times: number[], ask: () => Promise<Response>, every: number): Promise<void> => {
    while (working) {
      const began = performance.now();
      await (await ask()).text();
      times.push(performance.now() - began);
      await rest(every);
    }
  };
  const watching = [beside(health, () => fetch(`${house.url}/healthz`), 5)];
  if (staff) {
    const { id } = await staff.run("Seed-Wing Spinner");
    for (const path of ["/api/season", `/api/runs/${id}`, `/api/runs/${id}/entries`, `/api/runs/${id}/findings`])
      watching.push(beside(asked, () => staff.get(path), 250));
  }
  const began = performance.now();
  const value = await work();
  const ms = performance.now() - began;
  working = false;
  await Promise.all(watching);
  return { value, ms, health: quantile(health, 0.99), staff: quantile(asked, 0.99) };
}

/** Memory that the server holds, MB. */
function residentMb(house: House): number {
  const status = readFileSync(`/proc/${house.process.pid}/status`, "utf8");
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? Number.NaN) / 1024;
}
