import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect } from "react";
import { Link } from "react-router";
import { warmPlanner } from "../../shared/compute/seasonDoor.ts";
import { NotReckoned } from "../pieces/NotReckoned.tsx";
import { buyingQuery } from "../queries.ts";
import { useSeasonCrates } from "../seasonData/useSeasonCrates.ts";
import { BuyingDesk } from "./BuyingDesk.tsx";
import "./buying.css";

/** What the season has to buy, collect and wait for, and who gets what. */
export function Buying() {
  const buying = useQuery(buyingQuery);
  const { crates, asked, trouble, again } = useSeasonCrates(buying.data);
  // Hundreds of rows: they are made ready in the background, and the page goes on answering.
  const shown = useDeferredValue(asked);
  useEffect(warmPlanner, []);
  return (
    <main className="page stack column">
      <h1>Buying</h1>
      {buying.isLoadingError ? (
        <p role="alert" className="trouble">
          {buying.error.message}
        </p>
      ) : null}
      {buying.isPending ? <p className="soft">Looking at the season …</p> : null}
      {trouble === null ? null : <NotReckoned what="The season's crates" why={trouble} onAgain={again} />}
      {buying.data && crates === null && trouble === null ? <p className="soft">Sizing every crate of the season …</p> : null}
      {buying.data && crates !== null && crates.length === 0 ? (
        <p className="plain-words">
          No session is still to come, so nothing has to be bought. <Link to="/">Put a run on the calendar</Link>, say what its kit takes,
          and what must be bought for it stands here.
        </p>
      ) : null}
      {buying.data && crates && shown ? <BuyingDesk doc={buying.data} crates={crates} asked={shown} /> : null}
    </main>
  );
}
