import { costOfOrder, type OrderDoc, type OrderStep } from "@lampcrate/contract";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { AddDrawer } from "../pieces/AddDrawer.tsx";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { money } from "../pieces/show.ts";
import { useSave } from "../pieces/useSave.ts";
import { buyingQuery, materialsQuery } from "../queries.ts";
import { ArrivalForm } from "./ArrivalForm.tsx";
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
  const [arriving, setArriving] = useState<string | null>(null);
  const { save, trouble } = useSave({
    send: ({ id, step }: { id: string; step: OrderStep }) => ask(api.orders[":id"].step.$post({ param: { id }, json: { step } })),
    renew: [buyingQuery, materialsQuery],
  });
  if (orders.length === 0) return null;
  const open = orders.find(({ id, state }) => id === arriving && state === "placed");
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
                .map(({ materialId, count, came, size }) => {
                  const part = came > 0 && came !== count ? ` (${came} came)` : "";
                  return `${count} × ${names.amount(materialId, size)} ${names.material(materialId)}${part}`;
                })
                .join("; "),
          },
          { title: "Costs", key: "costs", className: "number", render: (_, order) => money(costOfOrder(order), currency) },
          {
            title: "Where it is",
            key: "where",
            sorter: (a, b) => a.dueOn.localeCompare(b.dueOn),
            render: (_, order) => whereWords(order, names),
          },
          {
            title: <span className="unseen">What became of it</span>,
            key: "steps",
            render: (_, order) => (
              <OrderSteps
                order={order}
                names={names}
                onSay={(step) => void save({ id: order.id, step })}
                onArrival={() => setArriving(order.id)}
              />
            ),
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
      <AddDrawer
        title={open ? `${open.supplierName}, ordered ${names.date(open.placedOn)}` : ""}
        open={open !== undefined}
        onLeave={() => setArriving(null)}
      >
        {open ? <ArrivalForm key={open.id} order={open} names={names} currency={currency} onDone={() => setArriving(null)} /> : null}
      </AddDrawer>
    </section>
  );
}

const someCame = ({ items }: OrderDoc): boolean => items.some(({ came }) => came > 0);

function whereWords(order: OrderDoc, names: Names): string {
  const { state, dueOn, arrivedOn } = order;
  if (state === "placed") return `${someCame(order) ? "a part came, the rest is" : ""} due ${names.date(dueOn)}`.trim();
  return state === "arrived" ? `arrived ${names.date(arrivedOn ?? dueOn)}, in stock` : "called off";
}

interface OrderStepsProps {
  readonly order: OrderDoc;
  readonly names: Names;
  readonly onSay: (step: OrderStep) => void;
  readonly onArrival: () => void;
}

/** What can be said of an order now, and the order on paper. */
function OrderSteps({ order, names, onSay, onArrival }: OrderStepsProps) {
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
          {step(someCame(order) ? "The rest has arrived" : "It has arrived", "arrived")}
          <Button type="text" size="small" aria-label={`came otherwise: ${name}`} onClick={onArrival}>
            came otherwise …
          </Button>
          {step(someCame(order) ? "the rest won't come" : "call off", "called off", true)}
        </>
      ) : null}
      {order.state === "arrived" || someCame(order) ? step("it had not come", "not arrived", true) : null}
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
