import type { ProblemDoc } from "@lampcrate/contract";
import { said, saying } from "@lampcrate/core";
import type { Context } from "hono";
import type { ContentfulStatusCode } from "hono/utils/http-status";

type Extra = Pick<ProblemDoc, "errors" | "current" | "changed">;

/** An answer that says what is wrong and how to mend it, as a problem document (RFC 9457). */
export class Problem extends Error {
  readonly doc: ProblemDoc;
  readonly headers: Readonly<Record<string, string>>;

  constructor(status: number, title: string, detail: string, extra: Extra = {}, headers: Readonly<Record<string, string>> = {}) {
    super(detail);
    this.doc = { type: `about:blank#${title.toLowerCase().replace(/[^a-z0-9]+/g, "-")}`, title, status, detail, ...extra };
    this.headers = headers;
  }

  /** One that was thrown in a thread. */
  static from({ status, title, detail, errors, current, changed }: ProblemDoc, headers: Readonly<Record<string, string>>): Problem {
    const extra = { ...(errors ? { errors } : {}), ...(current === undefined ? {} : { current }), ...(changed ? { changed } : {}) };
    return new Problem(status, title, detail, extra, headers);
  }

  /** As the answer to a request. */
  answer(c: Context): Response {
    return c.body(JSON.stringify(saidIn(this.doc)), this.doc.status as ContentfulStatusCode, {
      "content-type": "application/problem+json; charset=utf-8",
      "cache-control": "no-store",
      ...this.headers,
    });
  }
}

/** A problem in the language of whoever asked; what is made of parts was said in it already. */
const saidIn = ({ errors, ...doc }: ProblemDoc): ProblemDoc => ({
  ...doc,
  title: said(doc.title),
  detail: said(doc.detail),
  ...(errors ? { errors: errors.map(({ field, message }) => ({ field, message: said(message) })) } : {}),
});

/** One field that can't be taken as it is. */
export function badField(field: string, message: string): Problem {
  return new Problem(422, "Check what you typed", message, { errors: [{ field, message }] });
}

/** There is nothing at that address, or not for this person. */
export function notFound(what: string, field = "id"): Problem {
  const message = saying`There is no such ${said(what)}.`;
  return new Problem(404, "Not found", message, { errors: [{ field, message }] });
}

/** Somebody saved in between: what is there now and what they changed. */
export function stale(current: unknown, changed: readonly string[]): Problem {
  return new Problem(
    409,
    "Changed since you opened it",
    changed.length > 0 ? `Changed meanwhile: ${changed.join("; ")}.` : "Somebody saved this meanwhile.",
    { current, changed },
  );
}
