import type { HouseDoc, SessionDoc } from "@lampcrate/contract";
import { fillBrief, type RunSheet, runSheet } from "@lampcrate/core";
import type { Store } from "../../db/open.ts";
import { notFound } from "../../http/problem.ts";
import { houseDoc } from "../house/house.ts";
import { materialList } from "../store/materials.ts";
import { draftOf } from "./briefs.ts";
import { cautionWords } from "./cautions.ts";
import { fillingOf } from "./filling.ts";
import { type RunRow, runRow, sessionDocs } from "./runs.ts";

/** What a session's run sheet is printed from. */
export interface RunSheetPapers {
  readonly house: HouseDoc;
  readonly run: RunRow;
  readonly session: SessionDoc;
  readonly room: string | null;
  /** Names of who is on it. */
  readonly people: readonly string[];
  readonly sheet: RunSheet;
  readonly cautions: readonly string[];
}

/** A session's run sheet with who and where. Throws 404. */
export function runSheetPapers(db: Store, runId: string, sessionId: string | null): RunSheetPapers {
  const run = runRow(db, runId);
  const house = houseDoc(db);
  const session = sessionDocs(db, runId).find(({ id }) => id === sessionId);
  if (!session) throw notFound("session of this run", "session");
  const { brief, materials } = draftOf(db, run.briefId);
  return {
    house,
    run,
    session,
    room: house.rooms.find(({ id }) => id === session.roomId)?.name ?? null,
    people: house.people.flatMap(({ id, name }) => (session.people.includes(id) ? [name] : [])),
    sheet: runSheet(run.kind, session.minutes, { sketchFirst: brief.sketchFirst, own: run.sheet, held: session.kind }),
    cautions: cautionWords({ brief: fillBrief(brief, fillingOf(brief, run, materialList(db))), materials }),
  };
}
