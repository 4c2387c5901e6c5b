import { existsSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { clockFrom } from "./clock.ts";
import { FolderInUse } from "./db/lock.ts";
import { FileIsNewer } from "./db/migrating.ts";
import { serveHouse } from "./serve.ts";

// Everything written here is for its owner only.
process.umask(0o077);

const here = dirname(fileURLToPath(import.meta.url));
const web = resolve(here, "../../web/dist");

function endWith(words: string): never {
  console.error(`\n${words}\n`);
  process.exit(1);
}

/** A whole number from the environment. */
function numberFrom(name: string, usual: number, most: number): number {
  const value = Number(process.env[name] || usual);
  if (!Number.isInteger(value) || value < 0 || value > most) endWith(`${name} must be a whole number from 0 to ${most}.`);
  return value;
}

const port = numberFrom("PORT", 8150, 65_535);

const running = await serveHouse({
  port,
  data: resolve(process.env["LAMPCRATE_DATA"] ?? join(here, "../../data")),
  url: process.env["LAMPCRATE_URL"] ?? null,
  dist: here,
  clock: clockFrom(process.env["LAMPCRATE_NOW"]),
  web: existsSync(join(web, "index.html")) ? web : null,
  logLevel: process.env["LAMPCRATE_LOG"] ?? "warn",
  proxies: numberFrom("LAMPCRATE_PROXY", 0, 10),
  ownAddresses: (process.env["LAMPCRATE_OWN_ADDRESSES"] ?? "").split(/[\s,]+/).filter(Boolean),
  upkeep: { backups: process.env["LAMPCRATE_BACKUPS"] || undefined, replica: process.env["LAMPCRATE_REPLICA"] || undefined },
}).catch((error: NodeJS.ErrnoException) => {
  if (error instanceof FolderInUse || error instanceof FileIsNewer) endWith(error.message);
  if (error.code === "EADDRINUSE") endWith(`Port ${port} is taken. Start with another one: PORT=${port + 1} npm start`);
  throw error;
});

console.log(`Lamp Crate is at http://localhost:${running.port}`);

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"] as const) {
  process.on(signal, () => {
    if (stopping) process.exit(1);
    stopping = true;
    void running.stop().then(() => process.exit(0));
  });
}
