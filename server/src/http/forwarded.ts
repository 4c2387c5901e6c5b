import type { MiddlewareHandler } from "hono";
import type { Deps } from "../deps.ts";

/** Notices a reverse proxy that the server was not told of: every visitor then has the proxy's one address. */
export class UnknownProxy {
  private found = false;

  constructor(private readonly deps: Pick<Deps, "proxies" | "log">) {}

  /** True once a request has come through a proxy that LAMPCRATE_PROXY doesn't count. */
  get seen(): boolean {
    return this.found;
  }

  readonly watch: MiddlewareHandler = async (c, next) => {
    if (!this.found && this.deps.proxies === 0 && c.req.header("x-forwarded-for") !== undefined) {
      this.found = true;
      this.deps.log.warn("requests come through a reverse proxy: set LAMPCRATE_PROXY=1, or one visitor's wrong codes count for all");
    }
    await next();
  };
}
