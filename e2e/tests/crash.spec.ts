import { rmSync } from "node:fs";
import { openDatabase, schema } from "@lampcrate/server";
import { expect, test } from "@playwright/test";
import { burstEntry, demoCode } from "../entries.ts";
import { type House, startHouse } from "../harness.ts";

const count = 200;

/** Sends every entry at once; gives the ids that were acknowledged. */
async function burst(house: House, code: string, onAcknowledged: (n: number) => void = () => {}): Promise<string[]> {
  const acknowledged: string[] = [];
  await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const entry = burstEntry(i);
      try {
        const answer = await fetch(`${house.url}/api/public/runs/${encodeURIComponent(code)}/entries`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify(entry),
        });
        if (!answer.ok) return;
        acknowledged.push(entry.id);
        onAcknowledged(acknowledged.length);
      } catch {
        // The server was killed: this one was never acknowledged.
      }
    }),
  );
  return acknowledged;
}

test("a kill -9 during a burst of 200 entries loses none that was acknowledged, and resending gives exactly 200", async () => {
  const seed = await startHouse();
  const data = seed.data;
  const code = await demoCode(seed, "Seed-Wing Spinner");
  seed.process.kill("SIGTERM");
  await new Promise((end) => seed.process.once("exit", end));

  const first = await startHouse({ data });
  // At the first answer: on a slow machine the others' have come in by the time it is dead.
  const acknowledged = await burst(first, code, (n) => n === 1 && first.process.kill("SIGKILL"));
  expect(acknowledged.length).toBeGreaterThanOrEqual(1);
  expect(acknowledged.length).toBeLessThan(count);

  const second = await startHouse({ data });
  const db = openDatabase(data);
  const kept = (): string[] =>
    db
      .select({ id: schema.entry.id })
      .from(schema.entry)
      .all()
      .map((e) => e.id)
      .filter((id) => id.startsWith("burst-"));
  expect(db.$client.pragma("integrity_check", { simple: true })).toBe("ok");
  const after = kept();
  expect(acknowledged.filter((id) => !after.includes(id))).toEqual([]);
  expect(new Set(after).size).toBe(after.length);
  expect(
    db.$client
      .prepare(
        "select count(*) from version v join entry e on e.key = v.entry_key left join trial t on t.version_id = v.id where e.id like 'burst-%' and t.id is null",
      )
      .pluck()
      .get(),
  ).toBe(0);

  expect(await burst(second, code)).toHaveLength(count);
  expect(kept()).toHaveLength(count);
  expect(
    db.$client
      .prepare(
        "select count(*) from trial t join version v on v.id = t.version_id join entry e on e.key = v.entry_key where e.id like 'burst-%'",
      )
      .pluck()
      .get(),
  ).toBe(count * 6);
  db.$client.close();
  await second.stop();
  rmSync(data, { recursive: true, force: true });
});

test("a stop finishes the requests in flight", async () => {
  const house = await startHouse();
  const code = await demoCode(house, "Seed-Wing Spinner");
  const sent = burst(house, code);
  await new Promise((rest) => setTimeout(rest, 30));
  house.process.kill("SIGTERM");
  const exit = await new Promise((end) => house.process.once("exit", end));
  expect(exit).toBe(0);
  const acknowledged = await sent;
  const db = openDatabase(house.data);
  const kept = db
    .select({ id: schema.entry.id })
    .from(schema.entry)
    .all()
    .filter((e) => e.id.startsWith("burst-")).length;
  expect(kept).toBe(acknowledged.length);
  db.$client.close();
  await house.stop();
});
