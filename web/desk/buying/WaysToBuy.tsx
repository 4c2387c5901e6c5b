import type { BuyingDoc } from "@lampcrate/contract";
import type { BuyProblem, Purchase } from "@lampcrate/core";
import { Radio } from "antd";
import type { Planned } from "../../shared/compute/season.worker.ts";
import { money } from "../pieces/show.ts";
import type { Names } from "./names.ts";

/** One way to buy everything in time. `day`: when all of it is there, from today. */
export interface Way {
  readonly id: "cheapest" | "next" | "fewest" | "soonest";
  readonly purchase: Purchase;
  readonly day: number;
}

/** The ways known so far; those that are the same order as an earlier one are left out. */
export function waysOf(planned: Planned, problem: BuyProblem): readonly Way[] {
  const found: readonly (readonly [Way["id"], Purchase | null])[] = [
    ["cheapest", planned.best],
    ["next", planned.next],
    ["fewest", planned.fewest],
    ["soonest", planned.soonest?.purchase ?? null],
  ];
  const leads = new Map(problem.suppliers.map((supplier) => [supplier.id, supplier.lead]));
  const ways: Way[] = [];
  for (const [id, purchase] of found) {
    if (!purchase || ways.some((way) => JSON.stringify(way.purchase.packs) === JSON.stringify(purchase.packs))) continue;
    ways.push({ id, purchase, day: Math.max(0, ...purchase.suppliers.map((s) => leads.get(s.id) ?? 0)) });
  }
  return ways;
}

const words = {
  cheapest: "The cheapest",
  next: "Next cheapest, without one of its suppliers",
  fewest: "From fewest suppliers",
  soonest: "All of it there soonest",
} as const;

interface WaysProps {
  readonly ways: readonly Way[];
  readonly chosen: Way["id"];
  readonly onChoose: (id: Way["id"]) => void;
  readonly doc: BuyingDoc;
  readonly names: Names;
}

/** The cheapest and what else can be done, to choose from. */
export function WaysToBuy({ ways, chosen, onChoose, doc, names }: WaysProps) {
  const least = ways[0]?.purchase.cost ?? 0;
  return (
    <Radio.Group
      className="sheet pad ways"
      aria-label="Ways to buy"
      value={chosen}
      onChange={({ target }) => onChoose(target.value as Way["id"])}
    >
      {ways.map(({ id, purchase, day }) => (
        <Radio key={id} value={id} className="way">
          <span className="way-words">
            <strong>{words[id]}</strong>
            <span className="soft small">
              {purchase.suppliers.map((s) => names.supplier(s.id)).join(", ")}; all there by {names.day(day)}
            </span>
          </span>
          <span className="number">
            <strong>{money(purchase.cost, doc.house.currency)}</strong>
            <span className="soft small">{purchase.cost > least ? `${money(purchase.cost - least, doc.house.currency)} more` : ""}</span>
          </span>
        </Radio>
      ))}
    </Radio.Group>
  );
}
