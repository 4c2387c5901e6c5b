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
        {late.map((item) => (
          <li key={`${item.material} ${item.needBy}`}>
            <strong className="short">
              {names.material(item.material)}: {names.amount(item.material, item.amount)} short
            </strong>{" "}
            for {item.crates.map(names.crate).join(" and ")}.{" "}
            {item.latestOrder === null ? (
              sells(doc, item.material) ? (
                "Its suppliers have not that much."
              ) : (
                <>
                  No supplier sells it: <Link to="/store#suppliers">add a pack to one</Link>.
                </>
              )
            ) : (
              <>
                The quickest supplier had to be asked by {names.day(item.latestOrder)}. Borrow it, use {standInsOf(doc, item)}, or let fewer
                build.
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
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
