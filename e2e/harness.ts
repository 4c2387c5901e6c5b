import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";

/** The project's folder. */
export const root = resolve(import.meta.dirname, "..");

/** The instant that tests and pictures are pinned to: a Wednesday. */
export const pinnedNow = "2026-11-25T10:00:00Z";

/** What signs in to the demo. */
export const demoSignIn = { signIn: "marsh.sedge", password: "lamplight-demo" };

/** A real server process on a file of its own. */
export interface House {
  readonly url: string;
  readonly data: string;
  readonly process: ChildProcess;
  /** Everything it printed so far. */
  readonly printed: () => string;
  readonly stop: () => Promise<void>;
}

interface Options {
  readonly demo?: boolean;
  readonly data?: string;
  readonly now?: string | null;
  readonly env?: Readonly<Record<string, string>>;
  /** The port; a free one unless given. */
  readonly port?: number;
  /** The folder of the build; the project's own unless given. */
  readonly from?: string;
}

/** Starts the built server on a free port; with the demo's data unless told otherwise. Its data folder goes when it stops, unless it was given. */
export async function startHouse({
  demo = true,
  data,
  now = pinnedNow,
  env = {},
  port: wanted,
  from = root,
}: Options = {}): Promise<House> {
  const folder = data ?? mkdtempSync(join(tmpdir(), "lampcrate-"));
  const port = wanted ?? (await freePort());
  const url = `http://localhost:${port}`;
  const all: NodeJS.ProcessEnv = {
    ...process.env,
    PORT: String(port),
    LAMPCRATE_DATA: folder,
    LAMPCRATE_LOG: "warn",
    ...(now === null ? {} : { LAMPCRATE_NOW: now }),
    ...env,
  };
  if (demo && data === undefined) {
    const loaded = process.env[loadedDemo];
    if (loaded !== undefined && now === pinnedNow) {
      cpSync(loaded, folder, { recursive: true });
      all["LAMPCRATE_URL"] ??= url;
    } else loadDemo(all);
  }
  const server = spawn(process.execPath, ["--max-semi-space-size=4", "server/dist/main.js"], { cwd: from, env: all });
  let printed = "";
  server.stdout.on("data", (chunk: Buffer) => {
    printed += chunk.toString();
  });
  server.stderr.on("data", (chunk: Buffer) => {
    printed += chunk.toString();
  });
  await untilHealthy(url, () => printed);
  const stop = async (): Promise<void> => {
    if (server.exitCode === null && server.signalCode === null) {
      const ended = new Promise((end) => server.once("exit", end));
      server.kill("SIGTERM");
      await ended;
    }
    if (data === undefined) rmSync(folder, { recursive: true, force: true });
  };
  return { url, data: folder, process: server, printed: () => printed, stop };
}

/** Where the demo stands loaded already, for as many houses as tests want. */
const loadedDemo = "LAMPCRATE_LOADED_DEMO";

/** Loads the demo once, at the pinned instant: every house that starts on it from now on takes a copy. Returns what puts it away. */
export function loadDemoOnce(): () => void {
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-demo-"));
  loadDemo({ ...process.env, LAMPCRATE_DATA: folder, LAMPCRATE_LOG: "warn", LAMPCRATE_NOW: pinnedNow });
  process.env[loadedDemo] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}

function loadDemo(env: NodeJS.ProcessEnv): void {
  const loaded = spawnSync(process.execPath, ["server/dist/loadDemo.js"], { cwd: root, env, encoding: "utf8" });
  if (loaded.status !== 0) throw new Error(`the demo could not be loaded: ${loaded.stderr}`);
}

/** A port that was free a moment ago. */
export async function freePort(): Promise<number> {
  return new Promise((found, failed) => {
    const probe = createServer();
    probe.once("error", failed);
    probe.listen(0, () => {
      const address = probe.address();
      probe.close(() => (address !== null && typeof address === "object" ? found(address.port) : failed(new Error("no port"))));
    });
  });
}

/** Waits until a server answers its health check. */
export async function untilHealthy(url: string, printed: () => string): Promise<void> {
  for (let attempt = 0; attempt < 200; attempt += 1) {
    try {
      if ((await fetch(`${url}/healthz`)).ok) return;
    } catch {
      await new Promise((rest) => setTimeout(rest, 50));
    }
  }
  throw new Error(`the server did not answer:\n${printed()}`);
}
