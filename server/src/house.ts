import { readFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { commands, usage } from "./upkeep/commands.ts";

process.umask(0o077);

const here = dirname(fileURLToPath(import.meta.url));

/** The commands for whoever runs a house's server: node server/dist/house.js COMMAND, or npm run house -- COMMAND. */
async function main(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      data: { type: "string" },
      replica: { type: "string" },
      at: { type: "string" },
      erasures: { type: "string" },
      "clock-is-right": { type: "boolean" },
      "go-now": { type: "string" },
    },
  });
  const [name = "", ...rest] = positionals;
  const command = commands[name as keyof typeof commands];
  if (!Object.hasOwn(commands, name) || command === undefined) {
    console.error(usage);
    return 2;
  }
  const data = resolve(values.data ?? process.env["LAMPCRATE_DATA"] ?? join(here, "../../data/house"));
  return command({
    data,
    args: rest,
    replica: values.replica ?? process.env["LAMPCRATE_REPLICA"] ?? null,
    at: values.at ?? null,
    erasures: values.erasures ?? null,
    clockIsRight: values["clock-is-right"] ?? false,
    goNow: values["go-now"] ?? null,
    backups: process.env["LAMPCRATE_BACKUPS"] ?? null,
    say: (words) => console.log(words),
    typed: () => readFileSync(0, "utf8").split("\n")[0] ?? "",
  });
}

try {
  process.exitCode = await main();
} catch (error) {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
}
