import { Agent, request } from "node:http";
import { burstEntry } from "../entries.ts";
import type { House } from "../harness.ts";

/** What became of one entry that was sent. */
export interface Sent {
  readonly id: string;
  /** 0: the connection was lost. */
  readonly status: number;
  readonly ms: number;
}

/** Sends entries from so many connections at once, each sending its next when the last is answered; `pace` holds each back to so many a second in all. */
export async function sendEntries(
  house: House,
  code: string,
  { from, count, connections, pace }: { from: number; count: number; connections: number; pace?: number },
  onSent: (sent: Sent) => void = () => {},
): Promise<readonly Sent[]> {
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const path = `/api/public/runs/${encodeURIComponent(code)}/entries`;
  const sent: Sent[] = [];
  const started = performance.now();
  let next = 0;
  const worker = async (): Promise<void> => {
    while (next < count) {
      const i = next;
      next += 1;
      if (pace !== undefined) await rest(started + (i * 1000) / pace - performance.now());
      const one = await post(house, agent, path, from + i);
      sent.push(one);
      onSent(one);
    }
  };
  await Promise.all(Array.from({ length: connections }, worker));
  agent.destroy();
  return sent;
}

function post(house: House, agent: Agent, path: string, i: number): Promise<Sent> {
  const entry = burstEntry(i);
  const body = JSON.stringify(entry);
  const { hostname, port } = new URL(house.url);
  const began = performance.now();
  return new Promise((resolve) => {
    const done = (status: number): void => resolve({ id: entry.id, status, ms: performance.now() - began });
    const asked = request(
      {
        hostname,
        port,
        path,
        method: "POST",
        agent,
        headers: { "content-type": "application/json", "content-length": Buffer.byteLength(body) },
      },
      (answer) => {
        answer.resume();
        answer.on("end", () => done(answer.statusCode ?? 0));
        answer.on("error", () => done(0));
      },
    );
    asked.on("error", () => done(0));
    asked.end(body);
  });
}

/** Waits; at once when the time is past. */
export const rest = (ms: number): Promise<void> => (ms <= 0 ? Promise.resolve() : new Promise((done) => setTimeout(done, ms)));

/** The value below which this share of values lies. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}
