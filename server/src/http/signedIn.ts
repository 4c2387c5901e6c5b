import { type Capability, may, whoMay } from "@lampcrate/contract";
import type { Context, MiddlewareHandler } from "hono";
import { getCookie, setCookie } from "hono/cookie";
import type { Deps } from "../deps.ts";
import { houseDoc, isEmpty } from "../services/house/house.ts";
import type { Person } from "../services/house/person.ts";
import { sessionOf, signInMs } from "../services/house/signIn.ts";
import { Problem } from "./problem.ts";

export const cookieName = "lampcrate";

/** What routes behind the sign-in know of who asks. */
export interface Signed {
  readonly Variables: { readonly person: Person };
}

/** Gives the session to the browser, to end there when it ends here. */
export function keepSession(c: Context, deps: Deps, secret: string): void {
  const secure = !isEmpty(deps.db) && houseDoc(deps.db).publicUrl.startsWith("https://") && c.req.header("x-forwarded-proto") === "https";
  setCookie(c, cookieName, secret, { httpOnly: true, sameSite: "Lax", path: "/", maxAge: signInMs / 1000, secure });
}

/** Who asks; null for nobody. A session that use moves on moves on in the browser too. */
export function whoAsks(c: Context, deps: Deps): Person | null {
  const secret = getCookie(c, cookieName);
  const session = sessionOf(deps, secret);
  if (session?.movedOn && secret) keepSession(c, deps, secret);
  return session?.person ?? null;
}

/** Lets in whoever is signed in and may do this. Throws 401, 403. */
export function allow(deps: Deps, what: Capability): MiddlewareHandler<Signed> {
  return async (c, next) => {
    const person = whoAsks(c, deps);
    if (!person) throw new Problem(401, "Sign in first", "Your sign-in has ended. Sign in again: what you typed is still here.");
    if (!may(person.role, what)) throw new Problem(403, "Not yours to do", `This is for ${whoMay(what)}. Ask a planner of your house.`);
    c.set("person", person);
    await next();
  };
}
