import { answerInput, entryCorrection, entryInput, groupInput, photoInput } from "@lampcrate/contract/schemas";
import { codeInAddress, dateOf } from "@lampcrate/core";
import { Hono } from "hono";
import { validator } from "hono/validator";
import QRCode from "qrcode";
import { inTheirLanguage, languageIdNow } from "../http/language.ts";
import { badField } from "../http/problem.ts";
import { publicLimits } from "../http/publicLimits.ts";
import { body, ids, pageStart } from "../http/validate.ts";
import type { Served } from "../served.ts";
import { answerAsk } from "../services/entries/asks.ts";
import { agreeToPhoto, correct, eraseEntry, mine, withdraw } from "../services/entries/entries.ts";
import { eraseGroup, groupOf, withdrawGroup } from "../services/entries/groups.ts";
import { Intake } from "../services/entries/intake.ts";
import { feedIcs } from "../services/house/feeds.ts";
import { houseDoc, houseZone } from "../services/house/house.ts";
import type { PublicSheets } from "../services/runs/publicSheets.ts";
import { refuseBeforeReveal } from "../services/runs/publishing.ts";
import { publicRun } from "../services/runs/runs.ts";
import { runCode, secret } from "./given.ts";
import { publicPictureRoutes } from "./pictures.ts";

/** The secret in a feed's address. */
const feedSecret = validator("param", (value: Record<string, string>) => {
  const given = value["secret"] ?? "";
  if (!/^[A-Za-z0-9_-]{24,64}$/.test(given)) throw badField("secret", "This calendar address is not complete. Copy it whole.");
  return { secret: given };
});

/** Which builders of a reveal: from a place on, or those whose alias begins so. */
const someBuilders = validator("query", (value: Record<string, string | string[]>) => {
  const find = value["find"] ?? "";
  if (typeof find !== "string" || find.length > 60) throw badField("find", "A made-up name is at most 60 letters.");
  return { from: pageStart(value), find };
});

/** All that is reachable without signing in: a published run's sheet, its entry door and its reveal, one's own entry, pictures. */
export function publicRoutes(deps: Served, sheets: PublicSheets) {
  const intake = new Intake(deps);
  /** The id of the run under a code whose reveal has come. Throws 404, and 403 before its day. */
  const revealed = (typed: string): string => {
    const row = publicRun(deps.db, typed);
    refuseBeforeReveal(row, dateOf(deps.clock(), houseZone(deps.db)));
    return row.id;
  };
  return new Hono()
    .use("/public/*", inTheirLanguage)
    .use("/public/*", publicLimits(deps))
    .get("/public/feeds/:secret/calendar.ics", feedSecret, (c) =>
      c.body(feedIcs(deps, c.req.valid("param").secret), 200, { "content-type": "text/calendar; charset=utf-8" }),
    )
    .get("/public/runs/:code", runCode, (c) => c.json(sheets.of(c.req.valid("param").code, deps.clock())))
    .post("/public/runs/:code/entries", runCode, body(entryInput), async (c) => {
      const { receipt, isNew } = await intake.receive(c.req.valid("param").code, c.req.valid("json"));
      return c.json(receipt, isNew ? 201 : 200);
    })
    .post("/public/runs/:code/groups", runCode, body(groupInput), (c) => {
      const { receipt, isNew } = intake.receiveGroup(c.req.valid("param").code, c.req.valid("json"));
      return c.json(receipt, isNew ? 201 : 200);
    })
    .get("/public/group", secret, (c) => c.json(groupOf(deps, c.req.valid("header")["x-entry-secret"])))
    .post("/public/group/withdraw", secret, (c) => c.json(withdrawGroup(deps, c.req.valid("header")["x-entry-secret"], true)))
    .post("/public/group/restore", secret, (c) => c.json(withdrawGroup(deps, c.req.valid("header")["x-entry-secret"], false)))
    .delete("/public/group", secret, (c) => {
      eraseGroup(deps, c.req.valid("header")["x-entry-secret"]);
      return c.json({ erased: true });
    })
    .get("/public/runs/:code/qr.svg", runCode, async (c) => {
      const { code: spoken } = publicRun(deps.db, c.req.valid("param").code);
      const svg = await QRCode.toString(sheetAddress(houseDoc(deps.db).publicUrl, spoken ?? ""), {
        type: "svg",
        margin: 1,
        errorCorrectionLevel: "M",
      });
      return c.body(svg, 200, { "content-type": "image/svg+xml" });
    })
    .get("/public/runs/:code/reveal", runCode, async (c) =>
      c.json(await deps.reckon.ask("reveal", { runId: revealed(c.req.valid("param").code), language: languageIdNow() })),
    )
    .get("/public/runs/:code/reveal/builders", runCode, someBuilders, async (c) =>
      c.json(await deps.reckon.ask("revealPage", { runId: revealed(c.req.valid("param").code), ...c.req.valid("query") })),
    )
    .get("/public/mine", secret, (c) => c.json(mine(deps, c.req.valid("header")["x-entry-secret"])))
    .put("/public/mine", secret, body(entryCorrection), (c) =>
      c.json(correct(deps, c.req.valid("header")["x-entry-secret"], c.req.valid("json"))),
    )
    .put("/public/mine/photo", secret, body(photoInput), (c) =>
      c.json(agreeToPhoto(deps, c.req.valid("header")["x-entry-secret"], c.req.valid("json"))),
    )
    .put("/public/mine/asks/:ask", secret, ids("ask"), body(answerInput), (c) =>
      c.json(answerAsk(deps, c.req.valid("header")["x-entry-secret"], c.req.valid("param").ask, c.req.valid("json").answer)),
    )
    .post("/public/mine/withdraw", secret, (c) => c.json(withdraw(deps, c.req.valid("header")["x-entry-secret"], true)))
    .post("/public/mine/restore", secret, (c) => c.json(withdraw(deps, c.req.valid("header")["x-entry-secret"], false)))
    .delete("/public/mine", secret, (c) => {
      eraseEntry(deps, c.req.valid("header")["x-entry-secret"]);
      return c.json({ erased: true });
    })
    .route("/", publicPictureRoutes(deps, revealed));
}

/** What the QR code carries: the house's public address, never the host the planner happens to use. */
export function sheetAddress(publicUrl: string, code: string): string {
  return `${publicUrl}/h/${codeInAddress(code)}`;
}
