import { type RunSteps, runSteps } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Button } from "../pieces/Button.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { houseQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { publishBy } from "./publishBy.ts";
import "./entryDays.css";

/** What follows the closing date, day by day: reminding, sifting, the reveal, the day entries go. */
export function AfterClosing({ onReveal }: { readonly onReveal: (day: string) => void }) {
  const { run } = useBriefWork();
  const { day, today } = useHouseDay();
  const house = useQuery(houseQuery).data;
  if (!house) return null;
  const { waiting, accepted, setAside } = run.entries;
  const steps = runSteps(
    {
      ...run,
      came: waiting + accepted + setAside,
      sessions: run.sessions.map(({ start, ...session }) => ({ ...session, date: start.slice(0, 10) })),
    },
    today,
    house,
  );
  return (
    <>
      <ol className="after-closing" aria-label="What follows">
        {run.status === "draft" && steps.publish ? <li>{publishBy(steps.publish, today, day)}</li> : null}
        {steps.remind.map((on) => (
          <li key={on}>
            Remind families on <strong>{day(on)}</strong>.
          </li>
        ))}
        {steps.sift ? (
          <li>
            {siftWords(steps.sift, day)} at {house.gathering.siftMinutes} min each.
          </li>
        ) : null}
        {steps.revealFrom ? (
          <li>
            The reveal can be on <strong>{day(steps.revealFrom)}</strong> or later.
          </li>
        ) : null}
        {steps.erase ? (
          <li>
            Entries {run.afterwards === "erase" ? "are erased" : "lose their names"} on <strong>{day(steps.erase)}</strong>.
          </li>
        ) : null}
      </ol>
      <RevealDay steps={steps} set={run.revealOn} day={day} onReveal={onReveal} />
    </>
  );
}

function siftWords({ from, to, entries }: NonNullable<RunSteps["sift"]>, day: (date: string) => string): string {
  const words = `Look at ${entries} ${entries === 1 ? "entry" : "entries"}`;
  return from === to ? `${words} on ${day(from)},` : `${words} from ${day(from)} to ${day(to)},`;
}

interface RevealDayProps {
  readonly steps: RunSteps;
  readonly set: string | null;
  readonly day: (date: string) => string;
  readonly onReveal: (day: string) => void;
}

/** Says when the reveal has no day, or one before all can be looked at, with the day that would do. */
function RevealDay({ steps: { revealFrom }, set, day, onReveal }: RevealDayProps) {
  if (revealFrom === null || (set !== null && set >= revealFrom)) return null;
  return (
    <div className="row">
      {set === null ? null : <span className="ruler-trouble">The reveal comes before all can be looked at.</span>}
      <Button size="small" onClick={() => onReveal(revealFrom)}>
        Reveal on {day(revealFrom)}
      </Button>
    </div>
  );
}
