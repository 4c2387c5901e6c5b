import type { BuyingDoc, OrderInput } from "@lampcrate/contract";
import type { Allotment, BuyProblem, PackShare, Purchase } from "@lampcrate/core";
import { useMemo } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { money } from "../pieces/show.ts";
import { useSave } from "../pieces/useSave.ts";
import { buyingQuery } from "../queries.ts";
import type { Names } from "./names.ts";

interface OrderListsProps {
  readonly doc: BuyingDoc;
  readonly problem: BuyProblem;
  readonly purchase: Purchase;
  /** What of it each crate gets. */
  readonly allotments: readonly Allotment[];
  readonly names: Names;
}

/** What to order where, for whom, and what is left over; all of it is placed with one press. */
export function OrderLists({ doc, problem, purchase, allotments, names }: OrderListsProps) {
  const orders = useMemo(() => ordersOf(problem, purchase), [problem, purchase]);
  const shared = useMemo(() => allotments.flatMap(({ packs }) => packs), [allotments]);
  const { save, trouble, pending } = useSave({
    send: () =>
      ask(api.orders.$post({ json: { orders: orders.map((of) => ({ ...of, items: of.items.map(({ pack: _, ...item }) => item) })) } })),
    renew: [buyingQuery],
  });
  const { currency } = doc.house;
  const leads = new Map(problem.suppliers.map((supplier) => [supplier.id, supplier.lead]));
  return (
    <section className="sheet pad stack" aria-label="To order">
      <div className="row spread">
        <h2>To order today</h2>
        <Button type="primary" disabled={pending} onClick={() => void save()}>
          {orders.length === 1 ? "Order it" : `Order from all ${orders.length}`}
        </Button>
      </div>
      <Refused trouble={trouble} />
      {orders.map((of) => (
        <OneOrder key={of.supplierId} order={of} shared={shared} there={leads.get(of.supplierId) ?? 0} names={names} currency={currency} />
      ))}
    </section>
  );
}

interface OneOrderProps {
  readonly order: OrderOfPacks;
  readonly shared: readonly PackShare[];
  /** Days from today until it is there. */
  readonly there: number;
  readonly names: Names;
  readonly currency: string;
}

function OneOrder({ order: { supplierId, feeCents, items }, shared, there, names, currency }: OneOrderProps) {
  const goods = items.reduce((sum, item) => sum + item.count * item.priceCents, 0);
  return (
    <div>
      <h3 className="order-from">
        {names.supplier(supplierId)}, <span className="soft">there by {names.day(there)}</span>
      </h3>
      <DataTable
        label={`Order from ${names.supplier(supplierId)}`}
        rowKey="pack"
        rows={items}
        columns={[
          { title: "Material", key: "material", rowScope: "row", width: "24%", render: (_, { materialId }) => names.material(materialId) },
          { title: "Packs", dataIndex: "count", className: "number", width: "8%" },
          { title: "of", key: "size", width: "9%", render: (_, { materialId, size }) => names.amount(materialId, size) },
          {
            title: "Costs",
            key: "costs",
            className: "number",
            width: "9%",
            render: (_, { count, priceCents }) => money(count * priceCents, currency),
          },
          {
            title: "For whom",
            key: "whom",
            className: "small",
            render: (_, { materialId, pack }) =>
              forWhom(
                materialId,
                shared.find((share) => share.pack === pack),
                names,
              ),
          },
        ]}
      />
      <p className="soft order-sum">
        goods {money(goods, currency)}, delivery {feeCents === 0 ? "free" : money(feeCents, currency)}:{" "}
        <strong>{money(goods + feeCents, currency)}</strong>
      </p>
    </div>
  );
}

/** An order with the pack behind each item. */
type OrderOfPacks = Omit<OrderInput, "items"> & { readonly items: readonly (OrderInput["items"][number] & { readonly pack: string })[] };

function ordersOf(problem: BuyProblem, purchase: Purchase): readonly OrderOfPacks[] {
  return purchase.suppliers.map(({ id, fee }) => ({
    supplierId: id,
    feeCents: fee,
    items: purchase.packs.flatMap(({ id: packId, count }) => {
      const pack = problem.packs.find((p) => p.id === packId);
      return pack?.supplier === id ? [{ pack: packId, materialId: pack.material, size: pack.size, count, priceCents: pack.price }] : [];
    }),
  }));
}

function forWhom(materialId: string, of: PackShare | undefined, names: Names): string {
  if (!of) return "";
  const crates = Object.entries(of.crates).map(([crate, amount]) => `${names.amount(materialId, amount)} for ${names.crate(crate)}`);
  // Losses are expected values, so needs may have parts: a part that is needed takes a whole one.
  const left = Math.floor(of.left + 1e-9);
  return [...crates, ...(left > 0 ? [`${names.amount(materialId, left)} left over`] : [])].join("; ");
}
