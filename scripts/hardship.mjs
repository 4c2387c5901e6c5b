// npm run hardship: tries on the built server what can befall one, and prints what came of it. --write puts the table into docs/operating.md.
import { ensureBuilt } from "./build.mjs";
import { ensureInstalled, run } from "./ensure.mjs";

ensureInstalled();
await ensureBuilt();
process.exit(run("npx", ["--no-install", "tsx", "e2e/hardship/run.ts", ...process.argv.slice(2)]));
