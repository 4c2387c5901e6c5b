import { familyOfBrief, learnedBand, type Values } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { LiveRig } from "../../shared/pieces/LiveRig.tsx";
import { useRested } from "../../shared/useRested.ts";
import { CrateDock } from "../crate/dock/CrateDock.tsx";
import { learnedQuery } from "../queries.ts";
import { BriefContext, useBriefWork, useRunActions } from "../work/RunContext.ts";
import { StepDesk } from "../work/StepDesk.tsx";
import { DesignResult } from "./DesignResult.tsx";
import { HouseTrials } from "./HouseTrials.tsx";
import { Measurability } from "./Measurability.tsx";
import "./tryout.css";
import { Button } from "../pieces/Button.tsx";
import { Open } from "../pieces/Lock.tsx";
import { type Movable, useGripping } from "../pieces/useGripping.ts";
import { TwinDials } from "./TwinDials.tsx";
import type { Design } from "./TwinRuler.tsx";
import { useClock } from "./useClock.ts";

/** While a dial moves nobody reads a verdict: it follows once the dial rests, and leaves the processor to the picture. */
const restMs = 150;

/** Try it first: two designs side by side, let go together; what the test can tell; what practice builds teach. */
export function Tryout() {
  const work = useBriefWork();
  const rested = useRested(work, restMs);
  const { run, brief } = work;
  const { change } = useRunActions();
  const family = familyOfBrief(brief);
  const learned = useQuery(learnedQuery(run.id));
  const ratios = learned.data?.checked ?? [];
  const rival = useMemo(() => brief.compared ?? family.rival(brief.design), [family, brief.compared, brief.design]);
  const set = (of: Design, patch: Values, words: string, settled: boolean): void =>
    of === "plain"
      ? change({ design: { ...brief.design, ...patch } }, words, settled)
      : change({ compared: { ...rival, ...patch } }, `beside it: ${words}`, settled);
  const movable = (of: Design, values: Values): Movable => ({
    fields: family.design,
    values,
    onChange: (id, value, words, settled) => set(of, { [id]: value }, words, settled),
  });
  const plainGripping = useGripping({ design: movable("plain", brief.design) }, run.units, brief.spec);
  const rivalGripping = useGripping({ design: movable("rival", rival) }, run.units, brief.spec);
  const designs = [
    { name: "Plain build", values: brief.design, gripping: plainGripping },
    { name: "Held beside it", values: rival, gripping: rivalGripping },
  ] as const;
  const plainScene = useMemo(() => family.drawing(brief.spec, brief.design), [family, brief.spec, brief.design]);
  const rivalScene = useMemo(() => family.drawing(brief.spec, rival), [family, brief.spec, rival]);
  const scenes = useMemo(() => [plainScene, rivalScene], [plainScene, rivalScene]);
  // One scale for both, so that what looks larger is larger.
  const frameWidth = Math.max(...scenes.map((scene) => scene.width));
  const frameHeight = Math.max(...scenes.map((scene) => scene.height));
  const longest = Math.max(...scenes.map((scene) => scene.motion?.durationS ?? 0));
  const clock = useClock(longest, scenes);
  const goal = family.goal(brief.spec);
  return (
    <StepDesk beside="Crate" panel={<CrateDock />}>
      <section className="sheet pad stack" aria-label="Tryout">
        <div className="row spread">
          <h2>Two designs, one test</h2>
          <div className="row">
            {clock.still ? (
              <span className="soft small">Stills only, as your device asks for less motion.</span>
            ) : (
              <>
                {clock.slower > 1 ? <span className="soft small">shown {clock.slower} times slower</span> : null}
                <Open>
                  <Button type="primary" onClick={clock.timeS === null ? clock.letGo : clock.hold}>
                    {clock.timeS === null ? "Let go" : "Back to the start"}
                  </Button>
                </Open>
              </>
            )}
            <Button onClick={() => change({ design: rival, compared: brief.design }, "swapped the two designs")}>Swap</Button>
          </div>
        </div>
        <div className={rested.brief === brief ? "two-designs" : "two-designs moving"}>
          {designs.map((design, i) => (
            <div key={design.name} className="stack design" role="group" aria-label={design.name}>
              <h3>{design.name}</h3>
              <LiveRig
                scene={scenes[i] ?? plainScene}
                units={run.units}
                timeS={clock.timeS}
                gripping={clock.timeS === null ? design.gripping : undefined}
                tall={300}
                frameWidth={frameWidth}
                frameHeight={frameHeight}
              />
              <DesignResult
                family={family}
                spec={brief.spec}
                design={design.values}
                goal={goal}
                units={run.units}
                learned={(band) => learnedBand(band, ratios)}
                results={ratios.length}
              />
            </div>
          ))}
        </div>
        <TwinDials
          fields={family.design}
          values={{ plain: brief.design, rival }}
          spec={brief.spec}
          units={run.units}
          onChange={(of, id, value, words, settled) => set(of, { [id]: value }, words, settled)}
        />
      </section>
      <BriefContext.Provider value={rested}>
        <Measurability seen={learned.data?.seen ?? null} />
        <HouseTrials />
      </BriefContext.Provider>
    </StepDesk>
  );
}
