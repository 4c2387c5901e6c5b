import type { MiddlewareHandler } from "hono";
import type { Deps } from "../deps.ts";
import { isHeldBack } from "../services/entries/heldBack.ts";
import { Problem } from "./problem.ts";

/** Every address that shows entries to somebody other than the family that sent them. */
export const entryPaths = [
  "/public/runs/:code/reveal/*",
  "/public/runs/:code/pictures/*",
  "/entries",
  "/runs/:id/entries/*",
  "/runs/:id/findings/*",
  "/runs/:id/reveal",
  "/runs/:id/trials.csv",
  "/runs/:id/outbox/*",
  "/runs/:id/outbox.mbox",
  "/runs/:id/prize/*",
] as const;

/** Refuses while entries of a restored copy are hidden. Throws 409. */
export function refuseWhileHeldBack(deps: Pick<Deps, "db">): MiddlewareHandler {
  return async (_, next) => {
    if (isHeldBack(deps.db))
      throw new Problem(
        409,
        "Entries are hidden",
        "This house was restored from a copy, and its list of erased entries is missing. A planner can show the entries again in House, The server.",
      );
    await next();
  };
}
