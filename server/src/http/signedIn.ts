import type { Role } from "@lampcrate/contract";
import type { MiddlewareHandler } from "hono";
import { getCookie } from "hono/cookie";
import type { Deps } from "../deps.ts";
import { type Person, personOf } from "../services/signIn.ts";
import { Problem } from "./problem.ts";

export const cookieName = "lampcrate";

/** What routes behind the sign-in know of who asks. */
export interface Signed {
  readonly Variables: { readonly person: Person };
}

/** Lets in staff of one of these roles; a planner may do everything. */
export function staffOnly(deps: Deps, ...roles: readonly Role[]): MiddlewareHandler<Signed> {
  return async (c, next) => {
    const person = personOf(deps, getCookie(c, cookieName));
    if (!person) throw new Problem(401, "Sign in first", "Your sign-in has ended. Sign in again: what you typed is still here.");
    if (person.role !== "planner" && !roles.includes(person.role))
      throw new Problem(403, "Not yours to do", "Ask a planner of your house to do this.");
    c.set("person", person);
    await next();
  };
}
