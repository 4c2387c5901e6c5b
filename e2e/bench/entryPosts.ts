import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import autocannon from "autocannon";
import { burstEntry, demoCode } from "../entries.ts";
import { freePort, root, startHouse, untilHealthy } from "../harness.ts";

/** Logbooks sent at once: a club's. */
const connections = 32;
const seconds = 3;
const rounds = 8;
let next = 100_000;

/** Entry posts a second, each entry a new one. */
async function postsPerSecond(url: string): Promise<number> {
  const result = await autocannon({
    url,
    method: "POST",
    connections,
    duration: seconds,
    headers: { "content-type": "application/json" },
    setupClient: (client) => {
      const fresh = (): void => {
        next += 1;
        client.setBody(JSON.stringify(burstEntry(next)));
      };
      fresh();
      client.on("response", fresh);
    },
  });
  if (result.non2xx > 0) throw new Error(`${result.non2xx} posts were refused`);
  return result["2xx"] / result.duration;
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** The full stack against a bare route with one insert, by turns in the same run; the ratio is the median of the turns' ratios. */
export async function benchEntryPosts(): Promise<{ full: number; bare: number; ratio: number }> {
  const house = await startHouse();
  const code = await demoCode(house, "Seed-Wing Spinner");
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-bare-"));
  const port = await freePort();
  const bareServer: ChildProcess = spawn("npx", ["tsx", "e2e/bench/bareServer.ts"], {
    cwd: root,
    env: { ...process.env, PORT: String(port), LAMPCRATE_DATA: folder },
    detached: true,
    stdio: "ignore",
  });
  await untilHealthy(`http://localhost:${port}`, () => "");
  const [full, bare]: [number[], number[]] = [[], []];
  for (let round = 0; round < rounds; round += 1) {
    const [of, to] = [
      await postsPerSecond(`http://localhost:${port}/entries`),
      await postsPerSecond(`${house.url}/api/public/runs/${encodeURIComponent(code)}/entries`),
    ];
    // The first round warms both up.
    if (round === 0) continue;
    bare.push(of);
    full.push(to);
  }
  if (bareServer.pid !== undefined) process.kill(-bareServer.pid);
  await house.stop();
  rmSync(folder, { recursive: true, force: true });
  return { full: median(full), bare: median(bare), ratio: median(full.map((posts, i) => posts / (bare[i] ?? Number.NaN))) };
}
