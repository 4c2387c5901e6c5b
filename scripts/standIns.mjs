// npm run stand-ins: a scale and a light gate that are only made believe, for the bench.
import { ensureBuilt } from "./build.mjs";
import { ensureInstalled, run } from "./ensure.mjs";

ensureInstalled();
await ensureBuilt();
process.exit(run(process.execPath, ["server/dist/bench.js"]));
