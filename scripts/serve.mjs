// npm start, npm run demo: makes the machine ready, builds, loads the demo if asked, and serves.
import { spawn } from "node:child_process";
import { existsSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { ensureBuilt } from "./build.mjs";
import { ensureInstalled, giveUp, root, run } from "./ensure.mjs";

const demo = process.argv.includes("--demo");
const fresh = process.argv.includes("--fresh");
const data = resolve(process.env.LAMPCRATE_DATA ?? join(root, demo ? "data/demo" : "data/house"));
const env = { ...process.env, LAMPCRATE_DATA: data };

ensureInstalled();
await ensureBuilt();
if (demo) {
  if (fresh) for (const end of ["", "-wal", "-shm"]) rmSync(join(data, `lampcrate.sqlite${end}`), { force: true });
  if (!existsSync(join(data, "lampcrate.sqlite")) && run(process.execPath, ["server/dist/loadDemo.js"], env) !== 0)
    giveUp("The demo data could not be loaded.");
  console.log("Demo sign-in: marsh.sedge, password lamplight-demo");
}
const server = spawn(process.execPath, ["--max-semi-space-size=4", "server/dist/main.js"], { cwd: root, stdio: "inherit", env });
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal === "SIGINT" ? "SIGTERM" : signal));
server.on("exit", (code) => process.exit(code ?? 0));
