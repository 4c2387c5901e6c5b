import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Lock } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { houseQuery, startersQuery } from "../queries.ts";
import type { Chosen } from "./chosen.ts";
import { anything, fits } from "./fits.ts";
import { ImportPack } from "./ImportPack.tsx";
import { Shelf } from "./Shelf.tsx";
import { StartPanel } from "./StartPanel.tsx";
import { WishFields } from "./WishFields.tsx";
import "./start.css";

/** Ask: choose a challenge from the shelf, begin with a blank brief, or bring in a pack. */
export function Start() {
  const starters = useQuery(startersQuery);
  const units = useQuery(houseQuery).data?.units ?? "metric";
  const [wish, setWish] = useState(anything);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const shown = useMemo(() => (starters.data ?? []).filter((starter) => fits(starter, wish)), [starters.data, wish]);
  if (starters.isPending) return <Opening what="the shelf" />;
  if (starters.isLoadingError)
    return (
      <main className="page">
        <p role="alert" className="trouble">
          {starters.error.message}
        </p>
      </main>
    );
  return (
    <main className="page">
      <div className="start">
        <div className="stack">
          <div className="row baseline">
            <h1>What shall they build?</h1>
            <span className="soft" role="status">
              {shown.length === starters.data.length
                ? `${shown.length} briefs on the shelf, each with its numbers, crate, tiers, cautions and hints`
                : `${shown.length} of ${starters.data.length} briefs fit`}
            </span>
          </div>
          <WishFields wish={wish} units={units} onWish={setWish} />
          {shown.length === 0 ? (
            <p className="sheet pad">Nothing on the shelf fits all of that. Ask for less, or begin with a blank brief.</p>
          ) : null}
          <Shelf starters={shown} chosen={chosen} units={units} onChoose={setChosen} />
        </div>
        <div className="stack start-side">
          <Lock to="plan" told>
            <StartPanel starters={starters.data} chosen={chosen} units={units} onChoose={setChosen} />
            <ImportPack />
          </Lock>
        </div>
      </div>
    </main>
  );
}
