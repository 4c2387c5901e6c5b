import { getConnInfo } from "@hono/node-server/conninfo";
import { newStaff, setupInput, signInInput, staffSave } from "@lampcrate/contract/schemas";
import { type Context, Hono } from "hono";
import { deleteCookie, getCookie, setCookie } from "hono/cookie";
import type { Deps } from "../deps.ts";
import { Attempts } from "../http/attempts.ts";
import { cookieName, staffOnly } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import { addStaff, houseDoc, isEmpty, saveStaff, setUp, staffList } from "../services/house.ts";
import { personOf, signIn, signInMs, signOut } from "../services/signIn.ts";

const quarterHour = 15 * 60_000;

/** Setting up, signing in and out, and the people of the house. */
export function staffRoutes(deps: Deps) {
  const byName = new Attempts(deps.clock, 8, quarterHour);
  const byAddress = new Attempts(deps.clock, 60, quarterHour);
  const open = (c: Context, secret: string): void => {
    const secure = !isEmpty(deps.db) && houseDoc(deps.db).publicUrl.startsWith("https://") && c.req.header("x-forwarded-proto") === "https";
    setCookie(c, cookieName, secret, { httpOnly: true, sameSite: "Lax", path: "/", maxAge: signInMs / 1000, secure });
  };
  return new Hono()
    .get("/setup", (c) => c.json({ needed: isEmpty(deps.db), url: deps.url }))
    .post("/setup", body(setupInput), async (c) => {
      const address = addressOf(c);
      byAddress.check(address);
      byAddress.failed(address);
      const input = c.req.valid("json");
      await setUp(deps, input);
      const { secret, person } = await signIn(deps, byName, input);
      open(c, secret);
      return c.json(person, 201);
    })
    .post("/sign-in", body(signInInput), async (c) => {
      const address = addressOf(c);
      byAddress.check(address);
      try {
        const { secret, person } = await signIn(deps, byName, c.req.valid("json"));
        open(c, secret);
        return c.json(person);
      } catch (error) {
        byAddress.failed(address);
        throw error;
      }
    })
    .post("/sign-out", (c) => {
      signOut(deps, getCookie(c, cookieName));
      deleteCookie(c, cookieName, { path: "/" });
      return c.json({ signedOut: true });
    })
    .get("/me", (c) => c.json({ person: personOf(deps, getCookie(c, cookieName)), now: deps.clock() }))
    .get("/staff", staffOnly(deps), (c) => c.json(staffList(deps.db)))
    .post("/staff", staffOnly(deps), body(newStaff), async (c) => c.json(await addStaff(deps, c.req.valid("json")), 201))
    .put("/staff/:id", staffOnly(deps), ids("id"), body(staffSave), async (c) =>
      c.json(await saveStaff(deps, c.req.valid("param").id, c.req.valid("json"))),
    );
}

/** Where the request came from; one name for all where nobody knows. */
function addressOf(c: Context): string {
  try {
    return getConnInfo(c).remote.address ?? "unknown";
  } catch {
    return "unknown";
  }
}
