import { type LetterKind, letterKinds } from "@lampcrate/contract";
import { Hono } from "hono";
import { validator } from "hono/validator";
import { attachment, streamed } from "../http/attachment.ts";
import { badField } from "../http/problem.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { ids, pageStart } from "../http/validate.ts";
import type { Served } from "../served.ts";
import { letterEml } from "../services/outbox/mail.ts";

/** Which letters: from a place on, of one kind or of all. */
const someLetters = validator("query", (value: Record<string, string | string[]>) => {
  const { kind = "all" } = value;
  if (kind !== "all" && !letterKinds.includes(kind as LetterKind)) throw badField("kind", `A letter is one of: ${letterKinds.join(", ")}.`);
  return { from: pageStart(value), kind: kind === "all" ? null : (kind as LetterKind) };
});

/** What a run's families were written: nothing of it is ever sent. */
export function outboxRoutes(deps: Served) {
  const sift = allow(deps, "sift");
  return new Hono<Signed>()
    .get("/runs/:id/outbox", sift, ids("id"), someLetters, async (c) =>
      c.json(await deps.reckon.ask("outbox", { runId: c.req.valid("param").id, ...c.req.valid("query") })),
    )
    .get("/runs/:id/outbox.mbox", sift, ids("id"), async (c) => {
      const runId = c.req.valid("param").id;
      const part = async (after: number) => deps.reckon.ask("mailbox", { runId, after });
      return streamed(c, await part(0), part, "application/mbox", "outbox.mbox");
    })
    .get("/runs/:id/outbox/:letter", sift, ids("id", "letter"), async (c) => {
      const { id, letter } = c.req.valid("param");
      return attachment(c, await letterEml(deps.db, id, letter), "message/rfc822", `${letter}.eml`);
    });
}
