import {
  arrivalInput,
  asOneInput,
  csvInput,
  materialInput,
  materialSave,
  moveInput,
  orderStep,
  ordersInput,
  stockCountInput,
  supplierInput,
  supplierSave,
} from "@lampcrate/contract/schemas";
import { Hono } from "hono";
import type { Deps } from "../deps.ts";
import { attachment } from "../http/attachment.ts";
import { allow, type Signed } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import { bookArrival, stepOrder } from "../services/store/arrivals.ts";
import { buyingDoc, saveAsOne } from "../services/store/buying.ts";
import { uncountedSessions } from "../services/store/counts.ts";
import { addMaterial, bringBackMaterial, materialList, removeMaterial, saveMaterial } from "../services/store/materials.ts";
import { orderList, placeOrders } from "../services/store/purchases.ts";
import { addMove, countStock, movesOf } from "../services/store/stock.ts";
import { previewStockCsv, stockCsv, takeStockCsv } from "../services/store/stockCsv.ts";
import { addSupplier, saveSupplier, supplierList } from "../services/store/suppliers.ts";

/** The store room, its suppliers and orders. */
export function storeRoutes(deps: Deps) {
  const look = allow(deps, "look");
  const supply = allow(deps, "supply");
  const count = allow(deps, "count");
  return new Hono<Signed>()
    .get("/materials", look, (c) => c.json(materialList(deps.db)))
    .post("/materials", supply, body(materialInput), (c) => c.json(addMaterial(deps, c.get("person"), c.req.valid("json")), 201))
    .put("/materials/:id", supply, ids("id"), body(materialSave), (c) =>
      c.json(saveMaterial(deps, c.req.valid("param").id, c.req.valid("json"))),
    )
    .delete("/materials/:id", supply, ids("id"), (c) => c.json({ done: removeMaterial(deps, c.get("person"), c.req.valid("param").id) }))
    .post("/materials/:id/back", supply, ids("id"), (c) => {
      bringBackMaterial(deps, c.get("person"), c.req.valid("param").id);
      return c.json(materialList(deps.db));
    })
    .get("/materials/:id/moves", look, ids("id"), (c) => c.json(movesOf(deps.db, c.req.valid("param").id)))
    .post("/materials/:id/moves", count, ids("id"), body(moveInput), (c) =>
      c.json(addMove(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json")), 201),
    )
    .post("/stock/count", count, body(stockCountInput), (c) => {
      countStock(deps, c.get("person"), c.req.valid("json"));
      return c.json(materialList(deps.db));
    })
    .get("/stock/uncounted", look, (c) => c.json(uncountedSessions(deps.db, deps.clock())))
    .get("/stock.csv", look, (c) => attachment(c, stockCsv(deps.db), "text/csv; charset=utf-8", "store-room.csv"))
    .post("/stock/csv/preview", supply, body(csvInput), (c) => c.json(previewStockCsv(deps.db, c.req.valid("json").text)))
    .post("/stock/csv", supply, body(csvInput), (c) => c.json(takeStockCsv(deps, c.get("person"), c.req.valid("json").text)))
    .get("/suppliers", look, (c) => c.json(supplierList(deps.db)))
    .post("/suppliers", supply, body(supplierInput), (c) => c.json(addSupplier(deps, c.req.valid("json")), 201))
    .put("/suppliers/:id", supply, ids("id"), body(supplierSave), (c) =>
      c.json(saveSupplier(deps, c.req.valid("param").id, c.req.valid("json"))),
    )
    .get("/buying", look, (c) => c.json(buyingDoc(deps.db, deps.clock())))
    .put("/buying/as-one", supply, body(asOneInput), (c) => c.json(saveAsOne(deps, c.get("person"), c.req.valid("json"))))
    .get("/orders", look, (c) => c.json(orderList(deps.db)))
    .post("/orders", supply, body(ordersInput), (c) => c.json(placeOrders(deps, c.get("person"), c.req.valid("json")), 201))
    .post("/orders/:id/step", count, ids("id"), body(orderStep), (c) =>
      c.json(stepOrder(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json").step)),
    )
    .post("/orders/:id/arrival", count, ids("id"), body(arrivalInput), (c) =>
      c.json(bookArrival(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json"))),
    );
}
