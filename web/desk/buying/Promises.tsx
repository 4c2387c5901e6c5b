import type { BuyingDoc } from "@lampcrate/contract";
import type { Allotment, Allotted, BuyMaterial, BuyProblem, SeasonCrate } from "@lampcrate/core";
import { memo, useMemo } from "react";
import type { Names } from "./names.ts";

interface PromisesProps {
  readonly doc: BuyingDoc;
  readonly crates: readonly SeasonCrate[];
  readonly whole: BuyProblem;
  /** What can be bought; what isn't in it is collected. */
  readonly rest: BuyProblem;
  readonly allotments: readonly Allotment[];
  readonly names: Names;
}

/** What becomes of what the stock doesn't give: bought or collected, lent on from an earlier crate, or nobody brings it in time. */
type Fate = "there" | "lent" | "buy" | "collect" | "lacks";

const weight = { there: 0, lent: 0, buy: 1, collect: 2, lacks: 3 } as const;

function fateOf({ bought, lent, lacks }: Allotted, collected: boolean): Fate {
  if (lacks > 0) return "lacks";
  if (bought > 0) return collected ? "collect" : "buy";
  return lent > 0 ? "lent" : "there";
}

/** What is there and due, promised to the season's crates in date order; what comes back serves again. */
export const Promises = memo(function Promises({ doc, crates, whole, rest, allotments, names }: PromisesProps) {
  const byCrate = useMemo(() => new Map(crates.map((crate) => [crate.id, crate])), [crates]);
  const rows = whole.materials
    .map((material) => {
      const collected = !rest.materials.some(({ id }) => id === material.id);
      const given = allotments.find((one) => one.material === material.id)?.crates ?? nobody;
      const worst = Math.max(...given.map((one) => weight[fateOf(one, collected)]));
      return { material, given, collected, worst, name: names.material(material.id) };
    })
    .filter(({ given }) => given.length > 0)
    .sort((a, b) => b.worst - a.worst || a.name.localeCompare(b.name));
  return (
    <section className="sheet pad stack" aria-label="Promised">
      <h2>Who gets what</h2>
      <p className="soft small">
        {crates.length} crates still to come, served in date order from what is on hand and on its way. Each crate is sized for its own
        certainty; what is cut counts in whole sheets. “To buy” is what the order above brings; “lent on” came with it for an earlier crate
        and is back by then.
      </p>
      <div className="promises">
        {rows.map(({ material, given, collected }) => (
          <PromisedOf
            key={material.id}
            material={material}
            given={given}
            collected={collected}
            words={thereWords(material, doc, names)}
            crates={byCrate}
            names={names}
          />
        ))}
      </div>
    </section>
  );
});

const nobody: readonly Allotted[] = [];

interface PromisedOfProps {
  readonly material: BuyMaterial;
  readonly given: readonly Allotted[];
  readonly collected: boolean;
  readonly words: string;
  readonly crates: ReadonlyMap<string, SeasonCrate>;
  readonly names: Names;
}

/** One material: what there is of it, and crate by crate where it comes from. */
const PromisedOf = memo(function PromisedOf({ material, given, collected, words, crates, names }: PromisedOfProps) {
  const show = (amount: number): string => names.amount(material.id, amount);
  const name = names.material(material.id);
  return (
    <div className="promise">
      <div>
        <strong>{name}</strong>
        <div className="soft small">{words}</div>
      </div>
      <ol aria-label={`${name}: who gets it`}>
        {given.map((one) => {
          const crate = crates.get(one.crate);
          const full = crate?.needs.find((need) => need.material === material.id)?.amount;
          return (
            <li key={one.crate} className={fateOf(one, collected)}>
              <span className="small soft">{crate ? names.date(crate.date) : ""}</span> <span className="small">{crate?.runTitle}</span>
              <br />
              {show(full ?? one.need)}
              {againWords(one.need, full, show)}
              <strong>{whenceWords(one, collected, show)}</strong>
            </li>
          );
        })}
      </ol>
    </div>
  );
});

/** Where what the stock doesn't give comes from. */
function whenceWords({ bought, lent, lacks }: Allotted, collected: boolean, show: (amount: number) => string): string {
  const parts = [
    bought > 0 ? `, ${collected ? "to collect" : "to buy"} ${show(bought)}` : "",
    lent > 0 ? `, lent on ${show(lent)}` : "",
    lacks > 0 ? `, lacks ${show(lacks)}` : "",
  ];
  return parts.join("");
}

/** What of a crate's need earlier crates leave over, where the season is bought for as one. */
function againWords(need: number, full: number | undefined, show: (amount: number) => string): string {
  const again = (full ?? need) - need;
  return again > 1e-9 ? `, ${show(again)} of it left over before` : "";
}

function thereWords(material: BuyMaterial, doc: BuyingDoc, names: Names): string {
  const due = (material.arrivals ?? []).reduce((sum, arrival) => sum + arrival.amount, 0);
  const onHand = doc.materials.find((m) => m.id === material.id)?.onHand ?? 0;
  return [
    `${names.amount(material.id, onHand)} on hand`,
    due > 0 ? `${names.amount(material.id, due)} on the way` : "",
    material.reusable ? "comes back" : "",
  ]
    .filter(Boolean)
    .join(", ");
}
