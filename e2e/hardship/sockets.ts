import { connect, type Socket } from "node:net";
import { demoSignIn, startHouse } from "../harness.ts";
import { quantile, rest, sendEntries } from "./posts.ts";
import { signInTo } from "./staff.ts";
import type { Told } from "./told.ts";

/** Connections that send a byte now and then, beside which others are served; and a stop while they hang there. */
export async function slowSockets(count = 300): Promise<readonly Told[]> {
  const house = await startHouse();
  const { hostname, port } = new URL(house.url);
  let closed = 0;
  const began = performance.now();
  let lastClosed = 0;
  const sockets: Socket[] = Array.from({ length: count }, (_, i) => {
    const socket = connect(Number(port), hostname);
    socket.on("error", () => {});
    socket.on("close", () => {
      closed += 1;
      lastClosed = performance.now() - began;
    });
    const body = "content-type: application/json\r\ncontent-length: 1000\r\n\r\n{";
    socket.write(i % 2 === 0 ? "GET /healthz HTTP/1.1\r\nHost: x\r\n" : `POST /api/sign-in HTTP/1.1\r\nHost: x\r\n${body}`);
    return socket;
  });
  const drip = setInterval(() => {
    for (const socket of sockets) if (!socket.destroyed) socket.write("x");
  }, 1000);
  const health: number[] = [];
  while (closed < count && performance.now() - began < 60_000) {
    const asked = performance.now();
    await (await fetch(`${house.url}/healthz`)).text();
    health.push(performance.now() - asked);
    await rest(100);
  }
  clearInterval(drip);
  const hung = Array.from({ length: 50 }, () => {
    const socket = connect(Number(port), hostname);
    socket.on("error", () => {});
    socket.write("POST /api/sign-in HTTP/1.1\r\nHost: x\r\ncontent-length: 10\r\n\r\n{");
    return socket;
  });
  await rest(300);
  const stopping = performance.now();
  house.process.kill("SIGTERM");
  const code = await new Promise<number | null>((end) => house.process.once("exit", end));
  const stopMs = performance.now() - stopping;
  for (const socket of [...sockets, ...hung]) socket.destroy();
  await house.stop();
  return [
    {
      tried: `${count} connections that drip a byte a second, half in their headers, half in their body`,
      came: `${closed} hung up on within ${(lastClosed / 1000).toFixed(0)} s`,
      good: closed === count,
    },
    {
      tried: "/healthz while they drip",
      came: `p99 ${quantile(health, 0.99).toFixed(0)} ms`,
      good: quantile(health, 0.99) < 50,
      timed: true,
    },
    {
      tried: "SIGTERM while 50 half-sent requests hang",
      came: `ends with ${code} after ${(stopMs / 1000).toFixed(1)} s`,
      good: code === 0 && stopMs < 5000,
    },
  ];
}

/** A burst from very many connections, guessing at once, and trying codes. */
export async function bursts(): Promise<readonly Told[]> {
  const house = await startHouse();
  try {
    const planner = await signInTo(house);
    const { code } = await planner.run("Seed-Wing Spinner");
    const sent = await sendEntries(house, code, { from: 0, count: 10_000, connections: 200 });
    const kept = sent.filter(({ status }) => status === 201).length;
    const guess = async (i: number): Promise<number> =>
      (
        await fetch(`${house.url}/api/sign-in`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({ signIn: demoSignIn.signIn, password: `guess number ${i}` }),
        })
      ).status;
    const guesses = await Promise.all(Array.from({ length: 774 }, (_, i) => guess(i)));
    const codes: number[] = [];
    for (let i = 0; i < 2000; i += 1) codes.push((await fetch(`${house.url}/api/public/runs/amber-acorn-kettle-${i}`)).status);
    const count = (all: readonly number[], status: number): number => all.filter((one) => one === status).length;
    return [
      {
        tried: "10,000 entries from 200 connections",
        came: `${kept.toLocaleString("en")} kept, p99 ${quantile(
          sent.map(({ ms }) => ms),
          0.99,
        ).toFixed(0)} ms, ${sent.filter(({ status }) => status === 0).length} connections lost`,
        good: kept === 10_000,
      },
      {
        tried: "774 guesses at a password at once",
        came: `${count(guesses, 422)} tried, ${count(guesses, 429)} told to wait`,
        good: count(guesses, 422) <= 8,
      },
      {
        tried: "2,000 codes from one address",
        came: `${count(codes, 404)} looked up, ${count(codes, 429)} told to wait; there are 331 million codes`,
        good: count(codes, 404) <= 60,
      },
    ];
  } finally {
    await house.stop();
  }
}
