import type { FamilyId } from "@lampcrate/core";
import { families, familyIds } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Lock } from "../pieces/Lock.tsx";
import { houseQuery, startersQuery } from "../queries.ts";
import type { Chosen } from "./chosen.ts";
import { ImportPack } from "./ImportPack.tsx";
import { Shelf } from "./Shelf.tsx";
import { StartPanel } from "./StartPanel.tsx";
import "./start.css";
import { Button } from "../pieces/Button.tsx";

/** Ask: choose a challenge from the shelf, begin with a blank brief, or bring in a pack. */
export function Start() {
  const starters = useQuery(startersQuery);
  const units = useQuery(houseQuery).data?.units ?? "metric";
  const [family, setFamily] = useState<FamilyId | null>(null);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const shown = useMemo(
    () => (starters.data ?? []).filter((starter) => family === null || starter.family === family),
    [starters.data, family],
  );
  if (starters.isPending) return <main className="page soft">Fetching the shelf …</main>;
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
          <div className="row" style={{ alignItems: "baseline" }}>
            <h1>What shall they build?</h1>
            <span className="soft">
              {starters.data.length} briefs on the shelf, each with its numbers, crate, tiers, cautions and hints
            </span>
          </div>
          <div className="row family-row" role="group" aria-label="Families">
            <Button size="small" aria-pressed={family === null} onClick={() => setFamily(null)}>
              all
            </Button>
            {familyIds.map((id) => (
              <Button size="small" key={id} aria-pressed={family === id} onClick={() => setFamily(id)}>
                {families[id].ask.toLowerCase()}
              </Button>
            ))}
          </div>
          <Shelf starters={shown} chosen={chosen} onChoose={setChosen} />
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
