import type { OrderDoc, OrderStep } from "@lampcrate/contract";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { money } from "../pieces/show.ts";
import { useSave } from "../pieces/useSave.ts";
import { buyingQuery, materialsQuery } from "../queries.ts";
import type { Names } from "./names.ts";

const shown = 8;

/** Orders: what became of each is said here, and an arrival books the stock. */
export function OnTheWay({
  orders,
  names,
  currency,
}: {
  readonly orders: readonly OrderDoc[];
  readonly names: Names;
  readonly currency: string;
}) {
  const [all, setAll] = useState(false);
  const { save, trouble } = useSave({
    send: ({ id, step }: { id: string; step: OrderStep }) => ask(api.orders[":id"].step.$post({ param: { id }, json: { step } })),
    renew: [buyingQuery, materialsQuery],
  });
  if (orders.length === 0) return null;
  return (
    <section className="sheet pad stack" aria-label="Orders">
      <h2>Orders</h2>
      <Refused trouble={trouble} />
      <DataTable
        label="Orders and where they are"
        rowKey="id"
        rows={all ? orders : orders.slice(0, shown)}
        columns={[
          {
            title: "From",
            key: "from",
            rowScope: "row",
            sorter: (a, b) => a.supplierName.localeCompare(b.supplierName),
            render: (_, { supplierName, placedOn }) => (
              <>
                {supplierName}
                <div className="soft small">ordered {names.date(placedOn)}</div>
              </>
            ),
          },
          {
            title: "What",
            key: "what",
            className: "small",
            render: (_, { items }) =>
              items
                .map(({ materialId, count, size }) => `${count} × ${names.amount(materialId, size)} ${names.material(materialId)}`)
                .join("; "),
          },
          { title: "Costs", key: "costs", className: "number", render: (_, order) => money(costOf(order), currency) },
          {
            title: "Where it is",
            key: "where",
            sorter: (a, b) => a.dueOn.localeCompare(b.dueOn),
            render: (_, order) => whereWords(order, names),
          },
          {
            title: <span className="unseen">What became of it</span>,
            key: "steps",
            render: (_, order) => <OrderSteps order={order} names={names} onSay={(step) => void save({ id: order.id, step })} />,
          },
        ]}
      />
      {orders.length > shown ? (
        <div>
          <Button type="text" size="small" onClick={() => setAll(!all)}>
            {all ? "fewer" : `${orders.length - shown} older ones`}
          </Button>
        </div>
      ) : null}
    </section>
  );
}

const costOf = ({ feeCents, items }: OrderDoc): number => feeCents + items.reduce((sum, item) => sum + item.count * item.priceCents, 0);

function whereWords({ state, dueOn, arrivedOn }: OrderDoc, names: Names): string {
  if (state === "placed") return `due ${names.date(dueOn)}`;
  return state === "arrived" ? `arrived ${names.date(arrivedOn ?? dueOn)}, in stock` : "called off";
}

interface OrderStepsProps {
  readonly order: OrderDoc;
  readonly names: Names;
  readonly onSay: (step: OrderStep) => void;
}

/** What can be said of an order now, and the order on paper. */
function OrderSteps({ order, names, onSay }: OrderStepsProps) {
  const name = `${order.supplierName}, ordered ${names.date(order.placedOn)}`;
  const step = (words: string, to: OrderStep, quiet = false) => (
    <Button {...(quiet ? { type: "text", size: "small" } : {})} aria-label={`${words}: ${name}`} onClick={() => onSay(to)}>
      {words}
    </Button>
  );
  return (
    <span className="row order-steps">
      {order.state === "placed" ? (
        <>
          {step("It has arrived", "arrived")}
          {step("call off", "called off", true)}
        </>
      ) : null}
      {order.state === "arrived" ? step("it had not come", "not arrived", true) : null}
      {order.state === "called off" ? step("order it after all", "on again", true) : null}
      <Button type="text" size="small" href={`/api/orders/${order.id}/list.pdf`}>
        PDF
      </Button>
      <Button type="text" size="small" href={`/api/orders/${order.id}/list.csv`}>
        CSV
      </Button>
    </span>
  );
}
