import type { SheetDoc } from "@lampcrate/contract";
import { spokenNow } from "@lampcrate/core";
import type { Database } from "../../db/open.ts";
import { houseStamp } from "../house/house.ts";
import { publicRun } from "./runs.ts";
import { entryDoor, ladderChangesAt, sheetDoc } from "./sheet.ts";

const mostKept = 200;

/** Challenge sheets as families ask for them: made once, and again when run, house, door or the ladder of hints have changed. */
export class PublicSheets {
  private readonly kept = new Map<string, { readonly stamp: string; readonly until: number; readonly sheet: SheetDoc }>();

  constructor(private readonly db: Database) {}

  /** The sheet under a code, however it is typed, in the language that is spoken. Throws 404. */
  of(typed: string, now: number): SheetDoc {
    const row = publicRun(this.db, typed);
    const { zone, revision } = houseStamp(this.db);
    const stamp = `${row.revision} ${row.publishedVersion} ${revision} ${entryDoor(row, zone, now)}`;
    const key = `${row.id} ${spokenNow().id}`;
    const known = this.kept.get(key);
    if (known?.stamp === stamp && now < known.until) return known.sheet;
    const sheet = sheetDoc(this.db, row, now);
    if (this.kept.size >= mostKept) this.kept.clear();
    this.kept.set(key, { stamp, until: ladderChangesAt(sheet, zone), sheet });
    return sheet;
  }
}
