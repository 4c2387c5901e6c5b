// npm run shots: retakes every picture in docs/screenshots from fresh demo data.
import { ensureBuilt } from "./build.mjs";
import { ensureChromium, ensureInstalled, giveUp, run } from "./ensure.mjs";

ensureInstalled();
await ensureBuilt();
const chromium = ensureChromium();
if (chromium === null) giveUp("Pictures need Chromium. On Debian: apt-get install -y chromium");
process.exit(run("npx", ["--no-install", "tsx", "e2e/shots.ts"], { LAMPCRATE_CHROMIUM: chromium }));
