import type { BuyingDoc } from "@lampcrate/contract";
import type { Allotment, TooLate } from "@lampcrate/core";
import { Link } from "react-router";
import type { Names } from "./names.ts";

interface TooLateListProps {
  readonly late: readonly TooLate[];
  readonly allotments: readonly Allotment[];
  readonly names: Names;
  readonly doc: BuyingDoc;
}

/** What no supplier can bring in time, with the last day on which it could have been ordered. */
export function TooLateList({ late, allotments, names, doc }: TooLateListProps) {
  return (
    <section className="sheet pad stack" aria-label="Too late to order">
      <h2>Can't come in time</h2>
      <ul className="plain-list">
        {allotments
          .filter(({ lacks }) => lacks > 0)
          .map((allotment) => (
            <LateMaterial
              key={allotment.material}
              allotment={allotment}
              late={late.filter((item) => item.material === allotment.material)}
              names={names}
              doc={doc}
            />
          ))}
      </ul>
    </section>
  );
}

interface LateMaterialProps extends Omit<TooLateListProps, "allotments"> {
  readonly allotment: Allotment;
}

/** How much of a material is short, for whom, why, and what is left to do. */
function LateMaterial({ allotment: { material, crates, lacks }, late, names, doc }: LateMaterialProps) {
  const lackOf = (crate: string): number => crates.find((one) => one.crate === crate)?.lacks ?? 0;
  const alone = late.length === 1;
  return (
    <li>
      <strong className="short">
        {names.material(material)}: {names.amount(material, lacks)} short
      </strong>
      {alone ? " " : <br />}
      {late.map((item) => (
        <span key={item.needBy} className={alone ? undefined : "late-for"}>
          {forWords(item, alone && item.crates.length === 1, lackOf, names)}. <WhyLate item={item} names={names} doc={doc} />
        </span>
      ))}
    </li>
  );
}

/** For whom, and how much of it each lacks unless that has been said. */
function forWords({ material, crates }: TooLate, said: boolean, lackOf: (crate: string) => number, names: Names): string {
  if (said) return `for ${crates.map(names.crate).join(" and ")}`;
  return crates.map((crate) => `${names.amount(material, lackOf(crate))} for ${names.crate(crate)}`).join(" and ");
}

interface WhyLateProps {
  readonly item: TooLate;
  readonly names: Names;
  readonly doc: BuyingDoc;
}

function WhyLate({ item, names, doc }: WhyLateProps) {
  const { material, latestOrder, leastOf } = item;
  if (leastOf !== null) return `${names.supplier(leastOf)} has it, but all that is wanted there doesn't come to their least order.`;
  if (latestOrder !== null)
    return `The quickest supplier had to be asked by ${names.day(latestOrder)}. Borrow it, use ${standInsOf(doc, item)}, or let fewer build.`;
  if (sells(doc, material)) return "Its suppliers have not that much.";
  return (
    <>
      No supplier sells it: <Link to="/store#suppliers">add a pack to one</Link>.
    </>
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
