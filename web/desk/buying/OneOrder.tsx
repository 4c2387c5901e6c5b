import type { BuyPack, BuySupplier, PackShare, Purchase } from "@lampcrate/core";
import { InputNumber } from "antd";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { money } from "../pieces/show.ts";
import type { Names } from "./names.ts";
import type { Edits } from "./useEdits.ts";

interface OneOrderProps {
  readonly supplier: BuySupplier;
  /** Those that were planned. */
  readonly packs: readonly BuyPack[];
  readonly planned: Purchase;
  readonly edits: Edits;
  readonly shares: readonly PackShare[];
  readonly names: Names;
  readonly currency: string;
}

/** One supplier's order, line by line: any amount can be changed, any line left out. */
export function OneOrder({ supplier, packs, planned, edits, shares, names, currency }: OneOrderProps) {
  const rows = packs.map((pack) => ({
    ...pack,
    count: edits.countOf(pack.id),
    was: planned.packs.find(({ id }) => id === pack.id)?.count ?? 0,
    name: names.material(pack.material),
  }));
  const taken = edits.purchase.suppliers.find(({ id }) => id === supplier.id);
  return (
    <div>
      <h3 className="order-from">
        {names.supplier(supplier.id)}, <span className="soft">there by {names.day(supplier.lead)}</span>
      </h3>
      <DataTable
        label={`Order from ${names.supplier(supplier.id)}`}
        rowKey="id"
        rows={rows}
        rowClassName={({ count }) => (count === 0 ? "left-out" : "")}
        columns={[
          { title: "Material", key: "material", rowScope: "row", width: "22%", render: (_, { name }) => name },
          {
            title: "Packs",
            key: "count",
            width: "11%",
            render: (_, { id, name, count, was, max }) => (
              <InputNumber
                aria-label={`${name}, packs to order`}
                className="box-s"
                size="small"
                min={0}
                max={max ?? 1e6}
                precision={0}
                value={count}
                status={count === was ? "" : "warning"}
                onChange={(next) => edits.setCount(id, next ?? 0)}
              />
            ),
          },
          { title: "of", key: "size", width: "8%", render: (_, { material, size }) => names.amount(material, size) },
          {
            title: "Costs",
            key: "costs",
            className: "number",
            width: "9%",
            render: (_, { count, price }) => money(count * price, currency),
          },
          {
            title: "For whom",
            key: "whom",
            className: "small",
            render: (_, { id, material, count, was }) =>
              count === 0
                ? `left out; ${was} planned`
                : forWhom(
                    material,
                    shares.find((share) => share.pack === id),
                    names,
                  ),
          },
          {
            title: <span className="unseen">Leave it out</span>,
            key: "out",
            width: "9%",
            render: (_, { id, name, count, was }) => (
              <Button
                type="text"
                size="small"
                aria-label={count === 0 ? `Order ${name} after all` : `Leave ${name} out`}
                onClick={() => edits.setCount(id, count === 0 ? was : 0)}
              >
                {count === 0 ? "order it" : "leave out"}
              </Button>
            ),
          },
        ]}
      />
      <p className="soft order-sum">
        {taken ? (
          <>
            goods {money(taken.goods, currency)}, delivery {taken.fee === 0 ? "free" : money(taken.fee, currency)}:{" "}
            <strong>{money(taken.goods + taken.fee, currency)}</strong>
            <TermWords
              supplier={supplier}
              goods={taken.goods}
              fee={taken.fee}
              packs={packs}
              shares={shares}
              names={names}
              currency={currency}
            />
          </>
        ) : (
          "Nothing is ordered here."
        )}
      </p>
    </div>
  );
}

interface TermWordsProps extends Pick<OneOrderProps, "supplier" | "packs" | "shares" | "names" | "currency"> {
  readonly goods: number;
  readonly fee: number;
}

/** What the supplier's terms have to do with it: a least order missed, or packs beyond the need that reach one. */
function TermWords({ supplier: { least, freeFrom }, goods, fee, packs, shares, names, currency }: TermWordsProps) {
  if (goods < least)
    return (
      <span className="short">
        {" "}
        {money(least - goods, currency)} below their least order of {money(least, currency)}.
      </span>
    );
  const more = packs.flatMap(({ id, material, size, price }) => {
    const count = Math.floor((shares.find((share) => share.pack === id)?.left ?? 0) / size + 1e-9);
    return count > 0 ? [{ words: `${count} more of ${names.material(material)}`, price: count * price }] : [];
  });
  const spare = more.reduce((sum, { price }) => sum + price, 0);
  const why =
    spare === 0
      ? null
      : goods - spare < least
        ? `their least order of ${money(least, currency)}`
        : fee === 0 && freeFrom !== null && goods - spare < freeFrom
          ? `free delivery from ${money(freeFrom, currency)}`
          : null;
  return why === null ? null : ` With ${more.map(({ words }) => words).join(" and ")} than the season needs it reaches ${why}.`;
}

function forWhom(material: string, of: PackShare | undefined, names: Names): string {
  if (!of) return "";
  const crates = Object.entries(of.crates).map(([crate, amount]) => `${names.amount(material, amount)} for ${names.crate(crate)}`);
  // Losses are expected values, so needs may have parts: a part that is needed takes a whole one.
  const left = Math.floor(of.left + 1e-9);
  return [...crates, ...(left > 0 ? [`${names.amount(material, left)} left over`] : [])].join("; ");
}
