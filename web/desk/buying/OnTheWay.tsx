import type { OrderDoc } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { money } from "../pieces/show.ts";
import { buyingQuery, materialsQuery } from "../queries.ts";
import type { Names } from "./names.ts";

type Step = "arrived" | "not arrived" | "called off" | "on again";

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
  const queries = useQueryClient();
  const [all, setAll] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (orders.length === 0) return null;
  const say = async (id: string, step: Step): Promise<void> => {
    try {
      await ask(api.orders[":id"].step.$post({ param: { id }, json: { step } }));
      setTrouble(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error.message);
    }
    await Promise.all([queries.invalidateQueries(buyingQuery), queries.invalidateQueries(materialsQuery)]);
  };
  return (
    <section className="sheet pad stack" aria-label="Orders">
      <h2>Orders</h2>
      {trouble === null ? null : (
        <p role="alert" className="trouble">
          {trouble}
        </p>
      )}
      <table className="trials">
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">What</th>
            <th scope="col" className="number">
              Costs
            </th>
            <th scope="col">Where it is</th>
            <th scope="col">
              <span className="unseen">What became of it</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {(all ? orders : orders.slice(0, shown)).map((order) => (
            <OrderRow key={order.id} order={order} names={names} currency={currency} onSay={(step) => void say(order.id, step)} />
          ))}
        </tbody>
      </table>
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

interface OrderRowProps {
  readonly order: OrderDoc;
  readonly names: Names;
  readonly currency: string;
  readonly onSay: (step: Step) => void;
}

function OrderRow({ order, names, currency, onSay }: OrderRowProps) {
  const cost = order.feeCents + order.items.reduce((sum, item) => sum + item.count * item.priceCents, 0);
  const name = `${order.supplierName}, ordered ${names.date(order.placedOn)}`;
  const step = (words: string, to: Step, quiet = false) => (
    <Button {...(quiet ? { type: "text", size: "small" } : {})} aria-label={`${words}: ${name}`} onClick={() => onSay(to)}>
      {words}
    </Button>
  );
  return (
    <tr>
      <th scope="row">
        {order.supplierName}
        <div className="soft small">ordered {names.date(order.placedOn)}</div>
      </th>
      <td className="small">
        {order.items
          .map((item) => `${item.count} × ${names.amount(item.materialId, item.size)} ${names.material(item.materialId)}`)
          .join("; ")}
      </td>
      <td className="number">{money(cost, currency)}</td>
      <td>
        {order.state === "placed"
          ? `due ${names.date(order.dueOn)}`
          : order.state === "arrived"
            ? `arrived ${names.date(order.arrivedOn ?? order.dueOn)}, in stock`
            : "called off"}
      </td>
      <td>
        <span className="row" style={{ gap: 6 }}>
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
      </td>
    </tr>
  );
}
