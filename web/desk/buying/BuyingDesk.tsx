import type { BuyingDoc } from "@lampcrate/contract";
import { type Allotment, allotments, type BuyProblem, type Purchase, type SeasonCrate } from "@lampcrate/core";
import { useMemo, useState } from "react";
import type { Planned } from "../../shared/compute/season.worker.ts";
import { Later } from "../pieces/Later.tsx";
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

/** Who gets what of a purchase: of the best one it was found beside the interface. */
function useSharing(whole: BuyProblem, planned: Planned | null, purchase: Purchase | null): readonly Allotment[] {
  return useMemo(() => {
    if (!planned) return nothingYet;
    return purchase === planned.best ? planned.shares : allotments(whole, planned.rest, purchase);
  }, [whole, planned, purchase]);
}

/** How many materials no order makes whole, and how many are collected. */
function openOf(given: readonly Allotment[], rest: BuyProblem): { readonly short: number; readonly collected: number } {
  const bought = new Set(rest.materials.map(({ id }) => id));
  return {
    short: given.filter(({ lacks }) => lacks > 0).length,
    collected: given.filter(({ material, bought: wanted }) => wanted > 0 && !bought.has(material)).length,
  };
}

interface BuyingDeskProps {
  readonly doc: BuyingDoc;
  readonly crates: readonly SeasonCrate[];
  /** The same as they are bought for. */
  readonly asked: readonly SeasonCrate[];
}

/** The plan with its other ways, the lists to order, what comes too late, what is collected, what is on its way. */
export function BuyingDesk({ doc, crates, asked }: BuyingDeskProps) {
  const plan = usePlan(doc, asked);
  const names = useMemo(() => namesOf(doc, crates), [doc, crates]);
  const [chosen, setChosen] = useState<Way["id"]>("cheapest");
  const { whole, planned } = plan;
  const { rest = whole, late = [] } = planned ?? {};
  const ways = planned ? waysOf(planned, rest) : [];
  const way = ways.find((w) => w.id === chosen) ?? ways[0];
  const purchase: Purchase | null = way?.purchase ?? null;
  const asPlanned = useSharing(whole, planned, purchase);
  const edits = useEdits(rest, purchase, asPlanned);
  const given = useMemo(
    () => (edits.changed ? allotments(whole, rest, edits.purchase) : asPlanned),
    [whole, rest, edits.changed, edits.purchase, asPlanned],
  );
  return (
    <>
      <PlanAnswer doc={doc} plan={plan} purchase={purchase && edits.purchase} changed={edits.changed} open={openOf(given, rest)} />
      {purchase && purchase.packs.length > 0 ? (
        <Later>
          <Lock to="supply">
            <OrderLists doc={doc} problem={rest} planned={purchase} edits={edits} allotments={given} names={names} />
          </Lock>
        </Later>
      ) : null}
      {late.length > 0 ? (
        <Later>
          <Later>
            <TooLateList late={late} allotments={asPlanned} names={names} doc={doc} />
          </Later>
        </Later>
      ) : null}
      {ways.length > 1 ? <WaysToBuy ways={ways} chosen={way?.id ?? "cheapest"} onChoose={setChosen} doc={doc} names={names} /> : null}
      {planned === null ? null : <HowSure doc={doc} count={crates.length} names={names} />}
      <Later>
        <Collecting doc={doc} crates={asked} whole={whole} names={names} />
      </Later>
      <Lock to="count">
        <OnTheWay orders={doc.orders} names={names} currency={doc.house.currency} />
      </Lock>
      {planned ? (
        <Later>
          <Later>
            <Promises doc={doc} crates={crates} whole={whole} rest={rest} allotments={given} names={names} />
          </Later>
        </Later>
      ) : null}
    </>
  );
}
