import type { RunDoc } from "@lampcrate/contract";
import { type Beside, checksOf, dateOf, dateWords, endOfDay, spokenCode } from "@lampcrate/core";
import { eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { run, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { materialList } from "../store/materials.ts";
import { refuseTakenRooms } from "./bookings.ts";
import { freezeBrief, loadBrief } from "./briefs.ts";
import { type RunRow, runDoc, runRow } from "./runs.ts";
import { raiseSequences } from "./sessionRow.ts";
import { followRevision } from "./undo.ts";

/** Freezes the brief and opens the run to families. Says what is missing, field by field. */
export function publish(deps: Deps, person: Person, id: string): RunDoc {
  return deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    const errors = [...missingToPublish(tx, row), ...contradictions(deps, tx, row)];
    if (row.status === "cancelled") refuseTakenRooms(tx, id);
    if (errors.length > 0) throw new Problem(422, "Not ready to publish", errors.map((e) => e.message).join(" "), { errors });
    const number = freezeBrief(tx, row.briefId, deps.clock(), person.id);
    tx.update(run)
      .set({ status: "published", publishedVersion: number, code: row.code ?? freeCode(tx, id), revision: row.revision + 1 })
      .where(eq(run.id, id))
      .run();
    followRevision(tx, id, row.revision, row.revision + 1);
    if (row.status !== "published") raiseSequences(tx, id);
    trail(tx, deps.clock(), person, "publishing", `published ${row.title}, version ${number}`);
    return runDoc(tx, id, person);
  });
}

function missingToPublish(db: Store, row: RunRow): { field: string; message: string }[] {
  const errors: { field: string; message: string }[] = [];
  if (row.opensOn === null) errors.push({ field: "opensOn", message: "Set the day on which entries open, in Calendar." });
  if (row.closesOn === null) errors.push({ field: "closesOn", message: "Set the closing day for entries, in Calendar." });
  else {
    const closes = endOfDay(row.closesOn, houseDoc(db).zone) ?? 0;
    const late = db
      .select()
      .from(session)
      .where(eq(session.runId, row.id))
      .all()
      .find((s) => !s.cancelled && s.startAt + s.minutes * 60_000 > closes);
    if (late)
      errors.push({
        field: "closesOn",
        message: `Entries close on ${dateWords(row.closesOn)}, before a session has ended. Move the closing day or the session.`,
      });
  }
  return errors;
}

/** What of the brief would contradict itself on the sheet. */
function contradictions(deps: Deps, db: Store, row: RunRow): { field: string; message: string }[] {
  const { doc } = loadBrief(db, row.briefId);
  const beside: Beside = {
    kind: row.kind,
    units: row.units,
    dates: { opens: row.opensOn, closes: row.closesOn, reveal: row.revealOn },
    today: dateOf(deps.clock(), houseDoc(db).zone),
    materials: materialList(db),
    // A room that is too small stops nobody.
    rooms: [],
    ratios: [],
  };
  return checksOf(doc, beside).flatMap(({ id, stops, words }) => (stops ? [{ field: `brief: ${id}`, message: words }] : []));
}

function freeCode(db: Store, id: string): string {
  for (let attempt = 0; ; attempt += 1) {
    const code = spokenCode(id, attempt);
    if (!db.select().from(run).where(eq(run.code, code)).get()) return code;
  }
}

/** Takes the run back to a draft (families no longer reach it; entries stay), or cancels it. */
export function setStatus(deps: Deps, person: Person, id: string, status: "draft" | "cancelled"): RunDoc {
  return deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    if (row.status === "cancelled" && status !== "cancelled") refuseTakenRooms(tx, id);
    tx.update(run)
      .set({ status, revision: row.revision + 1 })
      .where(eq(run.id, id))
      .run();
    followRevision(tx, id, row.revision, row.revision + 1);
    if (row.status !== status) raiseSequences(tx, id);
    trail(tx, deps.clock(), person, "publishing", `${status === "draft" ? "unpublished" : "cancelled"} ${row.title}`);
    return runDoc(tx, id, person);
  });
}

/** Throws 403 while a run's reveal is still to come. */
export function refuseBeforeReveal(row: RunRow, today: string): void {
  if (row.revealOn !== null && today >= row.revealOn) return;
  const message = row.revealOn === null ? "The reveal has no day yet." : "The reveal is still to come.";
  throw new Problem(403, "Not yet", message, { errors: [{ field: "code", message }] });
}
