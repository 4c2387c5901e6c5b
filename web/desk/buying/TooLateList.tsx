import type { BuyingDoc } from "@lampcrate/contract";
import type { TooLate } from "@lampcrate/core";
import { Link } from "react-router";
import type { Names } from "./names.ts";

/** What no supplier can bring in time, with the last day on which it could have been ordered. */
export function TooLateList({ late, names, doc }: { readonly late: readonly TooLate[]; readonly names: Names; readonly doc: BuyingDoc }) {
  return (
    <section className="sheet pad stack" aria-label="Too late to order">
      <h2>Can't come in time</h2>
      <ul className="plain-list">
        {[...byMaterial(late)].map(([material, items]) => (
          <li key={material}>
            <strong className="short">
              {names.material(material)}:{" "}
              {names.amount(
                material,
                items.reduce((sum, item) => sum + item.amount, 0),
              )}{" "}
              short
            </strong>
            {items.length === 1 ? " " : <br />}
            {items.map((item) => (
              <LateFor key={item.needBy} item={item} names={names} doc={doc} alone={items.length === 1} />
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface LateForProps {
  readonly item: TooLate;
  readonly names: Names;
  readonly doc: BuyingDoc;
  /** The only day on which the material is short: its amount has been said. */
  readonly alone: boolean;
}

/** For whom it is short, why, and what is left to do. */
function LateFor({ item, names, doc, alone }: LateForProps) {
  const { material, latestOrder, leastOf, crates, amount } = item;
  return (
    <span className={alone ? undefined : "late-for"}>
      {alone ? "" : `${names.amount(material, amount)} `}for {crates.map(names.crate).join(" and ")}.{" "}
      {leastOf !== null ? (
        `${names.supplier(leastOf)} has it, but all that is wanted there doesn't come to their least order.`
      ) : latestOrder !== null ? (
        `The quickest supplier had to be asked by ${names.day(latestOrder)}. Borrow it, use ${standInsOf(doc, item)}, or let fewer build.`
      ) : sells(doc, material) ? (
        "Its suppliers have not that much."
      ) : (
        <>
          No supplier sells it: <Link to="/store#suppliers">add a pack to one</Link>.
        </>
      )}
    </span>
  );
}

function byMaterial(late: readonly TooLate[]): ReadonlyMap<string, readonly TooLate[]> {
  const found = new Map<string, readonly TooLate[]>();
  for (const item of late) found.set(item.material, [...(found.get(item.material) ?? []), item]);
  return found;
}

/** What the runs concerned name as stand-ins for a material. */
function standInsOf({ runs }: BuyingDoc, { crates, material }: TooLate): string {
  const found = runs
    .filter((run) => crates.includes(run.id) || run.sessions.some((session) => crates.includes(session.id)))
    .flatMap((run) => run.brief.lines.filter((line) => line.materialId === material && line.standIn !== "").map((line) => line.standIn));
  return found.length === 0 ? "a stand-in" : [...new Set(found)].join(" or ");
}

const sells = (doc: BuyingDoc, material: string): boolean =>
  doc.suppliers.some((supplier) => supplier.packs.some((pack) => pack.materialId === material));
