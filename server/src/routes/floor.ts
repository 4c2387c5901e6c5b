import { tapsInput } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import type { Deps } from "../deps.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body, from, ids } from "../http/validate.ts";
import { floorDays, floorDoc, takeTaps, tapsAfter } from "../services/runs/floor.ts";

/** The floor of a session while it goes on. */
export function floorRoutes(deps: Deps) {
  const look = allow(deps, "look");
  const count = allow(deps, "count");
  return new Hono<Signed>()
    .get("/sessions/:id/floor", look, ids("id"), (c) => c.json(floorDoc(deps.db, c.req.valid("param").id)))
    .get("/sessions/:id/taps", look, ids("id"), from, (c) => c.json(tapsAfter(deps.db, c.req.valid("param").id, c.req.valid("query").from)))
    .get("/runs/:id/floor-days", look, ids("id"), (c) => c.json(floorDays(deps.db, c.req.valid("param").id)))
    .post("/sessions/:id/taps", count, ids("id"), body(tapsInput), (c) =>
      c.json(takeTaps(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json"))),
    );
}
