import { existsSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { clockFrom } from "./clock.ts";
import { serveHouse } from "./serve.ts";

const here = dirname(fileURLToPath(import.meta.url));
const web = resolve(here, "../../web/dist");

const port = Number(process.env["PORT"] ?? 8150);
if (!Number.isInteger(port) || port < 0 || port > 65_535) throw new Error("PORT must be a whole number up to 65535.");

const running = await serveHouse({
  port,
  data: resolve(process.env["LAMPCRATE_DATA"] ?? join(here, "../../data")),
  url: process.env["LAMPCRATE_URL"] ?? null,
  clock: clockFrom(process.env["LAMPCRATE_NOW"]),
  web: existsSync(join(web, "index.html")) ? web : null,
  logLevel: process.env["LAMPCRATE_LOG"] ?? "warn",
}).catch((error: NodeJS.ErrnoException) => {
  if (error.code !== "EADDRINUSE") throw error;
  console.error(`Port ${port} is taken. Start with another one: PORT=${port + 1} npm start`);
  process.exit(1);
});

console.log(`Lamp Crate is at http://localhost:${running.port}`);

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    void running.stop().then(() => process.exit(0));
  });
}
