import { newStaff, ownPassword, setupInput, signInInput, staffSave } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import { deleteCookie, getCookie } from "hono/cookie";
import type { Deps } from "../deps.ts";
import { addressOf } from "../http/address.ts";
import { Attempts } from "../http/attempts.ts";
import { allow, cookieName, keepSession, type Signed, whoAsks } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import { isEmpty, setUp } from "../services/house/house.ts";
import { changePassword, signIn, signOut, signOutEverywhere } from "../services/house/signIn.ts";
import { addStaff, removeStaff, saveStaff, staffList } from "../services/house/staff.ts";

const quarterHour = 15 * 60_000;

/** Setting up, signing in and out, and the people of the house. */
export function staffRoutes(deps: Deps) {
  const limits = { here: new Attempts(deps.steady, 8, quarterHour), anywhere: new Attempts(deps.steady, 200, quarterHour) };
  const byAddress = new Attempts(deps.steady, 60, quarterHour);
  const own = new Attempts(deps.steady, 8, quarterHour);
  const keep = allow(deps, "house");
  const look = allow(deps, "look");
  return new Hono<Signed>()
    .get("/setup", (c) => c.json({ needed: isEmpty(deps.db), url: deps.url }))
    .post("/setup", body(setupInput), async (c) => {
      const address = addressOf(c, deps.proxies);
      byAddress.take(address);
      const input = c.req.valid("json");
      await setUp(deps, input);
      const { secret, person } = await signIn(deps, limits, address, input);
      keepSession(c, deps, secret);
      return c.json(person, 201);
    })
    .post("/sign-in", body(signInInput), async (c) => {
      const address = addressOf(c, deps.proxies);
      byAddress.take(address);
      const { secret, person } = await signIn(deps, limits, address, c.req.valid("json"));
      byAddress.forgive(address);
      keepSession(c, deps, secret);
      return c.json(person);
    })
    .post("/sign-out", (c) => {
      signOut(deps, getCookie(c, cookieName));
      deleteCookie(c, cookieName, { path: "/" });
      return c.json({ signedOut: true });
    })
    .post("/sign-out-everywhere", look, (c) => {
      signOutEverywhere(deps, c.get("person"));
      deleteCookie(c, cookieName, { path: "/" });
      return c.json({ signedOut: true });
    })
    .put("/me/password", look, body(ownPassword), async (c) => {
      await changePassword(deps, own, c.get("person"), getCookie(c, cookieName) ?? "", c.req.valid("json"));
      return c.json({ changed: true });
    })
    .get("/me", (c) => c.json({ person: whoAsks(c, deps), now: deps.clock() }))
    .get("/staff", keep, (c) => c.json(staffList(deps.db)))
    .post("/staff", keep, body(newStaff), async (c) => c.json(await addStaff(deps, c.get("person"), c.req.valid("json")), 201))
    .put("/staff/:id", keep, ids("id"), body(staffSave), async (c) =>
      c.json(await saveStaff(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json"))),
    )
    .delete("/staff/:id", keep, ids("id"), (c) => c.json(removeStaff(deps, c.get("person"), c.req.valid("param").id)));
}
