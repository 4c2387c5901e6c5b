import { readFileSync, writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { join } from "node:path";
import { root } from "../harness.ts";
import { backups, replica } from "./copies.ts";
import { clocks, diskFull, twoServers } from "./folder.ts";
import { kills } from "./kills.ts";
import { manyEntries } from "./many.ts";
import { manyPictures } from "./manyPictures.ts";
import { bursts, slowSockets } from "./sockets.ts";
import type { Told } from "./told.ts";

/** Everything that can befall a server, tried on the built one. `--write` puts the table into docs/operating.md; names pick some. */
const all = { kills, bursts, manyEntries, manyPictures, backups, replica, diskFull, clocks, twoServers, slowSockets } as const;

const write = process.argv.includes("--write");
const picked = process.argv.slice(2).filter((name): name is keyof typeof all => Object.hasOwn(all, name));
const told: Told[] = [];
for (const name of picked.length > 0 ? picked : (Object.keys(all) as (keyof typeof all)[])) {
  for (const one of await all[name]()) {
    told.push(one);
    console.log(`${one.good ? "as promised" : "NOT AS PROMISED"}: ${one.tried}: ${one.came}`);
  }
}
const bad = told.filter(({ good }) => !good).length;
console.log(`\n${told.length - bad} as promised, ${bad} not`);
if (write) {
  const file = join(root, "docs/operating.md");
  const [before, , after] = readFileSync(file, "utf8").split(/<!-- hardship(?: ends)? -->\n/);
  const rows = told.map(({ tried, came, good }) => `| ${tried} | ${came}${good ? "" : " **(missed)**"} |`);
  const head = `Measured on ${cpus().length} cores, ${new Date().toISOString().slice(0, 10)}, with load and server on the same machine.\n\n| Tried | Came out |\n|---|---|`;
  writeFileSync(file, `${before}<!-- hardship -->\n${head}\n${rows.join("\n")}\n<!-- hardship ends -->\n${after ?? ""}`);
}
process.exit(bad === 0 ? 0 : 1);
