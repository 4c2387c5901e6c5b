// npm run house -- COMMAND: looks after a house's file; says what it can do when asked nothing.
import { ensureBuilt } from "./build.mjs";
import { ensureInstalled, run } from "./ensure.mjs";

ensureInstalled();
await ensureBuilt();
process.exit(run(process.execPath, ["server/dist/house.js", ...process.argv.slice(2)]));
