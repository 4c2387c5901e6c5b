import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { hostname } from "node:os";
import { join } from "node:path";
import Sqlite from "better-sqlite3";

/** Who serves a folder. */
interface Holder {
  readonly pid: number;
  readonly host: string;
  readonly since: string;
  readonly doing: string;
}

/** The folder is in use; says by whom and what to do. */
export class FolderInUse extends Error {}

/**
 * Takes the folder for this process alone, until the function given back is called or the process ends, however it
 * ends: the lock is the operating system's, held on a file of its own. Throws FolderInUse naming who holds it.
 */
export function holdFolder(folder: string, doing: string): () => void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const about = join(folder, "lampcrate.lock.json");
  const lock = new Sqlite(join(folder, "lampcrate.lock"), { timeout: 0 });
  try {
    lock.exec("begin exclusive");
  } catch (error) {
    lock.close();
    if ((error as { code?: string }).code?.startsWith("SQLITE_BUSY")) throw new FolderInUse(inUseWords(folder, about));
    throw error;
  }
  const holder: Holder = { pid: process.pid, host: hostname(), since: new Date().toISOString(), doing };
  writeFileSync(about, JSON.stringify(holder), { mode: 0o600 });
  return () => lock.close();
}

function inUseWords(folder: string, about: string): string {
  const stop = "Stop it first, or give this one a folder of its own with LAMPCRATE_DATA.";
  try {
    const { pid, host, since, doing } = JSON.parse(readFileSync(about, "utf8")) as Holder;
    return `${folder} is in use: process ${pid} on ${host} is ${doing} it since ${since}. ${stop}`;
  } catch {
    return `${folder} is in use by another process. ${stop}`;
  }
}
