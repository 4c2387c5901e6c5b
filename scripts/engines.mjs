// npm run engines: walks the main journeys on the built server in Firefox and WebKit. Names pick one: npm run engines -- webkit
import { ensureBuilt } from "./build.mjs";
import { ensureChromium, ensureEngines, ensureInstalled, giveUp, run } from "./ensure.mjs";

ensureInstalled();
if (ensureChromium() === null || !ensureEngines())
  giveUp("It needs Chromium, Firefox and WebKit. On Debian: apt-get install -y chromium firefox-esr webkit2gtk-driver xvfb");
await ensureBuilt();
process.exit(run("xvfb-run", ["-a", "npx", "--no-install", "tsx", "e2e/engines/run.ts", ...process.argv.slice(2)]));
