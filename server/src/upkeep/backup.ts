import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import { fileStamp } from "../db/fileStamp.ts";
import { houseFile } from "../db/open.ts";
import { checkFile, type FileCheck } from "./checkFile.ts";

const dayMs = 86_400_000;

/** A copy that was made and looked through. */
export interface Backup extends FileCheck {
  readonly file: string;
  readonly removed: readonly string[];
}

const name = /^lampcrate-(\d{4}-\d{2}-\d{2}T\d{6})Z\.sqlite$/;

/**
 * Copies a house's file into a folder while it is being written to: one moment's state, without what was deleted from
 * it. The copy is opened and looked through before it gets its name, and old ones are let go by age. Throws when the
 * copy is not whole.
 */
export function backUp(data: string, into: string, now: number): Backup {
  mkdirSync(into, { recursive: true, mode: 0o700 });
  const file = join(into, `lampcrate-${fileStamp(now)}Z.sqlite`);
  const part = `${file}.part`;
  rmSync(part, { force: true });
  closeSync(openSync(part, "w", 0o600));
  const client = new Sqlite(houseFile(data), { readonly: true, fileMustExist: true });
  try {
    client.prepare("vacuum into ?").run(part);
  } finally {
    client.close();
  }
  const found = checkFile(part);
  if (found.wrong.length > 0) throw new Error(`the copy is not whole: ${found.wrong.join("; ")}`);
  onDisk(part);
  renameSync(part, file);
  onDisk(into);
  const removed = tooOld(readdirSync(into), now);
  for (const old of removed) rmSync(join(into, old));
  return { file, removed, ...found };
}

function onDisk(path: string): void {
  const handle = openSync(path, "r");
  fsyncSync(handle);
  closeSync(handle);
}

/** When the newest copy in a folder was made, ms; null where there is none. */
export function newestBackup(folder: string): number | null {
  if (!existsSync(folder)) return null;
  const made = readdirSync(folder).flatMap((file) => madeAt(file) ?? []);
  return made.length === 0 ? null : Math.max(...made);
}

/**
 * Which of a folder's copies are let go: all of the last two days stay, then the newest of each day for two weeks, of
 * each week for two months, of each month for a year. Files of other names are not touched.
 */
export function tooOld(files: readonly string[], now: number): readonly string[] {
  const kept = new Set<string>();
  const newestFirst = files
    .flatMap((file) => {
      const at = madeAt(file);
      return at === null ? [] : [{ file, at }];
    })
    .sort((a, b) => b.at - a.at);
  return newestFirst.flatMap(({ file, at }) => {
    const span = spanOf(at, now);
    if (span !== null && !kept.has(span)) {
      kept.add(span);
      return [];
    }
    return [file];
  });
}

/** The span of time of which one copy is kept; null when it is older than any. */
function spanOf(at: number, now: number): string | null {
  const age = now - at;
  if (age < 2 * dayMs) return `this one ${at}`;
  if (age < 14 * dayMs) return `day ${Math.floor(at / dayMs)}`;
  if (age < 60 * dayMs) return `week ${Math.floor(at / (7 * dayMs))}`;
  return age < 366 * dayMs ? `month ${new Date(at).toISOString().slice(0, 7)}` : null;
}

function madeAt(file: string): number | null {
  const stamp = name.exec(file)?.[1];
  if (stamp === undefined) return null;
  const [date, time = ""] = stamp.split("T");
  return Date.parse(`${date}T${time.slice(0, 2)}:${time.slice(2, 4)}:${time.slice(4)}Z`);
}
