import { type ChildProcess, spawn } from "node:child_process";
import { writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { join } from "node:path";
import type { Logger } from "pino";
import { houseFile } from "../db/open.ts";
import { litestreamBinary, noLitestream } from "./litestream.ts";

/** How the replica stands. */
export interface ReplicaState {
  readonly running: boolean;
  /** Bytes that were written here and are not there yet; null while that can't be asked. */
  readonly behindBytes: number | null;
  /** What went wrong last; null when nothing did. */
  readonly trouble: string | null;
}

/**
 * Runs Litestream beside a pipe that this process holds open: when the server ends, however it ends, the pipe closes
 * and Litestream with it. One left behind would fight over the file with the next server's.
 */
const endsWithUs = '"$0" replicate -config "$1" & p=$!; (cat <&3 >/dev/null; kill $p 2>/dev/null) & wait $p';

function hangUp(child: ChildProcess): void {
  const pipe = child.stdio[3];
  if (pipe && "destroy" in pipe) pipe.destroy();
}

/** Waits between starts after a failure, ms: longer each time. */
const waits = [1000, 2000, 5000, 15_000, 60_000];

/**
 * Keeps a house's file replicated to another place while it is written to, by Litestream: starts it, starts it again
 * when it ends, and asks it how far it is. Its changes are there a fraction of a second later.
 */
export class Replica {
  private child: ChildProcess | null = null;
  private port: number | null = null;
  private failures = 0;
  private trouble: string | null = null;
  private ended = false;
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly data: string,
    private readonly address: string,
    private readonly log: Logger,
  ) {}

  async start(): Promise<void> {
    const binary = litestreamBinary();
    if (binary === null) {
      this.trouble = noLitestream;
      this.log.error({ replica: noLitestream }, "the replica can't start");
      return;
    }
    this.port = await freePort();
    if (this.ended) return;
    const config = join(this.data, "litestream.json");
    // JSON is YAML too.
    writeFileSync(config, JSON.stringify(this.config(), null, 2), { mode: 0o600 });
    const child = spawn("sh", ["-c", endsWithUs, binary, config], { stdio: ["ignore", "pipe", "pipe", "pipe"] });
    this.child = child;
    const began = Date.now();
    let said = "";
    for (const out of [child.stdout, child.stderr])
      out?.on("data", (chunk: Buffer) => {
        said = `${said}${chunk.toString()}`.slice(-2000);
      });
    child.on("error", (error) => this.failed(error.message, began));
    child.on("exit", (code, signal) => {
      hangUp(child);
      this.failed(`ended with ${code ?? signal}. ${said.split("\n").slice(-3).join(" ").trim()}`, began);
    });
  }

  /** Ends it, once what was written has gone over: it is given a moment to sync. */
  async stop(): Promise<void> {
    this.ended = true;
    if (this.timer) clearTimeout(this.timer);
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise<void>((done) => child.once("exit", () => done()));
    hangUp(child);
    const hard = setTimeout(() => child.kill("SIGKILL"), 2000);
    await gone;
    clearTimeout(hard);
  }

  /** How it stands now. */
  async state(): Promise<ReplicaState> {
    const running = this.child !== null && this.child.exitCode === null && this.child.signalCode === null;
    const behindBytes = running ? await this.behind() : null;
    return { running, behindBytes, trouble: running ? null : this.trouble };
  }

  private config(): object {
    const often = "200ms";
    return {
      addr: `127.0.0.1:${this.port}`,
      dbs: [
        {
          path: houseFile(this.data),
          "monitor-interval": often,
          replicas: [{ name: "replica", url: this.address, "sync-interval": often, "snapshot-interval": "24h", retention: "168h" }],
        },
      ],
    };
  }

  private failed(words: string, began: number): void {
    this.child = null;
    if (this.ended) return;
    this.trouble = `Litestream ${words}`;
    this.log.error({ replica: this.trouble }, "the replica stopped");
    this.failures = Date.now() - began > 60_000 ? 0 : this.failures + 1;
    this.timer = setTimeout(() => void this.start(), waits[Math.min(this.failures, waits.length - 1)]).unref();
  }

  private async behind(): Promise<number | null> {
    try {
      const metrics = await (await fetch(`http://127.0.0.1:${this.port}/metrics`, { signal: AbortSignal.timeout(1000) })).text();
      const value = (name: string): number => Number(new RegExp(`^${name}\\{[^}]*\\} (\\S+)`, "m").exec(metrics)?.[1] ?? Number.NaN);
      if (value("litestream_shadow_wal_index") !== value("litestream_replica_wal_index")) return value("litestream_shadow_wal_size");
      const bytes = value("litestream_shadow_wal_size") - value("litestream_replica_wal_offset");
      return Number.isNaN(bytes) ? null : Math.max(0, bytes);
    } catch {
      return null;
    }
  }
}

function freePort(): Promise<number> {
  return new Promise((found, failed) => {
    const probe = createServer();
    probe.once("error", failed);
    probe.listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => (address !== null && typeof address === "object" ? found(address.port) : failed(new Error("no port"))));
    });
  });
}
