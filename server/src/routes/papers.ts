import { isLabelSheet, labelSheets } from "@lampcrate/contract";
import { daysBetween, isDate } from "@lampcrate/core";
import { Hono } from "hono";
import { validator } from "hono/validator";
import { attachment } from "../http/attachment.ts";
import { badField } from "../http/problem.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { ids } from "../http/validate.ts";
import { orderCsv } from "../print/orderList.ts";
import type { Served } from "../served.ts";
import { materialList } from "../services/store/materials.ts";
import { orderDoc } from "../services/store/purchases.ts";

const pdf = "application/pdf";

/** Which session's crate, on which sheet of labels, after how many used ones. */
const wanted = validator("query", (value: Record<string, string | string[]>) => {
  const text = (name: string): string => (typeof value[name] === "string" ? value[name] : "");
  const [sheet, skip] = [text("sheet") || "a4-21", Number(text("skip") || "0")];
  if (!isLabelSheet(sheet)) throw badField("sheet", `Choose one of ${Object.keys(labelSheets).join(", ")}.`);
  if (!Number.isInteger(skip) || skip < 0 || skip > 200) throw badField("skip", "Used labels are a whole number from 0.");
  return { session: text("session") || null, sheet, skip };
});

const mostDays = 62;

/** A range of local dates, both in it. */
const range = validator("query", (value: Record<string, string | string[]>) => {
  const day = (name: "from" | "to"): string => {
    const text = value[name];
    if (typeof text !== "string" || !isDate(text)) throw badField(name, "Give a date such as 2026-12-05.");
    return text;
  };
  const [from, to] = [day("from"), day("to")];
  if (to < from) throw badField("to", "The last day is before the first.");
  if (daysBetween(from, to) >= mostDays) throw badField("to", `${mostDays} days at most at a time.`);
  return { from, to };
});

/** Papers to print: labels, packing list, run sheet, calendar, templates, order lists. */
export function paperRoutes(deps: Served) {
  const look = allow(deps, "look");
  return new Hono<Signed>()
    .get("/runs/:id/labels.pdf", look, ids("id"), wanted, async (c) => {
      const { session, sheet, skip } = c.req.valid("query");
      const labels = await deps.reckon.ask("labels", { runId: c.req.valid("param").id, session, sheet, skip });
      return attachment(c, labels, pdf, "labels.pdf");
    })
    .get("/runs/:id/packing-list.pdf", look, ids("id"), wanted, async (c) => {
      const { session } = c.req.valid("query");
      return attachment(c, await deps.reckon.ask("packingList", { runId: c.req.valid("param").id, session }), pdf, "packing-list.pdf");
    })
    .get("/calendar.pdf", look, range, async (c) =>
      attachment(c, await deps.reckon.ask("calendar", c.req.valid("query")), pdf, "calendar.pdf"),
    )
    .get("/runs/:id/run-sheet.pdf", look, ids("id"), wanted, async (c) => {
      const { session } = c.req.valid("query");
      return attachment(c, await deps.reckon.ask("runSheet", { runId: c.req.valid("param").id, session }), pdf, "run-sheet.pdf");
    })
    .get("/runs/:id/templates.pdf", look, ids("id"), wanted, async (c) => {
      const { session } = c.req.valid("query");
      return attachment(c, await deps.reckon.ask("templates", { runId: c.req.valid("param").id, session }), pdf, "templates.pdf");
    })
    .get("/orders/:id/list.pdf", look, ids("id"), async (c) => {
      return attachment(c, await deps.reckon.ask("order", { orderId: c.req.valid("param").id }), pdf, "order.pdf");
    })
    .get("/orders/:id/list.csv", look, ids("id"), (c) => {
      const order = orderDoc(deps.db, c.req.valid("param").id);
      return attachment(c, orderCsv(order, materialList(deps.db)), "text/csv; charset=utf-8", "order.csv");
    });
}
