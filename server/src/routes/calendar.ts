import { calendarSave } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import type { Deps } from "../deps.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body } from "../http/validate.ts";
import { calendarDoc } from "../services/runs/calendar.ts";
import { saveSessions } from "../services/runs/sessions.ts";
import { redoCalendar, undoCalendar } from "../services/runs/undo.ts";

/** The calendar of the house: sessions of all runs. */
export function calendarRoutes(deps: Deps) {
  const look = allow(deps, "look");
  const plan = allow(deps, "plan");
  return new Hono<Signed>()
    .get("/calendar", look, (c) => c.json(calendarDoc(deps.db, c.get("person"))))
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
