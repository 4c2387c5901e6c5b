import type { BuyingDoc } from "@lampcrate/contract";
import { type BuyMaterial, type BuyProblem, type Promised, promisesOf, type SeasonCrate, type TooLate } from "@lampcrate/core";
import type { Names } from "./names.ts";

interface PromisesProps {
  readonly doc: BuyingDoc;
  readonly crates: readonly SeasonCrate[];
  readonly whole: BuyProblem;
  readonly names: Names;
  /** Too late for these: each with its material and crates. */
  readonly late: readonly TooLate[];
}

/** What becomes of what is short: bought, collected, or nobody can bring it in time. */
type Fate = "there" | "buy" | "collect" | "lacks";

const weight = { there: 0, buy: 1, collect: 2, lacks: 3 } as const;
const fateWords = { buy: "to buy", collect: "to collect", lacks: "lacks" } as const;

function fateOf(material: BuyMaterial, promised: Promised, { doc, late }: Pick<PromisesProps, "doc" | "late">): Fate {
  if (promised.short <= 0) return "there";
  if (late.some((item) => item.material === material.id && item.crates.includes(promised.crate))) return "lacks";
  return doc.materials.find((m) => m.id === material.id)?.perWeek == null ? "buy" : "collect";
}

/** What is there and due, promised to the season's crates in date order; what comes back serves again. */
export function Promises(props: PromisesProps) {
  const { doc, crates, whole, names } = props;
  const rows = whole.materials
    .map((material) => {
      const promises = promisesOf(material, whole.crates).map((promised) => ({ ...promised, fate: fateOf(material, promised, props) }));
      return { material, promises, worst: Math.max(...promises.map(({ fate }) => weight[fate])), name: names.material(material.id) };
    })
    .filter(({ promises }) => promises.length > 0)
    .sort((a, b) => b.worst - a.worst || a.name.localeCompare(b.name));
  return (
    <section className="sheet pad stack" aria-label="Promised">
      <h2>Who gets what</h2>
      <p className="soft small">
        {crates.length} crates still to come, served in date order from what is on hand and on its way. Each crate is sized for its own
        certainty; what is cut counts in whole sheets. “To buy” is what the order above brings.
      </p>
      <div className="promises">
        {rows.map(({ material, promises, name }) => (
          <div key={material.id} className="promise">
            <div>
              <strong>{name}</strong>
              <div className="soft small">{thereWords(material, doc, names)}</div>
            </div>
            <ol aria-label={`${name}: who gets it`}>
              {promises.map(({ crate: id, need, short, fate }) => {
                const crate = crates.find((c) => c.id === id);
                return (
                  <li key={id} className={fate}>
                    <span className="small soft">{crate ? names.date(crate.date) : ""}</span>{" "}
                    <span className="small">{crate?.runTitle}</span>
                    <br />
                    {names.amount(material.id, need)}
                    {fate === "there" ? null : (
                      <strong>
                        , {fateWords[fate]} {names.amount(material.id, short)}
                      </strong>
                    )}
                  </li>
                );
              })}
            </ol>
          </div>
        ))}
      </div>
    </section>
  );
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
