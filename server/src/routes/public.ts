import { entryCorrection, entryInput } from "@lampcrate/contract/schemas";
import { codeInAddress, dateOf } from "@lampcrate/core";
import { Hono } from "hono";
import { validator } from "hono/validator";
import QRCode from "qrcode";
import type { Deps } from "../deps.ts";
import { badField } from "../http/problem.ts";
import { publicLimits } from "../http/publicLimits.ts";
import { body } from "../http/validate.ts";
import { correct, eraseEntry, mine, withdraw } from "../services/entries.ts";
import { revealDoc } from "../services/findings.ts";
import { houseDoc } from "../services/house.ts";
import { Intake } from "../services/intake.ts";
import { publicRun } from "../services/runs.ts";
import { sheetDoc } from "../services/sheet.ts";

/** A run's spoken code, however it is typed. */
const code = validator("param", (value: Record<string, string>) => {
  const typed = value["code"] ?? "";
  if (typed.length > 60 || !/[A-Za-z]/.test(typed))
    throw badField("code", "A code is three words and a number, such as REED LANTERN OTTER 472.");
  return { code: typed };
});

/** The secret of a private link. It comes as a header, so that no log or history of a proxy keeps it. */
const secret = validator("header", (value: Record<string, string>) => {
  const given = value["x-entry-secret"] ?? "";
  if (!/^[A-Za-z0-9_-]{24,64}$/.test(given)) throw badField("secret", "This private link is not complete. Copy it whole.");
  return { "x-entry-secret": given };
});

/** All that is reachable without signing in: a published run's sheet, its entry door and its reveal, and one's own entry. */
export function publicRoutes(deps: Deps) {
  const intake = new Intake(deps);
  return new Hono()
    .use("/public/*", publicLimits(deps))
    .get("/public/runs/:code", code, (c) => c.json(sheetDoc(deps.db, publicRun(deps.db, c.req.valid("param").code), deps.clock())))
    .post("/public/runs/:code/entries", code, body(entryInput), async (c) => {
      const { receipt, isNew } = await intake.receive(c.req.valid("param").code, c.req.valid("json"));
      return c.json(receipt, isNew ? 201 : 200);
    })
    .get("/public/runs/:code/qr.svg", code, async (c) => {
      const { code: spoken } = publicRun(deps.db, c.req.valid("param").code);
      const svg = await QRCode.toString(sheetAddress(houseDoc(deps.db).publicUrl, spoken ?? ""), {
        type: "svg",
        margin: 1,
        errorCorrectionLevel: "M",
      });
      return c.body(svg, 200, { "content-type": "image/svg+xml" });
    })
    .get("/public/runs/:code/reveal", code, (c) => {
      const row = publicRun(deps.db, c.req.valid("param").code);
      return c.json(revealDoc(deps.db, row, dateOf(deps.clock(), houseDoc(deps.db).zone)));
    })
    .get("/public/mine", secret, (c) => c.json(mine(deps, c.req.valid("header")["x-entry-secret"])))
    .put("/public/mine", secret, body(entryCorrection), (c) =>
      c.json(correct(deps, c.req.valid("header")["x-entry-secret"], c.req.valid("json"))),
    )
    .post("/public/mine/withdraw", secret, (c) => c.json(withdraw(deps, c.req.valid("header")["x-entry-secret"], true)))
    .post("/public/mine/restore", secret, (c) => c.json(withdraw(deps, c.req.valid("header")["x-entry-secret"], false)))
    .delete("/public/mine", secret, (c) => {
      eraseEntry(deps, c.req.valid("header")["x-entry-secret"]);
      return c.json({ erased: true });
    });
}

/** What the QR code carries: the house's public address, never the host the planner happens to use. */
export function sheetAddress(publicUrl: string, code: string): string {
  return `${publicUrl}/h/${codeInAddress(code)}`;
}
