import { createServer, type Server } from "node:net";
import type { HouseDoc } from "@lampcrate/contract";
import { type BenchDevice, usualBench } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { type StandIn, startStandIn } from "../src/standIns/bench.ts";
import { openTestHouse, password, type TestHouse } from "./house.ts";

let house: TestHouse;
let standIns: StandIn[];
beforeEach(async () => {
  house = await openTestHouse();
  standIns = [];
});
afterEach(async () => {
  for (const one of standIns) await one.stop();
  house.close();
});

const standIn = async (device: BenchDevice): Promise<number> => {
  const one = await startStandIn(device, 0);
  standIns.push(one);
  return one.port;
};
const choose = async (device: BenchDevice, patch: object) => {
  const doc = (await house.ask("GET", "/api/house")).body as HouseDoc;
  return house.ask("PUT", "/api/house", { ...doc, bench: { ...doc.bench, [device]: { ...doc.bench[device], ...patch } } });
};
const hand = (device: string, value: unknown) => house.ask("POST", `/api/bench/${device}/hand`, { value });

/** Events of a device's readings until one is like the last wanted. */
async function heard(device: BenchDevice, until: RegExp, meanwhile: () => Promise<unknown>): Promise<string> {
  const cookie = await house.signIn("pat", password);
  const answer = await house.app.request(`/api/bench/${device}/readings`, { headers: { cookie } });
  expect(answer.headers.get("content-type")).toContain("text/event-stream");
  const reader = answer.body?.getReader();
  const decoder = new TextDecoder();
  let text = "";
  let moved = false;
  while (reader && !until.test(text)) {
    const { done, value } = await reader.read();
    if (done) break;
    text += decoder.decode(value);
    if (!moved && text.includes("hello")) {
      moved = true;
      await meanwhile();
    }
  }
  await reader?.cancel();
  return text;
}
const linesIn = (events: string): unknown[] =>
  [...events.matchAll(/^data: (\{.*\})$/gm)]
    .map(([, data = ""]) => JSON.parse(data) as { says: string })
    .filter(({ says }) => says !== "hello");

describe("the bench", () => {
  it("brings a scale's readings to whoever listens, while they settle and when they are steady, and the gate's times", async () => {
    expect(((await house.ask("GET", "/api/house")).body as HouseDoc).bench).toEqual(usualBench);
    expect((await choose("scale", { via: "port", port: await standIn("scale") })).status).toBe(200);
    expect((await choose("gate", { via: "port", port: await standIn("gate") })).status).toBe(200);
    const weights = await heard("scale", /"steady":true/, async () => expect((await hand("scale", 412.6)).status).toBe(200));
    expect(linesIn(weights).slice(0, 3)).toEqual([
      expect.objectContaining({ says: "weight", steady: false }),
      expect.objectContaining({ says: "weight", steady: false }),
      expect.objectContaining({ says: "weight", steady: false }),
    ]);
    expect(linesIn(weights).at(-1)).toEqual({ says: "weight", kg: 0.4126, steady: true });
    const times = await heard("gate", /"time"/, () => hand("gate", 1.234));
    expect(linesIn(times)).toEqual([{ says: "time", s: 1.234 }]);
  });

  it("says what is missing: no port chosen, nothing that answers there, a device that goes off, none such", async () => {
    expect((await house.ask("GET", "/api/bench/scale/readings")).status).toBe(409);
    expect((await house.ask("GET", "/api/bench/kettle/readings")).status).toBe(404);
    const port = await standIn("scale");
    await choose("scale", { via: "port", port });
    const off = await heard("scale", /event: lost/, () => standIns[0]?.stop() ?? Promise.resolve());
    expect(off).toContain("It was switched off.");
    const events = (await house.ask("GET", "/api/bench/scale/readings")).body;
    expect(events).toContain(`Nothing answers at port ${port} of the server's machine.`);
    expect((await hand("scale", 3)).status).toBe(409);
  });

  it("never moves a real device, and takes no port that isn't one, nor a hand that lays nothing on", async () => {
    const told: string[] = [];
    const real: Server = createServer((socket) => {
      socket.write("hello scale\n");
      socket.on("data", (piece) => told.push(String(piece)));
      socket.on("error", () => socket.destroy());
    });
    const port = await new Promise<number>((up) => real.listen(0, "127.0.0.1", () => up((real.address() as { port: number }).port)));
    await choose("scale", { via: "port", port });
    const answer = await hand("scale", 3);
    expect([answer.status, answer.body]).toMatchObject([422, { errors: [{ field: "value" }] }]);
    await new Promise((rest) => setTimeout(rest, 80));
    expect(told).toEqual([]);
    real.close();
    const fields = (body: unknown) => (body as { errors: { field: string }[] }).errors.map(({ field }) => field);
    expect(fields((await choose("scale", { port: 80 })).body)).toEqual(["bench.scale.port"]);
    expect(fields((await choose("gate", { via: "magic" })).body)).toEqual(["bench.gate.via"]);
    expect(fields((await hand("scale", "much")).body)).toEqual(["value"]);
    expect(fields((await hand("scale", -1)).body)).toEqual(["value"]);
  });
});
