import { houseInput, materialInput, materialSave } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import type { Deps } from "../deps.ts";
import { staffOnly } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import { houseDoc, saveHouse } from "../services/house.ts";
import { addMaterial, materialList, saveMaterial } from "../services/materials.ts";
import { seasonDoc } from "../services/season.ts";

/** The house, its store room and its season. */
export function houseRoutes(deps: Deps) {
  const anyone = staffOnly(deps, "floor", "sifter");
  const planner = staffOnly(deps);
  return new Hono()
    .get("/house", anyone, (c) => c.json(houseDoc(deps.db)))
    .put("/house", planner, body(houseInput), (c) => c.json(saveHouse(deps, c.req.valid("json"))))
    .get("/season", anyone, (c) => c.json(seasonDoc(deps.db, deps.clock())))
    .get("/materials", anyone, (c) => c.json(materialList(deps.db)))
    .post("/materials", planner, body(materialInput), (c) => c.json(addMaterial(deps, c.req.valid("json")), 201))
    .put("/materials/:id", planner, ids("id"), body(materialSave), (c) =>
      c.json(saveMaterial(deps, c.req.valid("param").id, c.req.valid("json"))),
    );
}
