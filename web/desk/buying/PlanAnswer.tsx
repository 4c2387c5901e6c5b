import type { BuyingDoc } from "@lampcrate/contract";
import { type Purchase, showNumber } from "@lampcrate/core";
import { Spin } from "antd";
import { Link } from "react-router";
import { Button } from "../pieces/Button.tsx";
import type { Plan } from "../seasonData/usePlan.ts";
import { answerWords } from "./answerWords.ts";

interface PlanAnswerProps {
  readonly doc: BuyingDoc;
  readonly plan: Plan;
  readonly purchase: Purchase | null;
  /** The planner has changed what to order. */
  readonly changed: boolean;
  /** Materials that are short whatever is ordered, and those still to be collected. */
  readonly open: { readonly short: number; readonly collected: number };
}

/** The answer in a sentence, and how sure it is. */
export function PlanAnswer({ doc, plan, purchase, changed, open }: PlanAnswerProps) {
  const { planned, stopped, trouble } = plan;
  if (trouble !== null)
    return (
      <p role="alert" className="trouble">
        The plan could not be reckoned: {trouble}. <Button onClick={plan.again}>Try again</Button>
      </p>
    );
  if (stopped)
    return (
      <p className="plain-words">
        Planning was stopped. <Button onClick={plan.again}>Plan it again</Button>
      </p>
    );
  if (!planned)
    return (
      <p className="soft row" role="status">
        <Spin size="small" /> Looking for the cheapest way to buy it all … <Button onClick={plan.stop}>Stop</Button>
      </p>
    );
  if (doc.suppliers.length === 0)
    return (
      <p className="plain-words">
        No supplier is known yet. <Link to="/store">Add one in the store room</Link> with its packs, prices and days of delivery: the
        cheapest order for the whole season follows.
      </p>
    );
  if (!planned.best)
    return (
      <p className="plain-words short">
        No set of orders reaches every supplier's least order with what is wanted. Lower a least order in the store room, or add another
        supplier.
      </p>
    );
  const { cost, packs, suppliers } = purchase ?? planned.best;
  const count = packs.reduce((sum, pack) => sum + pack.count, 0);
  const { currency } = doc.house;
  return (
    <div className="stack near">
      <p className="plain-words" role="status">
        <strong>{answerWords({ packs: count, suppliers: suppliers.length, cost, currency, changed, ...open })}</strong>
      </p>
      <p className="soft small row">
        <span>{changed ? "" : surenessWords(plan, purchase)}</span>
        {planned.stage === "good" ? <Button onClick={plan.stop}>Stop</Button> : null}
      </p>
    </div>
  );
}

function surenessWords({ planned }: Plan, purchase: Purchase | null): string {
  if (!planned?.best) return "";
  const took = `${showNumber(planned.tookMs / 1000, 1)} s`;
  if (planned.stage === "good") {
    const gap = planned.bound > 0 ? (100 * (planned.best.cost - planned.bound)) / planned.bound : 0;
    return `A good plan, at most ${showNumber(gap, 1)} % above what nothing can beat. Still looking for the cheapest …`;
  }
  const proven = planned.best.proven
    ? "Shown to be the cheapest there is"
    : `Within ${showNumber((100 * (planned.best.cost - planned.bound)) / Math.max(1, planned.bound), 1)} % of what nothing can beat`;
  const chosen = purchase && purchase.cost > planned.best.cost ? "The cheapest is another; you chose this one. " : "";
  return `${chosen}${proven}${planned.stage === "done" ? `, with its other ways, in ${took}` : "; looking at other ways …"}${planned.late.length > 0 ? "." : ". Nothing comes too late."}`;
}
