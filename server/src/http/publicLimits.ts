import type { MiddlewareHandler } from "hono";
import type { Deps } from "../deps.ts";
import { addressOf, networkOf } from "./address.ts";
import { Attempts } from "./attempts.ts";
import { Problem } from "./problem.ts";

const quarterHour = 15 * 60_000;

/** Wrong codes and links from one address in a quarter of an hour: a class of forty may each mistype theirs. */
const mostWrong = 60;

/** Pages asked for by one address in a minute: a whole school behind one address stays below. */
const mostReads = 3000;

/**
 * Limits one address that asks too often, or tries one code or link after another. Only what is not found is refused
 * then: a known code's sheet, an entry sent under it and a valid private link are served to everybody at that address.
 * Addresses that the house named as its own are not limited.
 */
export function publicLimits(deps: Deps): MiddlewareHandler {
  const wrong = new Attempts(deps.steady, mostWrong, quarterHour);
  const reads = new Map<string, number>();
  let minute = 0;
  const own = new Set(deps.ownAddresses.map(networkOf));
  return async (c, next) => {
    const address = addressOf(c, deps.proxies);
    if (own.has(address)) return next();
    if (c.req.method === "GET") {
      const now = Math.floor(deps.steady() / 60_000);
      if (now !== minute) reads.clear();
      minute = now;
      const count = (reads.get(address) ?? 0) + 1;
      reads.set(address, count);
      if (count > mostReads) throw new Problem(429, "Too many at once", "Wait a minute, then try again.", {}, { "retry-after": "60" });
    }
    await next();
    if (c.res.status !== 404) return;
    wrong.take(address);
  };
}
