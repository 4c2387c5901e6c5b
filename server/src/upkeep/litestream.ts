import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** The system's own Litestream, or the one that an npm package carries for this machine; null where there is none. */
export function litestreamBinary(): string | null {
  const own = spawnSync("sh", ["-c", "command -v litestream"], { encoding: "utf8" }).stdout.trim();
  if (own !== "" && !own.includes("node_modules")) return own;
  try {
    const require = createRequire(import.meta.url);
    const wrapper = createRequire(require.resolve("@flydotio/litestream/package.json"));
    const carried = join(dirname(wrapper.resolve(`@flydotio/litestream-${process.platform}-${process.arch}/package.json`)), "litestream");
    return existsSync(carried) ? carried : null;
  } catch {
    return null;
  }
}

/** What is to be done where there is no Litestream. */
export const noLitestream =
  "There is no Litestream for this machine. Install it, or take LAMPCRATE_REPLICA out of the environment: the house itself runs without.";

/** A replica's address: a folder becomes an absolute path, anything with a scheme stays as it is. */
export function replicaAddress(given: string, resolve: (path: string) => string): string {
  return /^[a-z0-9]+:\/\//.test(given) ? given : `file://${resolve(given)}`;
}

/** The folder of a replica that is one; null where it is elsewhere. */
export const replicaFolder = (address: string): string | null => (address.startsWith("file://") ? fileURLToPath(address) : null);

/** Gets a house's file back from its replica as it was at an instant, or as new as it is. Throws with Litestream's own words. */
export function restoreReplica(replica: string, to: string, at: string | null): void {
  const binary = litestreamBinary();
  if (binary === null) throw new Error(noLitestream);
  const when = at === null ? [] : ["-timestamp", at];
  const done = spawnSync(binary, ["restore", ...when, "-o", to, replica], { encoding: "utf8" });
  if (done.status !== 0 || !existsSync(to)) throw new Error(`The replica gave nothing back: ${(done.stderr || done.stdout).trim()}`);
}
