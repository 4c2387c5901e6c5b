import { calendarSave, feedInput } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import type { Deps } from "../deps.ts";
import { attachment } from "../http/attachment.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import { addFeed, feedList, removeFeed } from "../services/house/feeds.ts";
import { calendarDoc } from "../services/runs/calendar.ts";
import { calendarCsv } from "../services/runs/calendarCsv.ts";
import { saveSessions } from "../services/runs/sessions.ts";
import { redoCalendar, undoCalendar } from "../services/runs/undo.ts";

/** The calendar of the house: sessions of all runs. */
export function calendarRoutes(deps: Deps) {
  const look = allow(deps, "look");
  const plan = allow(deps, "plan");
  return new Hono<Signed>()
    .get("/calendar", look, (c) => c.json(calendarDoc(deps.db, c.get("person"))))
    .get("/calendar.csv", look, (c) => attachment(c, calendarCsv(deps.db, c.get("person")), "text/csv; charset=utf-8", "sessions.csv"))
    .get("/feeds", look, (c) => c.json(feedList(deps.db)))
    .post("/feeds", plan, body(feedInput), (c) => c.json(addFeed(deps, c.get("person"), c.req.valid("json")), 201))
    .delete("/feeds/:id", plan, ids("id"), (c) => {
      removeFeed(deps, c.get("person"), c.req.valid("param").id);
      return c.json(feedList(deps.db));
    })
    .put("/calendar", plan, body(calendarSave), (c) => {
      saveSessions(deps, c.get("person"), c.req.valid("json"));
      return c.json(calendarDoc(deps.db, c.get("person")));
    })
    .post("/calendar/undo", plan, (c) => {
      undoCalendar(deps, c.get("person"));
      return c.json(calendarDoc(deps.db, c.get("person")));
    })
    .post("/calendar/redo", plan, (c) => {
      redoCalendar(deps, c.get("person"));
      return c.json(calendarDoc(deps.db, c.get("person")));
    });
}
