import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve } from "node:path";
import { eq } from "drizzle-orm";
import { pino } from "pino";
import { steadyClock } from "../clock.ts";
import { type Database, houseFile, openDatabase } from "../db/open.ts";
import { erasingNotice, job, run, staff } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import { ClockWatch, clockHeld, trustClock } from "../jobs/clockWatch.ts";
import { runJob } from "../jobs/job.ts";
import { keepPromises } from "../jobs/keepPromises.ts";
import { erasingNotices } from "../services/entries/erasingNotices.ts";
import { trail } from "../services/house/audit.ts";
import { hashPassword, refuseWeak } from "../services/house/passwords.ts";
import { endSessionsOf } from "../services/house/signIn.ts";
import { backUp, newestBackup } from "./backup.ts";
import { checkFile } from "./checkFile.ts";
import { freeMb } from "./disk.ts";
import { erasedIn, erasuresIn } from "./erasureList.ts";
import { exportHouse, importHouse } from "./export.ts";
import { lateBackupMs, leastMb } from "./health.ts";
import { replicaAddress, replicaFolder, restoreReplica } from "./litestream.ts";
import { type Restored, restore } from "./restore.ts";

/** What a command is given. */
export interface Given {
  readonly data: string;
  readonly args: readonly string[];
  readonly replica: string | null;
  readonly at: string | null;
  /** The list of erased entries, where it is not beside the copy. */
  readonly erasures: string | null;
  readonly clockIsRight: boolean;
  readonly goNow: string | null;
  readonly backups: string | null;
  readonly say: (words: string) => void;
  /** The first line that is typed or piped in. */
  readonly typed: () => string;
}

export const usage = `npm run house -- COMMAND [--data FOLDER]

  backup [FOLDER]       copy the house's file while it is in use; the copy is looked through
  restore FILE [--erasures LIST]
                        put a copy in the file's place (stop the server first);
                        LIST is erased-entries.txt, looked for beside FILE if left out
  restore --replica ADDRESS [--at 2026-12-05T10:00:00Z]
                        get the file back from its replica, as it was at an instant
  check [FILE]          look through the file: pages, references, space, jobs, copies
  export FOLDER         write everything out in open formats
  import FILE           bring an exported house.json into an empty folder
  password SIGN-IN      set a person's password: type it, or pipe it in
  retention [--clock-is-right] [--go-now RUN-ID]
                        what is about to be erased, and do what is due

The folder is LAMPCRATE_DATA, or data/house.`;

type Command = (given: Given) => number | Promise<number>;

/** Every command by its name; each gives the exit code. */
export const commands: Readonly<Record<string, Command>> = {
  backup: ({ data, args: [folder], backups, say }) => {
    needHouse(data);
    const { file, entries, runs, removed } = backUp(data, resolve(folder ?? backups ?? join(data, "copies")), Date.now());
    say(
      `${file}\n${entries} entries, ${runs} runs; looked through, whole.${removed.length > 0 ? ` Let go by age: ${removed.join(", ")}.` : ""}`,
    );
    return 0;
  },
  restore: ({ data, args: [file], replica, at, erasures, say }) => {
    if (file === undefined && replica === null) throw new Error("Name the copy to restore, or --replica and its address.");
    if (erasures !== null && erasuresIn(resolve(erasures)) === null) throw new Error(`${erasures} is not a list of erased entries.`);
    const listed = erasures === null ? null : erasuresIn(resolve(erasures));
    const done = file === undefined ? fromReplica(data, replica ?? "", { at, listed }) : fromCopy(data, resolve(file), listed);
    say(`${houseFile(data)} has ${done.entries} entries and ${done.runs} runs; looked through, whole.`);
    if (done.before !== null) say(`What was there before is ${done.before}.`);
    if (done.erasedAgain > 0) say(`${done.erasedAgain} entries that were erased since are erased again.`);
    if (done.heldBack) say(heldBackWords);
    return 0;
  },
  check: ({ data, args: [file], backups, say }) => {
    if (file === undefined) needHouse(data);
    const found = checkFile(file === undefined ? houseFile(data) : resolve(file));
    say(`${found.entries} entries, ${found.runs} runs.`);
    const wrong = [...found.wrong, ...(file === undefined ? upkeepTroubles(data, backups) : [])];
    for (const words of wrong) say(`Wrong: ${words}.`);
    if (wrong.length === 0) say("Nothing is wrong.");
    return wrong.length === 0 ? 0 : 1;
  },
  export: ({ data, args: [folder], say }) => {
    if (folder === undefined) throw new Error("Name the folder to write to.");
    needHouse(data);
    const files = exportHouse(data, resolve(folder));
    say(`Wrote ${files.length} files to ${resolve(folder)}; house.json has everything, but passwords.`);
    return 0;
  },
  import: ({ data, args: [file], say }) => {
    if (file === undefined) throw new Error("Name the house.json to bring in.");
    const { rows } = importHouse(data, JSON.parse(readFileSync(resolve(file), "utf8")));
    say(`Brought ${rows} rows in. Nobody has a password yet: set one with “password SIGN-IN”.`);
    return 0;
  },
  password: async ({ data, args: [signIn], say, typed }) => {
    if (signIn === undefined) throw new Error("Whose password? Name their sign-in.");
    needHouse(data);
    const db = openDatabase(data);
    try {
      await setPassword(db, signIn.toLowerCase(), typed, say);
    } finally {
      db.$client.close();
    }
    say(`${signIn} has a new password, and is signed out everywhere.`);
    return 0;
  },
  retention: async ({ data, backups, clockIsRight, goNow, say }) => {
    needHouse(data);
    const db = openDatabase(data);
    try {
      const erasureFolders = backups === null ? [data] : [data, backups];
      return await retention({ db, erasureFolders }, { clockIsRight, goNow, say });
    } finally {
      db.$client.close();
    }
  },
};

function needHouse(data: string): void {
  if (!existsSync(houseFile(data))) throw new Error(`There is no house in ${data}. Name its folder with --data or LAMPCRATE_DATA.`);
}

const heldBackWords = `No list of erased entries was found, so nobody can say which entries of this copy were erased since it was made.
Entries are held back from everybody but the family itself. Restore again with --erasures erased-entries.txt,
or have a planner open House, The server, and show them.`;

function fromCopy(data: string, copy: string, listed: readonly string[] | null): Restored {
  return restore(data, { copy, erasures: listed ?? erasuresIn(dirname(copy)) }, Date.now());
}

interface FromReplica {
  readonly at: string | null;
  readonly listed: readonly string[] | null;
}

/** Restores from a replica. Its newest state knows of every erasure, also of those after the moment asked for. */
function fromReplica(data: string, replica: string, { at, listed }: FromReplica): Restored {
  const folder = mkdtempSync(join(tmpdir(), "lampcrate-replica-"));
  const address = replicaAddress(replica, resolve);
  try {
    const copy = join(folder, "restored.sqlite");
    restoreReplica(address, copy, at);
    const newest = join(folder, "newest.sqlite");
    if (at !== null) restoreReplica(address, newest, null);
    const erasures = [...(listed ?? erasuresIn(replicaFolder(address) ?? folder) ?? []), ...erasedIn(at === null ? copy : newest)];
    return restore(data, { copy, erasures }, Date.now());
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function upkeepTroubles(data: string, backups: string | null): readonly string[] {
  const db = openDatabase(data);
  try {
    const jobs = db.select().from(job).all();
    const free = freeMb(data);
    const newest = backups === null ? null : newestBackup(backups);
    return [
      ...(free < leastMb ? [`only ${free.toFixed(0)} MB are free`] : []),
      ...jobs.filter((one) => one.ok === false).map((one) => `${one.name} failed: ${one.words}`),
      ...(clockHeld(db) === null ? [] : [String(clockHeld(db))]),
      ...(backups !== null && (newest === null || Date.now() - newest > lateBackupMs) ? ["the newest backup is older than a day"] : []),
    ];
  } finally {
    db.$client.close();
  }
}

async function setPassword(db: Database, signIn: string, typed: () => string, say: (words: string) => void): Promise<void> {
  const person = db.select().from(staff).where(eq(staff.signIn, signIn)).get();
  if (!person || person.gone) {
    const names = db.select({ signIn: staff.signIn }).from(staff).where(eq(staff.gone, false)).all();
    throw new Error(`Nobody signs in as ${signIn}. There are: ${names.map((one) => one.signIn).join(", ")}.`);
  }
  say(`New password for ${person.name}, ten characters or more:`);
  const password = typed();
  if (password.length < 10 || password.length > 200) throw new Error("A password has ten characters or more. Nothing was changed.");
  refuseWeak(password, [person.name, person.signIn]);
  const passwordHash = await hashPassword(password);
  db.transaction((tx) => {
    tx.update(staff).set({ passwordHash, active: true }).where(eq(staff.id, person.id)).run();
    endSessionsOf({ db: tx }, person.id);
    trail(tx, Date.now(), null, "people", `set a new password for ${person.name} from the command line`);
  });
}

async function retention(
  { db, erasureFolders }: Pick<Deps, "db" | "erasureFolders">,
  { clockIsRight, goNow, say }: Pick<Given, "clockIsRight" | "goNow" | "say">,
): Promise<number> {
  const deps = { db, erasureFolders, clock: Date.now, steady: steadyClock, log: pino({ level: "silent" }) };
  if (clockIsRight) trustClock(deps, null);
  if (goNow !== null) {
    const found = db.select().from(run).where(eq(run.id, goNow)).get();
    if (!found) throw new Error(`There is no run ${goNow}.`);
    db.update(erasingNotice).set({ seenAt: Date.now() }).where(eq(erasingNotice.runId, goNow)).run();
  }
  const well = await runJob(deps, "retention", () => keepPromises(deps, new ClockWatch(deps)));
  say(db.select().from(job).where(eq(job.name, "retention")).get()?.words ?? "");
  for (const { runId, title, dueOn, entries, afterwards, seen } of erasingNotices(db))
    say(
      `${dueOn}  ${entries} entries of ${title} (${runId}) are ${afterwards === "erase" ? "erased" : "made anonymous"}; ${seen ? "seen" : "nobody has seen this notice yet"}`,
    );
  return well ? 0 : 1;
}
