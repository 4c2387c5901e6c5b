import {
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
import { type Signed, staffOnly } from "../http/signedIn.ts";
import { body, ids } from "../http/validate.ts";
import { buyingDoc } from "../services/buying.ts";
import { addMaterial, bringBackMaterial, materialList, removeMaterial, saveMaterial } from "../services/materials.ts";
import { orderList, placeOrders, stepOrder } from "../services/purchases.ts";
import { addMove, countStock, movesOf } from "../services/stock.ts";
import { previewStockCsv, stockCsv, takeStockCsv } from "../services/stockCsv.ts";
import { addSupplier, saveSupplier, supplierList } from "../services/suppliers.ts";

/** The store room, its suppliers and orders. */
export function storeRoutes(deps: Deps) {
  const anyone = staffOnly(deps, "floor", "sifter");
  const planner = staffOnly(deps);
  const counter = staffOnly(deps, "floor");
  return new Hono<Signed>()
    .get("/materials", anyone, (c) => c.json(materialList(deps.db)))
    .post("/materials", planner, body(materialInput), (c) => c.json(addMaterial(deps, c.get("person"), c.req.valid("json")), 201))
    .put("/materials/:id", planner, ids("id"), body(materialSave), (c) =>
      c.json(saveMaterial(deps, c.req.valid("param").id, c.req.valid("json"))),
    )
    .delete("/materials/:id", planner, ids("id"), (c) => c.json({ done: removeMaterial(deps, c.get("person"), c.req.valid("param").id) }))
    .post("/materials/:id/back", planner, ids("id"), (c) => {
      bringBackMaterial(deps, c.get("person"), c.req.valid("param").id);
      return c.json(materialList(deps.db));
    })
    .get("/materials/:id/moves", anyone, ids("id"), (c) => c.json(movesOf(deps.db, c.req.valid("param").id)))
    .post("/materials/:id/moves", counter, ids("id"), body(moveInput), (c) =>
      c.json(addMove(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json")), 201),
    )
    .post("/stock/count", counter, body(stockCountInput), (c) => {
      countStock(deps, c.get("person"), c.req.valid("json"));
      return c.json(materialList(deps.db));
    })
    .get("/stock.csv", anyone, (c) => attachment(c, stockCsv(deps.db), "text/csv; charset=utf-8", "store-room.csv"))
    .post("/stock/csv/preview", planner, body(csvInput), (c) => c.json(previewStockCsv(deps.db, c.req.valid("json").text)))
    .post("/stock/csv", planner, body(csvInput), (c) => c.json(takeStockCsv(deps, c.get("person"), c.req.valid("json").text)))
    .get("/suppliers", anyone, (c) => c.json(supplierList(deps.db)))
    .post("/suppliers", planner, body(supplierInput), (c) => c.json(addSupplier(deps, c.req.valid("json")), 201))
    .put("/suppliers/:id", planner, ids("id"), body(supplierSave), (c) =>
      c.json(saveSupplier(deps, c.req.valid("param").id, c.req.valid("json"))),
    )
    .get("/buying", anyone, (c) => c.json(buyingDoc(deps.db, deps.clock())))
    .get("/orders", anyone, (c) => c.json(orderList(deps.db)))
    .post("/orders", planner, body(ordersInput), (c) => c.json(placeOrders(deps, c.get("person"), c.req.valid("json")), 201))
    .post("/orders/:id/step", counter, ids("id"), body(orderStep), (c) =>
      c.json(stepOrder(deps, c.get("person"), c.req.valid("param").id, c.req.valid("json").step)),
    );
}
