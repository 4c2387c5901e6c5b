// npm run bench: prints the figures; nothing here fails a build.
import { ensureBuilt } from "./build.mjs";
import { ensureChromium, ensureInstalled, giveUp, run } from "./ensure.mjs";

ensureInstalled();
await ensureBuilt();
const chromium = ensureChromium();
if (chromium === null) giveUp("The bench needs Chromium. On Debian: apt-get install -y chromium");
process.exit(run("npx", ["--no-install", "tsx", "e2e/bench/run.ts"], { LAMPCRATE_CHROMIUM: chromium }));
