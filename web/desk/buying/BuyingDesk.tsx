import type { BuyingDoc } from "@lampcrate/contract";
import { type Allotment, allotments, type Purchase, type SeasonCrate } from "@lampcrate/core";
import { useDeferredValue, useMemo, useState } from "react";
import { useSame } from "../../shared/useSame.ts";
import { Lock } from "../pieces/Lock.tsx";
import { usePlan } from "../seasonData/usePlan.ts";
import { Collecting } from "./Collecting.tsx";
import { HowSure } from "./HowSure.tsx";
import { namesOf } from "./names.ts";
import { OnTheWay } from "./OnTheWay.tsx";
import { OrderLists } from "./OrderLists.tsx";
import { PlanAnswer } from "./PlanAnswer.tsx";
import { Promises } from "./Promises.tsx";
import { TooLateList } from "./TooLateList.tsx";
import { useEdits } from "./useEdits.ts";
import { type Way, WaysToBuy, waysOf } from "./WaysToBuy.tsx";

const nothingYet: readonly Allotment[] = [];

interface BuyingDeskProps {
  readonly doc: BuyingDoc;
  readonly crates: readonly SeasonCrate[];
  /** The same as they are bought for. */
  readonly asked: readonly SeasonCrate[];
}

/** The plan with its other ways, the lists to order, what comes too late, what is collected, what is on its way. */
export function BuyingDesk({ doc, crates, asked }: BuyingDeskProps) {
  const plan = usePlan(doc, asked);
  // Hundreds of rows: they are made ready in the background, so that planning begins at once and the page goes on answering.
  const later = useDeferredValue(true, false);
  const names = useMemo(() => namesOf(doc, crates), [doc, crates]);
  const [chosen, setChosen] = useState<Way["id"]>("cheapest");
  const ways = plan.planned ? waysOf(plan.planned, plan.rest) : [];
  const way = ways.find((w) => w.id === chosen) ?? ways[0];
  const purchase: Purchase | null = way?.purchase ?? null;
  const planned = useSame(
    useMemo(() => (later ? allotments(plan.whole, plan.rest, purchase) : nothingYet), [later, plan.whole, plan.rest, purchase]),
  );
  const edits = useEdits(plan.rest, purchase, planned);
  const given = useMemo(
    () => (edits.changed ? allotments(plan.whole, plan.rest, edits.purchase) : planned),
    [plan.whole, plan.rest, edits.changed, edits.purchase, planned],
  );
  return (
    <>
      <PlanAnswer doc={doc} plan={plan} purchase={purchase && edits.purchase} changed={edits.changed} />
      {purchase && purchase.packs.length > 0 ? (
        <Lock to="supply">
          <OrderLists doc={doc} problem={plan.rest} planned={purchase} edits={edits} allotments={given} names={names} />
        </Lock>
      ) : null}
      {plan.late.length > 0 ? <TooLateList late={plan.late} allotments={planned} names={names} doc={doc} /> : null}
      {ways.length > 1 ? <WaysToBuy ways={ways} chosen={way?.id ?? "cheapest"} onChoose={setChosen} doc={doc} names={names} /> : null}
      {plan.planned === null ? null : <HowSure doc={doc} count={crates.length} />}
      {later ? <Collecting doc={doc} crates={asked} whole={plan.whole} names={names} /> : null}
      <Lock to="count">
        <OnTheWay orders={doc.orders} names={names} currency={doc.house.currency} />
      </Lock>
      {later ? <Promises doc={doc} crates={crates} whole={plan.whole} rest={plan.rest} allotments={given} names={names} /> : null}
    </>
  );
}
