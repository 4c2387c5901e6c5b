import type { BuyingDoc, OrderInput } from "@lampcrate/contract";
import type { Allotment, BuyProblem, BuySupplier, Purchase } from "@lampcrate/core";
import { useMemo } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { OneByOne } from "../pieces/Later.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { buyingQuery } from "../queries.ts";
import type { Names } from "./names.ts";
import { OneOrder } from "./OneOrder.tsx";
import type { Edits } from "./useEdits.ts";

interface OrderListsProps {
  readonly doc: BuyingDoc;
  readonly problem: BuyProblem;
  /** As it was planned, and as the planner has changed it. */
  readonly planned: Purchase;
  readonly edits: Edits;
  /** What of it each crate gets. */
  readonly allotments: readonly Allotment[];
  readonly names: Names;
}

/** What to order where, for whom, and what is left over; amounts can be changed, and all of it is placed with one press. */
export function OrderLists({ doc, problem, planned, edits, allotments, names }: OrderListsProps) {
  const orders = useMemo(() => ordersOf(problem, edits.purchase), [problem, edits.purchase]);
  const { save, trouble, pending } = useSave({
    send: () => ask(api.orders.$post({ json: { orders } })),
    onSaved: edits.asPlanned,
    renew: [buyingQuery],
  });
  const asked = problem.suppliers.filter(({ id }) => planned.suppliers.some((s) => s.id === id));
  return (
    <section className="sheet pad stack" aria-label="To order">
      <div className="row spread">
        <h2>To order today</h2>
        <span className="row">
          {edits.changed ? (
            <Button type="text" size="small" onClick={edits.asPlanned}>
              all as planned
            </Button>
          ) : null}
          <Button type="primary" disabled={pending || orders.length === 0} onClick={() => void save()}>
            {orders.length === 1 ? "Order it" : `Order from all ${orders.length}`}
          </Button>
        </span>
      </div>
      <Refused trouble={trouble} />
      <ShortOf allotments={allotments} edits={edits} names={names} />
      <OneByOne>
        {asked.map((supplier: BuySupplier) => (
          <OneOrder
            key={supplier.id}
            supplier={supplier}
            packs={problem.packs.filter((pack) => pack.supplier === supplier.id && planned.packs.some(({ id }) => id === pack.id))}
            planned={planned}
            edits={edits}
            shares={allotments.flatMap(({ packs }) => packs)}
            names={names}
            currency={doc.house.currency}
          />
        ))}
      </OneByOne>
    </section>
  );
}

interface ShortOfProps {
  readonly allotments: readonly Allotment[];
  readonly edits: Edits;
  readonly names: Names;
}

/** Whom an order as it was changed leaves short; nothing while it is as planned. */
function ShortOf({ allotments, edits, names }: ShortOfProps) {
  if (!edits.changed) return null;
  const short = allotments.flatMap(({ material, crates }) =>
    crates.flatMap(({ crate, lacks }) => {
      const more = lacks - edits.lackedBefore(material, crate);
      return more > 1e-9 ? [`${names.amount(material, more)} ${names.material(material)} for ${names.crate(crate)}`] : [];
    }),
  );
  return short.length === 0 ? (
    <p className="soft small" role="status">
      As you changed it, every crate still gets what it was to get.
    </p>
  ) : (
    <p className="cannot" role="status">
      As you changed it, these go short: {short.join("; ")}.
    </p>
  );
}

function ordersOf(problem: BuyProblem, { suppliers, packs }: Purchase): readonly OrderInput[] {
  return suppliers.map(({ id, fee }) => ({
    supplierId: id,
    feeCents: fee,
    items: packs.flatMap(({ id: packId, count }) => {
      const pack = problem.packs.find((p) => p.id === packId);
      return pack?.supplier === id ? [{ materialId: pack.material, size: pack.size, count, priceCents: pack.price }] : [];
    }),
  }));
}
