import type { HoldDoc } from "@lampcrate/contract";
import {
  acceptInput,
  askInput,
  briefSave,
  countInput,
  decisionInput,
  duplicateInput,
  houseTrialInput,
  keyedInput,
  newRun,
  runSave,
  sessionInput,
  sessionRepeats,
  sessionSave,
  shownInput,
  starterStart,
} from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import { validator } from "hono/validator";
import { streamed } from "../http/attachment.ts";
import { inTheirLanguage } from "../http/language.ts";
import { badField } from "../http/problem.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { anyJson, body, from, ids } from "../http/validate.ts";
import type { Served } from "../served.ts";
import { askFamily } from "../services/entries/asks.ts";
import { seeErasingNotice } from "../services/entries/erasingNotices.ts";
import { entryOf, findEntries } from "../services/entries/findEntries.ts";
import { Holds } from "../services/entries/holds.ts";
import { addHouseTrial, showHouseTrial } from "../services/entries/houseTrials.ts";
import { keyIn } from "../services/entries/keyedIn.ts";
import { acceptTogether, decide } from "../services/entries/sift.ts";
import { houseDoc } from "../services/house/house.ts";
import { bookings } from "../services/runs/bookings.ts";
import { duplicate } from "../services/runs/duplicate.ts";
import { exportPack, importPack, previewPack } from "../services/runs/packs.ts";
import { publish, setStatus } from "../services/runs/publishing.ts";
import { deleteRun, putAway, putAwayRuns } from "../services/runs/putAway.ts";
import { createRun, runDoc, runRow, saveBrief, saveSettings } from "../services/runs/runs.ts";
import { addRepeats, addSession, removeSession, saveSession } from "../services/runs/sessions.ts";
import { draftSheet, sheetDoc } from "../services/runs/sheet.ts";
import { redoNext, undoLast } from "../services/runs/undo.ts";
import { saveCount } from "../services/store/counts.ts";
import { starterLines, starterPack } from "../starters/index.ts";

/** A starter's name. */
const starterId = validator("param", (value: Record<string, string>) => ({ id: value["id"] ?? "" }));

/** Letters of a made-up name. */
const aliasLetters = validator("query", (value: Record<string, string | string[]>) => {
  const alias = value["alias"];
  if (typeof alias !== "string" || alias.trim().length < 2 || alias.length > 60)
    throw badField("alias", "Type 2 to 60 letters of the made-up name.");
  return { alias: alias.trim() };
});

/** Everything staff do with a run. */
export function runRoutes(deps: Served) {
  const plan = allow(deps, "plan");
  const look = allow(deps, "look");
  const sift = allow(deps, "sift");
  const count = allow(deps, "count");
  const holds = new Holds(deps.steady);
  return new Hono<Signed>()
    .post("/runs", plan, body(newRun), (c) => c.json({ id: createRun(deps, c.req.valid("json")) }, 201))
    .get("/starters", look, (c) => c.json(starterLines(houseDoc(deps.db).units)))
    .post("/starters/:id", plan, starterId, body(starterStart), (c) => {
      const { title, kind } = c.req.valid("json");
      return c.json({ id: importPack(deps, starterPack(c.req.valid("param").id), { title, kind }) }, 201);
    })
    .post("/packs/preview", plan, anyJson, (c) => c.json(previewPack(deps.db, c.req.valid("json"))))
    .post("/packs", plan, anyJson, (c) => c.json({ id: importPack(deps, c.req.valid("json")) }, 201))
    .get("/runs/:id/pack.json", plan, ids("id"), (c) => {
      const pack = JSON.stringify(exportPack(deps.db, c.req.valid("param").id), null, 2);
      return c.body(pack, 200, {
        "content-type": "application/json; charset=utf-8",
        "content-disposition": 'attachment; filename="challenge-pack.json"',
        "cache-control": "no-store",
      });
    })
    .get("/runs/:id/learned", look, ids("id"), async (c) => c.json(await deps.reckon.ask("learned", { runId: c.req.valid("param").id })))
    .post("/runs/:id/house-trials", plan, ids("id"), body(houseTrialInput), async (c) => {
      const { id } = c.req.valid("param");
      addHouseTrial(deps, c.get("person"), id, c.req.valid("json"));
      return c.json(await deps.reckon.ask("learned", { runId: id }), 201);
    })
    .put("/runs/:id/house-trials/:trial/shown", plan, ids("id", "trial"), body(shownInput), async (c) => {
      const { id, trial } = c.req.valid("param");
      showHouseTrial(deps, id, trial, c.req.valid("json").shown);
      return c.json(await deps.reckon.ask("learned", { runId: id }));
    })
    .get("/bookings", look, (c) => c.json(bookings(deps.db)))
    .get("/runs/put-away", look, (c) => c.json(putAwayRuns(deps.db)))
    .post("/runs/:id/put-away", plan, ids("id"), (c) => {
      putAway(deps, c.get("person"), c.req.valid("param").id, true);
      return c.json(putAwayRuns(deps.db));
    })
    .post("/runs/:id/back", plan, ids("id"), (c) => {
      putAway(deps, c.get("person"), c.req.valid("param").id, false);
      return c.json(putAwayRuns(deps.db));
    })
    .delete("/runs/:id", plan, ids("id"), (c) => {
      deleteRun(deps, c.get("person"), c.req.valid("param").id);
      return c.json({ deleted: true });
    })
    .get("/runs/:id", look, ids("id"), (c) => c.json(runDoc(deps.db, c.req.valid("param").id, c.get("person"))))
    .put("/runs/:id", plan, ids("id"), body(runSave), (c) =>
      c.json(saveSettings(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json"))),
    )
    .put("/runs/:id/brief", plan, ids("id"), body(briefSave), (c) =>
      c.json(saveBrief(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json"))),
    )
    .post("/runs/:id/publish", plan, ids("id"), (c) => c.json(publish(deps, c.get("person"), c.req.valid("param").id)))
    .post("/runs/:id/unpublish", plan, ids("id"), (c) => c.json(setStatus(deps, c.get("person"), c.req.valid("param").id, "draft")))
    .post("/runs/:id/cancel", plan, ids("id"), (c) => c.json(setStatus(deps, c.get("person"), c.req.valid("param").id, "cancelled")))
    .post("/runs/:id/duplicate", plan, ids("id"), body(duplicateInput), (c) =>
      c.json({ id: duplicate(deps, c.req.valid("param").id, c.req.valid("json")) }, 201),
    )
    .post("/runs/:id/undo", look, ids("id"), (c) => c.json({ undone: undoLast(deps, c.get("person"), c.req.valid("param").id) }))
    .post("/runs/:id/redo", look, ids("id"), (c) => c.json({ redone: redoNext(deps, c.get("person"), c.req.valid("param").id) }))
    .post("/runs/:id/sessions", plan, ids("id"), body(sessionInput), (c) =>
      c.json(addSession(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json")), 201),
    )
    .post("/runs/:id/sessions/repeats", plan, ids("id"), body(sessionRepeats), (c) =>
      c.json(addRepeats(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json")), 201),
    )
    .put("/runs/:id/sessions/:session", plan, ids("id", "session"), body(sessionSave), (c) => {
      const { id, session } = c.req.valid("param");
      return c.json(saveSession(deps, c.get("person"), id, session, c.req.valid("json")));
    })
    .put("/runs/:id/sessions/:session/count", count, ids("id", "session"), body(countInput), async (c) => {
      const { id, session } = c.req.valid("param");
      saveCount(deps, c.get("person"), id, session, c.req.valid("json"));
      return c.json(await deps.reckon.ask("learned", { runId: id }));
    })
    .delete("/runs/:id/sessions/:session", plan, ids("id", "session"), (c) => {
      const { id, session } = c.req.valid("param");
      return c.json(removeSession(deps, c.get("person"), id, session));
    })
    .post("/runs/:id/erasing-seen", plan, ids("id"), (c) => {
      seeErasingNotice(deps, c.get("person"), c.req.valid("param").id);
      return c.json({ seen: true });
    })
    .get("/runs/:id/sheet/draft", look, ids("id"), inTheirLanguage, (c) =>
      c.json(draftSheet(deps.db, runRow(deps.db, c.req.valid("param").id), deps.clock())),
    )
    .get("/runs/:id/sheet", look, ids("id"), (c) => c.json(sheetDoc(deps.db, runRow(deps.db, c.req.valid("param").id), deps.clock())))
    .get("/runs/:id/entries", sift, ids("id"), from, async (c) =>
      c.json(await deps.reckon.ask("entries", { runId: c.req.valid("param").id, from: c.req.valid("query").from })),
    )
    .get("/entries", sift, aliasLetters, (c) => c.json(findEntries(deps.db, c.req.valid("query").alias)))
    .get("/runs/:id/entries/:entry", sift, ids("id", "entry"), (c) => {
      const { id, entry } = c.req.valid("param");
      return c.json(entryOf(deps.db, id, entry));
    })
    .post("/runs/:id/entries/accepted", sift, ids("id"), body(acceptInput), (c) => {
      const { id } = c.req.valid("param");
      const person = c.get("person");
      return c.json(acceptTogether(deps, person, id, c.req.valid("json"), (entry) => holds.isFree(id, entry, person)));
    })
    .post("/runs/:id/entries/:entry/hold", sift, ids("id", "entry"), (c) => {
      const { id, entry } = c.req.valid("param");
      return c.json<HoldDoc>({ by: holds.take(id, entry, c.get("person")) });
    })
    .post("/runs/:id/entries", sift, ids("id"), body(keyedInput), (c) =>
      c.json(keyIn(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json")), 201),
    )
    .get("/runs/:id/entries/:entry/evidence", sift, ids("id", "entry"), async (c) => {
      const { id, entry } = c.req.valid("param");
      return c.json(await deps.reckon.ask("evidence", { runId: id, entryId: entry }));
    })
    .post("/runs/:id/entries/:entry/decision", sift, ids("id", "entry"), body(decisionInput), (c) => {
      const { id, entry } = c.req.valid("param");
      holds.refuseOthers(id, entry, c.get("person"));
      return c.json(decide(deps, c.get("person"), id, entry, c.req.valid("json")));
    })
    .post("/runs/:id/entries/:entry/asks", sift, ids("id", "entry"), body(askInput), (c) => {
      const { id, entry } = c.req.valid("param");
      return c.json(askFamily(deps, c.get("person"), id, entry, c.req.valid("json")), 201);
    })
    .get("/runs/:id/findings", sift, ids("id"), async (c) => c.json(await deps.reckon.ask("findings", { runId: c.req.valid("param").id })))
    .get("/runs/:id/findings/builders", sift, ids("id"), from, async (c) =>
      c.json(await deps.reckon.ask("builders", { runId: c.req.valid("param").id, from: c.req.valid("query").from })),
    )
    .get("/runs/:id/reveal", sift, ids("id"), async (c) =>
      c.json(await deps.reckon.ask("reveal", { runId: c.req.valid("param").id, language: "en" })),
    )
    .get("/runs/:id/trials.csv", sift, ids("id"), async (c) => {
      const runId = c.req.valid("param").id;
      const part = async (after: number) => deps.reckon.ask("trialsCsv", { runId, after });
      return streamed(c, await part(0), part, "text/csv; charset=utf-8", "trials.csv");
    });
}
