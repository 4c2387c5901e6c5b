import { sumText } from "../solver.ts";
import type { BuyPack, BuyProblem, BuySupplier, Demand } from "./problem.ts";

/** Far below a cent together: of equal cost, fewer suppliers, then fewer packs. */
const supplierTie = 0.05;
const packTie = 0.0001;

/**
 * The purchase as a mixed-integer program: packs x, orders y, free deliveries z. Minimise Σ price x + Σ fee (y − z);
 * for each material and day Σ size x over packs arriving by then ≥ what is wanted; goods ≥ least · y and ≥ freeFrom · z;
 * x only from suppliers that are ordered from.
 */
export function purchaseProgram({ suppliers, packs }: BuyProblem, demands: readonly Demand[], notAll: readonly string[]): string {
  const index = new Map(suppliers.map((supplier, v) => [supplier.id, v]));
  const of = (pack: BuyPack): number => index.get(pack.supplier) ?? -1;
  const most = packs.map((pack) => mostPacks(pack, suppliers[of(pack)], demands));
  const goods = (v: number): (readonly [number, string])[] =>
    packs.flatMap((pack, j) => (of(pack) === v ? [[pack.price, `x${j}`] as const] : []));
  const rows: string[] = [];
  for (const [d, { material, needBy, amount }] of demands.entries()) {
    const terms = packs.flatMap((pack, j) =>
      pack.material === material && (suppliers[of(pack)]?.lead ?? Number.POSITIVE_INFINITY) <= needBy
        ? [[pack.size, `x${j}`] as const]
        : [],
    );
    rows.push(` d${d}: ${sumText(terms)} >= ${amount}`);
  }
  for (const [j, pack] of packs.entries()) rows.push(` u${j}: x${j} - ${most[j] ?? 0} y${of(pack)} <= 0`);
  for (const [v, supplier] of suppliers.entries()) {
    const own = goods(v);
    if (own.length === 0) continue;
    rows.push(` z${v}z: z${v} - y${v} <= 0`);
    if (supplier.least > 0) rows.push(` l${v}: ${sumText(own)} - ${supplier.least} y${v} >= 0`);
    if (supplier.freeFrom !== null) rows.push(` f${v}: ${sumText(own)} - ${supplier.freeFrom} z${v} >= 0`);
  }
  if (notAll.length > 0)
    rows.push(` other: ${sumText(notAll.map((id) => [1, `y${index.get(id) ?? 0}`] as const))} <= ${notAll.length - 1}`);
  const objective = sumText([
    ...packs.map((pack, j) => [pack.price + packTie, `x${j}`] as const),
    ...suppliers.map(({ fee }, v) => [fee + supplierTie, `y${v}`] as const),
    ...suppliers.flatMap(({ fee, freeFrom }, v) => (freeFrom !== null && fee > 0 ? [[-fee, `z${v}`] as const] : [])),
  ]);
  const bounds = packs.map((_, j) => ` 0 <= x${j} <= ${most[j] ?? 0}`);
  const names = (list: readonly unknown[], letter: string): string =>
    list.map((_, i) => `${letter}${i}${i % 10 === 9 ? "\n" : ""}`).join(" ");
  const free = suppliers.flatMap(({ freeFrom }, v) => (freeFrom === null ? [` 0 <= z${v} <= 0`] : []));
  return `Minimize\n obj: ${objective}\nSubject To\n${rows.join("\n")}\nBounds\n${[...bounds, ...free].join("\n")}\nGeneral\n ${names(packs, "x")}\nBinary\n ${names(suppliers, "y")} ${names(suppliers, "z")}\nEnd\n`;
}

/** Never more packs than would cover all that is wanted, with room to reach a threshold or a least order. */
function mostPacks(pack: BuyPack, supplier: BuySupplier | undefined, demands: readonly Demand[]): number {
  const wanted = Math.max(0, ...demands.filter((demand) => demand.material === pack.material).map((demand) => demand.amount));
  const room = Math.max(supplier?.freeFrom ?? 0, supplier?.least ?? 0);
  const useful = Math.ceil(wanted / pack.size) + (wanted > 0 && pack.price > 0 ? Math.ceil(room / pack.price) : 0);
  return Math.min(pack.max ?? Number.POSITIVE_INFINITY, useful);
}
