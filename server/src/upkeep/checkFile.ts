import Sqlite from "better-sqlite3";

/** What a house's file holds, and what is wrong with it: nothing, usually. */
export interface FileCheck {
  readonly wrong: readonly string[];
  readonly entries: number;
  readonly runs: number;
  /** When the newest entry was sent, ms; null where there is none. */
  readonly lastEntryAt: number | null;
}

/** Opens a house's file as a reader and looks through all of it: its pages, its references, that it is a house's. */
export function checkFile(file: string): FileCheck {
  const client = new Sqlite(file, { readonly: true, fileMustExist: true });
  try {
    const value = (sql: string): unknown => client.prepare(sql).pluck().get();
    const pages = client.prepare("pragma integrity_check").pluck().all() as string[];
    const dangling = client.prepare("pragma foreign_key_check").all();
    const wrong = [
      ...(pages.length === 1 && pages[0] === "ok" ? [] : pages.slice(0, 5)),
      ...(dangling.length > 0 ? [`${dangling.length} rows refer to nothing`] : []),
      ...(Number(value("select count(*) from house")) <= 1 ? [] : ["there is more than one house in it"]),
    ];
    return {
      wrong,
      entries: Number(value("select count(*) from entry where state <> 'house trial'")),
      runs: Number(value("select count(*) from run")),
      lastEntryAt: value("select max(sent_at) from entry") as number | null,
    };
  } finally {
    client.close();
  }
}
