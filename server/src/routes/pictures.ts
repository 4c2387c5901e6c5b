import { availableParallelism } from "node:os";
import { hideInput } from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import { validator } from "hono/validator";
import pLimit from "p-limit";
import type { Deps } from "../deps.ts";
import { badField, Problem } from "../http/problem.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body, from, ids } from "../http/validate.ts";
import { gallery, revealedPicture } from "../services/pictures/gallery.ts";
import { isKept, ownPicture, receivePicture } from "../services/pictures/receive.ts";
import { type PictureForm, pictureForms } from "../services/pictures/rows.ts";
import { hidePicture, siftedPicture } from "../services/pictures/sifted.ts";
import { runCode, secret } from "./given.ts";

/** Pictures that are being received or worked on at a time; more are asked to come again in a moment. */
const mostAtOnce = 24;

/** Pictures that are worked on at a time: one processor is left to answer everybody else. */
const together = pLimit(Math.max(1, availableParallelism() - 1));

/** Path parameters of a picture: its own id, the form it is wanted in, and the ids or the code that it stands under. */
function wanted<K extends string>(...others: readonly K[]) {
  return validator("param", (value: Record<string, string>) => {
    const { picture = "", form = "full" } = value;
    if (!pictureName.test(picture)) throw badField("picture", "picture is no id of ours.");
    for (const name of others)
      if (!(name === "code" ? isCode : isId)(value[name])) throw badField(name, `${name} can't be read. Copy the address whole.`);
    return { ...(value as Record<K, string>), picture, form: formOf(form) };
  });
}

const pictureName = /^[A-Za-z0-9_-]{21,40}$/;
const isId = (value = ""): boolean => /^[A-Za-z0-9_-]{6,40}$/.test(value);
const isCode = (value = ""): boolean => value.length <= 60;

function formOf(given: string): PictureForm {
  const form = pictureForms.find((one) => one === given);
  if (form === undefined) throw badField("form", "A picture is small or full.");
  return form;
}

/** A picture as an answer. Nobody keeps it: what is withdrawn is gone at once. */
function answer(bytes: Buffer): Response {
  return new Response(new Uint8Array(bytes), {
    headers: { "content-type": "image/jpeg", "cache-control": "no-store", "content-security-policy": "default-src 'none'" },
  });
}

/** Pictures without signing in: one's own, behind the private link, and those on a reveal. */
export function publicPictureRoutes(deps: Deps, revealed: (code: string) => string) {
  let here = 0;
  return new Hono()
    .put("/public/mine/pictures/:picture", secret, wanted(), async (c) => {
      if (here >= mostAtOnce)
        throw new Problem(503, "Busy", "Many pictures are coming in. It is sent again in a moment.", {}, { "retry-after": "5" });
      const [own, { picture }] = [c.req.valid("header")["x-entry-secret"], c.req.valid("param")];
      // Whoever has no such entry is not listened to for megabytes.
      if (isKept(deps.db, own, picture)) return c.json({ kept: true }, 200);
      here += 1;
      try {
        const bytes = new Uint8Array(await c.req.arrayBuffer());
        const { isNew } = await together(() => receivePicture(deps, own, picture, bytes));
        return c.json({ kept: true }, isNew ? 201 : 200);
      } finally {
        here -= 1;
      }
    })
    .get("/public/mine/pictures/:picture/:form", secret, wanted(), (c) => {
      const { picture, form } = c.req.valid("param");
      return answer(ownPicture(deps.db, c.req.valid("header")["x-entry-secret"], picture, form));
    })
    .get("/public/runs/:code/pictures", runCode, from, (c) =>
      c.json(gallery(deps.db, revealed(c.req.valid("param").code), c.req.valid("query").from)),
    )
    .get("/public/runs/:code/pictures/:picture/:form", wanted("code"), (c) => {
      const { picture, form } = c.req.valid("param");
      return answer(revealedPicture(deps.db, revealed(c.req.valid("param").code), picture, form));
    });
}

/** Pictures as sifters look at them. */
export function pictureRoutes(deps: Deps) {
  const sift = allow(deps, "sift");
  return new Hono<Signed>()
    .get("/runs/:id/entries/:entry/pictures/:picture/:form", sift, wanted("id", "entry"), (c) => {
      const { id: runId, entry: entryId, picture: id, form } = c.req.valid("param");
      return answer(siftedPicture(deps.db, { runId, entryId, id }, form));
    })
    .put("/runs/:id/entries/:entry/pictures/:picture/hidden", sift, ids("id", "entry", "picture"), body(hideInput), (c) => {
      const { id: runId, entry: entryId, picture: id } = c.req.valid("param");
      return c.json(hidePicture(deps, c.get("person"), { runId, entryId, id }, c.req.valid("json")));
    });
}
