import type { ArrivalInput, OrderDoc } from "@lampcrate/contract";
import { Checkbox, InputNumber, Radio } from "antd";
import { api, ask } from "../../shared/client.ts";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { DayBox } from "../pieces/DayBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { MoneyBox } from "../pieces/MoneyBox.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { money } from "../pieces/show.ts";
import { useSave } from "../pieces/useSave.ts";
import { buyingQuery, materialsQuery, suppliersQuery } from "../queries.ts";
import type { Names } from "./names.ts";

interface ArrivalFormProps {
  readonly order: OrderDoc;
  readonly names: Names;
  readonly currency: string;
  readonly onDone: () => void;
}

type Item = ArrivalInput["items"][number];

const asOrdered = ({ items, feeCents, dueOn }: OrderDoc): ArrivalInput => ({
  items: items.map(({ count, came, priceCents }) => ({ had: came, comes: Math.max(0, count - came), priceCents })),
  feeCents,
  restComes: true,
  restDueOn: dueOn,
  keepPrices: false,
});

/** A delivery as it really was: packs and prices by item, and what becomes of the rest. What is typed is kept until it is booked. */
export function ArrivalForm({ order, names, currency, onDone }: ArrivalFormProps) {
  const [typed, setTyped] = useKeptState(`arrival-${order.id}`, asOrdered(order));
  const { save, trouble, pending } = useSave({
    send: (input: ArrivalInput) => ask(api.orders[":id"].arrival.$post({ param: { id: order.id }, json: input })),
    onSaved: () => {
      setTyped(null);
      onDone();
    },
    // Somebody booked a part meanwhile: what is typed is held against what had come by then.
    onStale: async () => {
      const now = (await ask(api.orders.$get())).find(({ id }) => id === order.id);
      if (now) setTyped({ ...typed, items: typed.items.map((item, i) => ({ ...item, had: now.items[i]?.came ?? item.had })) });
    },
    renew: [buyingQuery, materialsQuery, suppliersQuery],
  });
  const setItem = (place: number, patch: Partial<Item>): void =>
    setTyped({ ...typed, items: typed.items.map((item, i) => (i === place ? { ...item, ...patch } : item)) });
  const missing = order.items.some(({ count }, i) => (typed.items[i]?.had ?? 0) + (typed.items[i]?.comes ?? 0) < count);
  const dearer = order.items.some(({ priceCents }, i) => typed.items[i]?.priceCents !== priceCents);
  return (
    <form
      className="stack airy"
      aria-label={`What came from ${order.supplierName}`}
      onSubmit={(event) => {
        event.preventDefault();
        void save(typed);
      }}
    >
      <ArrivedItems order={order} typed={typed} names={names} currency={currency} onChange={setItem} />
      <Labelled label={`Delivery cost, ${currency}`}>
        <MoneyBox cents={typed.feeCents} onChange={(cents) => setTyped({ ...typed, feeCents: cents ?? 0 })} />
      </Labelled>
      {missing ? (
        <div className="stack near">
          <Radio.Group
            aria-label="What has not come"
            value={typed.restComes}
            onChange={({ target }) => setTyped({ ...typed, restComes: target.value === true })}
            options={[
              { value: true, label: "What is missing still comes" },
              { value: false, label: "It won't come: plan without it" },
            ]}
          />
          {typed.restComes ? (
            <Labelled label="It is due">
              <DayBox label="The rest is due" value={typed.restDueOn} onChange={(restDueOn) => setTyped({ ...typed, restDueOn })} />
            </Labelled>
          ) : null}
        </div>
      ) : null}
      {dearer ? (
        <Checkbox checked={typed.keepPrices} onChange={({ target }) => setTyped({ ...typed, keepPrices: target.checked })}>
          Plan with these prices from now on
        </Checkbox>
      ) : null}
      <Refused trouble={trouble} />
      <div className="row">
        <Button htmlType="submit" type="primary" loading={pending}>
          Book what came
        </Button>
        <strong>{money(costOf(typed), currency)}</strong>
        <Button
          type="text"
          size="small"
          onClick={() => {
            setTyped(null);
            onDone();
          }}
        >
          leave it
        </Button>
      </div>
    </form>
  );
}

/** What this delivery costs. */
const costOf = ({ items, feeCents }: ArrivalInput): number =>
  items.reduce((sum, { comes, priceCents }) => sum + comes * priceCents, feeCents);

interface ArrivedItemsProps {
  readonly order: OrderDoc;
  readonly typed: ArrivalInput;
  readonly names: Names;
  readonly currency: string;
  readonly onChange: (place: number, patch: Partial<Item>) => void;
}

function ArrivedItems({ order, typed, names, currency, onChange }: ArrivedItemsProps) {
  const rows = order.items.map((item, place) => ({ ...item, place, name: names.material(item.materialId) }));
  return (
    <DataTable
      label={`Packs from ${order.supplierName}`}
      rowKey="place"
      rows={rows}
      columns={[
        {
          title: "Material",
          key: "material",
          rowScope: "row",
          render: (_, { name, materialId, size, count, came }) => (
            <>
              {name}
              <div className="soft small">
                {count} × {names.amount(materialId, size)} ordered{came > 0 ? `, ${came} came before` : ""}
              </div>
            </>
          ),
        },
        {
          title: "Packs came",
          key: "comes",
          render: (_, { place, name }) => (
            <InputNumber
              aria-label={`${name}, packs that came`}
              className="box-s"
              min={0}
              max={1e6}
              precision={0}
              value={typed.items[place]?.comes ?? 0}
              onChange={(comes) => onChange(place, { comes: comes ?? 0 })}
            />
          ),
        },
        {
          title: "A pack costs",
          key: "price",
          render: (_, { place, name }) => (
            <MoneyBox
              name={`${name}, a pack costs`}
              suffix={currency}
              cents={typed.items[place]?.priceCents ?? 0}
              onChange={(cents) => onChange(place, { priceCents: cents ?? 0 })}
            />
          ),
        },
      ]}
    />
  );
}
