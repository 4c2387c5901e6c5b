import { clockAfter, type DropIn, dropInErrors } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { askCounted, rehearseDoor } from "../../shared/compute/rehearseDoor.ts";
import { useLatest } from "../../shared/compute/useLatest.ts";
import { useSearch } from "../../shared/compute/useSearch.ts";
import { useSame } from "../../shared/useSame.ts";
import { Button } from "../pieces/Button.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { floorDaysQuery } from "../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import { StepDesk } from "../work/StepDesk.tsx";
import { Adviser } from "./Adviser.tsx";
import { ArrivalProfile } from "./ArrivalProfile.tsx";
import { DayNumbers } from "./DayNumbers.tsx";
import { DayPanel } from "./DayPanel.tsx";
import { FromSignUps } from "./FromSignUps.tsx";
import { PartySizes } from "./PartySizes.tsx";
import { TypicalDay } from "./replay/TypicalDay.tsx";
import { UseChart } from "./UseChart.tsx";
import { useRehearsal } from "./useRehearsal.ts";

/** Days simulated while a planner turns a dial. */
const days = 400;
const noDay: DropIn | null = null;

/** Rehearse a drop-in day: when parties come, what there is for them, and what it comes to. */
export function Rehearse() {
  const { run } = useBriefWork();
  const { session, heads } = useCrateWork();
  const { changeHeads } = useRunActions();
  const { day: now, targets, isSuggested, trouble, setDay, takeOver, setTargets } = useRehearsal();
  const day = useSame(now);
  const [held, setHeld] = useState(noDay);
  const errors = dropInErrors(day);
  // What can't be is told; what it was before stays in sight.
  const lastSound = useRef(day);
  if (errors.length === 0) lastSound.current = day;
  const sound = lastSound.current;
  const found = useLatest(rehearseDoor, { day: sound, beside: held, days, seed: run.id }, "rehearse");
  const report = found.output?.report ?? null;
  const opens = session?.start.slice(11) ?? "10:00";
  const clock = (minutes: number): string => clockAfter(opens, minutes);
  const [signUps, setSignUps] = useState(false);
  const served = report?.counts.kitsUsed;
  const learning = useSearch<string, Partial<DropIn>>();
  const past = useQuery(floorDaysQuery(run.id)).data ?? [];
  return (
    <StepDesk
      beside="What the day comes to"
      panel={
        <DayPanel
          day={sound}
          report={report}
          beside={held ? (found.output?.beside ?? null) : null}
          slow={found.slow}
          trouble={found.trouble}
          onAgain={found.again}
        />
      }
    >
      <section className="sheet pad stack" aria-label="When parties come">
        <div className="row spread">
          <h2>Rehearse the day</h2>
          <Link to={`/run/${run.id}/calendar`}>Back to the calendar</Link>
        </div>
        <p className="soft small">
          {isSuggested
            ? "As brief, crate and sessions suggest it: draw when parties come, set what there is, and see what the day comes to."
            : "Kept with the run. Draw when parties come with the pointer, or bar by bar with the arrow keys."}
        </p>
        <ArrivalProfile weights={day.weights} lastEntryMin={day.lastEntryMin} clock={clock} onChange={(weights) => setDay({ weights })} />
        {signUps ? (
          <FromSignUps day={sound} opens={opens} keptAs={`sign-ups-${run.id}`} onTake={takeOver} onDone={() => setSignUps(false)} />
        ) : null}
        <DayNumbers day={day} onChange={setDay} />
        <PartySizes
          shares={day.partySizeShares}
          parties={day.expectedParties}
          onChange={(partySizeShares) => setDay({ partySizeShares })}
        />
        {errors.map(({ field, message }) => (
          <p key={field} role="alert" className="ruler-trouble">
            {message}
          </p>
        ))}
        <Refused trouble={trouble} />
        {learning.trouble ? (
          <p role="alert" className="trouble">
            {learning.trouble}
          </p>
        ) : null}
        <div className="row">
          {signUps ? null : <Button onClick={() => setSignUps(true)}>From sign-ups</Button>}
          {past.length > 0 ? (
            <Button
              loading={learning.step !== null}
              onClick={() => learning.start("learning", () => askCounted(past, sound, run.id), takeOver)}
            >
              As {past.length === 1 ? "the day counted" : `the ${past.length} days counted`} on the floor
            </Button>
          ) : null}
          {held === null ? (
            <Button onClick={() => setHeld(sound)}>Hold this day beside, and change it</Button>
          ) : (
            <>
              <Button onClick={() => takeOver(held)}>Go back to the day held beside</Button>
              <Button type="text" onClick={() => setHeld(null)}>
                Let it go
              </Button>
            </>
          )}
          {served && day.unit === "builder" ? (
            <Button
              onClick={() =>
                changeHeads(
                  {
                    model: "forecast",
                    low: Math.max(1, Math.round(2 * served.p50.value - served.p90.value)),
                    likely: Math.max(1, Math.round(served.p50.value)),
                    high: Math.max(1, Math.round(served.p90.value)),
                    ...(heads.cap === undefined ? {} : { cap: heads.cap }),
                  },
                  true,
                )
              }
            >
              Size the crate for these builders
            </Button>
          ) : null}
        </div>
      </section>
      {report ? <UseChart day={sound} report={report} clock={clock} /> : null}
      <TypicalDay day={sound} clock={clock} />
      <Adviser day={sound} targets={targets} onTargets={setTargets} onTake={takeOver} />
    </StepDesk>
  );
}
