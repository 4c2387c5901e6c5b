import type { HeadsModel } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { memo, useMemo } from "react";
import { Ruler } from "../../shared/pieces/Ruler.tsx";
import { quantityScale, shareScale } from "../../shared/pieces/scale.ts";
import { Choose } from "../pieces/Choose.tsx";
import { Term } from "../pieces/Term.tsx";
import { Whole } from "../pieces/Whole.tsx";
import { learnedQuery } from "../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import { Rested } from "../work/RunWorkProvider.tsx";
import { StepDesk } from "../work/StepDesk.tsx";
import { AfterSession } from "./answers/AfterSession.tsx";
import { Preparing } from "./answers/Preparing.tsx";
import { WhatMatters } from "./answers/WhatMatters.tsx";
import { CutMaps } from "./cutting/CutMaps.tsx";
import { HeadsChart } from "./dials/HeadsChart.tsx";
import { HeadsDials } from "./dials/HeadsDials.tsx";
import { HowSure } from "./dials/HowSure.tsx";
import { CrateDock } from "./dock/CrateDock.tsx";
import { LineTable } from "./lines/LineTable.tsx";

/** Size the kit: who comes, what a kit takes, how sure to be. The manifest beside it moves with every dial. */
export function Crate() {
  const { run, brief } = useBriefWork();
  const { session, heads } = useCrateWork();
  const { change, changeHeads } = useRunActions();
  const counts = useQuery(learnedQuery(run.id)).data?.counts;
  const past = useMemo(() => (counts ?? []).map((c) => c.builders), [counts]);
  const count = quantityScale("count", run.units, undefined, 1);
  return (
    <StepDesk beside="Crate" panel={<CrateDock />}>
      <section className="sheet pad stack" aria-label="Who comes">
        <h2>Who comes{session ? "" : run.sessions.length > 0 ? " to a session, unless the session says otherwise" : ""}</h2>
        <HeadsDials heads={heads} past={past} onChange={(next: HeadsModel, settled) => changeHeads(next, settled)} />
        <HeadsChart heads={heads} past={past} seed={session?.id ?? run.id} />
        <div className="row">
          <Choose
            label="Who builds"
            value={brief.buildBy}
            options={[
              { value: "builder", label: "each builder builds" },
              { value: "team", label: "a team builds" },
            ]}
            onChoose={(buildBy) => change({ buildBy }, `a ${buildBy} builds`)}
          />
          {brief.buildBy === "team" ? (
            <Whole
              label="in a team"
              min={1}
              max={12}
              value={brief.teamSize}
              onChange={(teamSize) => change({ teamSize }, `teams of ${teamSize}`)}
            />
          ) : null}
          <Whole
            label="seats at a table"
            min={1}
            max={40}
            value={brief.seatsPerTable}
            onChange={(seatsPerTable) => change({ seatsPerTable }, `${seatsPerTable} seats at a table`)}
          />
          <Whole
            label={
              <>
                builders one <Term of="rig">rig</Term> serves
              </>
            }
            min={1}
            max={500}
            value={brief.rigServes}
            onChange={(rigServes) => change({ rigServes }, `a rig serves ${rigServes}`)}
          />
        </div>
      </section>
      <section className="sheet pad stack" aria-label="Dials">
        <h2>How they build, and how sure to be</h2>
        <div className="fields">
          <Ruler
            label="Chance of a rebuild"
            scale={shareScale}
            min={0}
            max={0.95}
            step={0.01}
            value={brief.rebuildRate}
            onChange={(rebuildRate, settled) => change({ rebuildRate }, `rebuild chance ${shareScale.show(rebuildRate)}`, settled)}
          />
          <Ruler
            label="Most rebuilds"
            scale={count}
            min={0}
            max={8}
            step={1}
            value={brief.loops}
            onChange={(loops, settled) => change({ loops }, `at most ${loops} rebuilds`, settled)}
          />
          <HowSure />
          <Ruler
            label="Part of the builders there at once"
            scale={shareScale}
            min={0.05}
            max={1}
            step={0.05}
            value={brief.shareAtOnce}
            onChange={(shareAtOnce, settled) => change({ shareAtOnce }, `${shareScale.show(shareAtOnce)} at once`, settled)}
          />
        </div>
      </section>
      <LineTable />
      <BelowTheLines />
    </StepDesk>
  );
}

/** What follows a dragged dial a moment later, so that the dial itself never waits. */
const BelowTheLines = memo(function BelowTheLines() {
  return (
    <Rested>
      <Answers />
    </Rested>
  );
});

const Answers = memo(function Answers() {
  return (
    <>
      <Preparing />
      <AfterSession />
      <WhatMatters />
      <CutMaps />
    </>
  );
});
