import { houseInput } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import type { Deps } from "../deps.ts";
import { type Signed, staffOnly } from "../http/signedIn.ts";
import { body } from "../http/validate.ts";
import { houseDoc, saveHouse } from "../services/house.ts";
import { seasonDoc } from "../services/season.ts";

/** The house and its season. */
export function houseRoutes(deps: Deps) {
  const anyone = staffOnly(deps, "floor", "sifter");
  const planner = staffOnly(deps);
  return new Hono<Signed>()
    .get("/house", anyone, (c) => c.json(houseDoc(deps.db)))
    .put("/house", planner, body(houseInput), (c) => c.json(saveHouse(deps, c.get("person"), c.req.valid("json"))))
    .get("/season", anyone, (c) => c.json(seasonDoc(deps.db, deps.clock())));
}
