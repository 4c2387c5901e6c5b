import type { HouseDoc, MaterialDoc, OrderDoc } from "@lampcrate/contract";
import { amountWords, dateWords } from "@lampcrate/core";
import Papa from "papaparse";
import { furtherPage, type Paper, pdfOf, rule, soft } from "./paper.ts";

const columns = ["material", "packs", "pack size", "unit", "price of a pack", "together"] as const;

/** An order as CSV: prices in the house's money. */
export function orderCsv(order: OrderDoc, materials: readonly MaterialDoc[]): string {
  const rows = order.items.map(({ materialId, size, count, priceCents }) => {
    const material = materials.find((m) => m.id === materialId);
    return [
      material?.name ?? "",
      count,
      size,
      material?.unit ?? "",
      (priceCents / 100).toFixed(2),
      ((count * priceCents) / 100).toFixed(2),
    ];
  });
  const delivery = ["delivery", "", "", "", "", (order.feeCents / 100).toFixed(2)];
  return Papa.unparse([[...columns], ...rows, delivery], { escapeFormulae: true, newline: "\r\n" });
}

/** An order on paper: to send, or to hold what comes against. */
export function orderPdf(order: OrderDoc, materials: readonly MaterialDoc[], house: HouseDoc): Promise<Uint8Array<ArrayBuffer>> {
  const money = new Intl.NumberFormat("en", { style: "currency", currency: house.currency });
  const show = (cents: number): string => money.format(cents / 100);
  return pdfOf(house.units, `Order, ${order.supplierName}`, (paper) => {
    const { margin, width: whole } = paper;
    const width = whole - 2 * margin;
    let y = paper.write(`Order to ${order.supplierName}`, { x: margin, y: margin, width, size: 20, face: "heading" });
    const words = `From ${house.name}, ${dateWords(order.placedOn)}. Wanted by ${dateWords(order.dueOn)}.`;
    y = paper.write(words, { x: margin, y: y + 3, width, size: 11, colour: soft }) + 14;
    const goods = order.items.reduce((sum, item) => sum + item.count * item.priceCents, 0);
    let page = 1;
    y = row(paper, y, heads, "bold");
    for (const { materialId, size, count, priceCents } of order.items) {
      const material = materials.find((m) => m.id === materialId);
      const of = amountWords(size, material?.unit ?? "piece", house.units);
      y = row(paper, y, [material?.name ?? "", String(count), of, show(priceCents), show(count * priceCents)], "body");
      if (y > paper.height - margin - 40) {
        page += 1;
        y = row(paper, furtherPage(paper, `Order to ${order.supplierName}`, page), heads, "bold");
      }
    }
    y = row(paper, y, ["Delivery", "", "", "", order.feeCents === 0 ? "free" : show(order.feeCents)], "body");
    row(paper, y, ["Together", "", "", "", show(goods + order.feeCents)], "bold");
  });
}

const heads = ["Material", "Packs", "of", "a pack", "together"];

function row(paper: Paper, y: number, cells: readonly string[], face: "body" | "bold"): number {
  const width = paper.width - 2 * paper.margin;
  const shares = [0.46, 0.1, 0.16, 0.14, 0.14];
  let x = paper.margin;
  let lowest = y;
  for (const [i, cell] of cells.entries()) {
    const wide = (shares[i] ?? 0) * width;
    lowest = Math.max(lowest, paper.write(cell, { x, y: y + 4, width: wide - 6, size: 11.5, face, align: i === 0 ? "left" : "right" }));
    x += wide;
  }
  paper.pdf
    .moveTo(paper.margin, lowest + 4)
    .lineTo(paper.margin + width, lowest + 4)
    .lineWidth(0.5)
    .stroke(rule);
  return lowest + 4;
}
