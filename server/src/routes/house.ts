import type { HealthDoc } from "@lampcrate/contract";
import { houseInput, stepMark } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import { validator } from "hono/validator";
import type { Deps } from "../deps.ts";
import { badField } from "../http/problem.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body } from "../http/validate.ts";
import { trustClock } from "../jobs/clockWatch.ts";
import { showHeldBack } from "../services/entries/heldBack.ts";
import { trailPage } from "../services/house/audit.ts";
import { houseDoc, saveHouse } from "../services/house/house.ts";
import { seasonDoc } from "../services/runs/season.ts";
import { markStep } from "../services/runs/stepMarks.ts";

/** The trail's last line on the page before: its instant and number. */
const before = validator("query", (value: Record<string, string | string[]>) => {
  const text = value["before"];
  if (text === undefined || text === "") return { before: null };
  const [, at, id] = (typeof text === "string" ? /^(\d{1,15})-(\d{1,15})$/.exec(text) : null) ?? [];
  if (at === undefined || id === undefined) throw badField("before", "A page goes on from a line's instant and number.");
  return { before: { at: Number(at), id: Number(id) } };
});

/** The house, its trail and its season. */
export function houseRoutes(deps: Deps, asked: () => Promise<HealthDoc>) {
  const look = allow(deps, "look");
  const keep = allow(deps, "house");
  const count = allow(deps, "count");
  return new Hono<Signed>()
    .get("/house", look, (c) => c.json(houseDoc(deps.db)))
    .put("/house", keep, body(houseInput), (c) => c.json(saveHouse(deps, c.get("person"), c.req.valid("json"))))
    .get("/health", keep, async (c) => c.json(await asked()))
    .post("/clock-is-right", keep, (c) => {
      trustClock(deps, c.get("person"));
      return c.json({ trusted: true });
    })
    .post("/held-back-entries/show", keep, (c) => {
      showHeldBack(deps, c.get("person"));
      return c.json({ shown: true });
    })
    .get("/audit", keep, before, (c) => c.json(trailPage(deps.db, c.req.valid("query").before)))
    .get("/season", look, (c) => c.json(seasonDoc(deps.db, deps.clock())))
    .put("/season/steps", count, body(stepMark), (c) => {
      markStep(deps, c.get("person"), c.req.valid("json"));
      return c.json(seasonDoc(deps.db, deps.clock()));
    });
}
