import { claimInput, prizeInput } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import { allow, type Signed } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import type { Served } from "../served.ts";
import { drawPrize, handOut, prizeDoc, takeDrawBack } from "../services/prize/prize.ts";

/** What one may win in a run: drawn once entries have closed, handed out to whoever shows the code behind a private link. */
export function prizeRoutes(deps: Served) {
  const [sift, plan] = [allow(deps, "sift"), allow(deps, "plan")];
  const qualifiers = (runId: string) => deps.reckon.ask("qualifiers", { runId });
  const answer = async (runId: string) => prizeDoc(deps, runId, await qualifiers(runId));
  return new Hono<Signed>()
    .get("/runs/:id/prize", sift, ids("id"), async (c) => c.json(await answer(c.req.valid("param").id)))
    .post("/runs/:id/prize", plan, ids("id"), body(prizeInput), async (c) => {
      const { id } = c.req.valid("param");
      drawPrize(deps, c.get("person"), id, c.req.valid("json"), await qualifiers(id));
      return c.json(await answer(id), 201);
    })
    .delete("/runs/:id/prize", plan, ids("id"), async (c) => {
      const { id } = c.req.valid("param");
      takeDrawBack(deps, c.get("person"), id);
      return c.json(await answer(id));
    })
    .post("/runs/:id/prize/claims", sift, ids("id"), body(claimInput), async (c) => {
      const { id } = c.req.valid("param");
      handOut(deps, c.get("person"), id, c.req.valid("json").code);
      return c.json(await answer(id));
    });
}
