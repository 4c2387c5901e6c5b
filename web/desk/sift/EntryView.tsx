import type { EntryDoc, VersionDoc } from "@lampcrate/contract";
import {
  type Dimension,
  declaredWords,
  type Family,
  familyOfBrief,
  furtherMeasures,
  type Measure,
  reasonWords,
  showQuantity,
  type UnitChoice,
  workedWords,
} from "@lampcrate/core";
import { Input } from "antd";
import type { RefObject } from "react";
import { Button } from "../pieces/Button.tsx";
import { trialSaid } from "../pieces/trialSaid.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { Asks } from "./Asks.tsx";
import { useAskFor } from "./askFor.ts";
import { EntryPictures } from "./EntryPictures.tsx";
import type { useSifting } from "./useSifting.ts";

interface EntryViewProps {
  readonly entry: EntryDoc;
  readonly sifting: Pick<ReturnType<typeof useSifting>, "reason" | "setReason" | "decide" | "askThem" | "heldBy" | "pending">;
  readonly whyBox: RefObject<HTMLInputElement | null>;
}

/** One entry with its numbers, the words as typed, and flags that say why. */
export function EntryView({ entry, sifting, whyBox }: EntryViewProps) {
  const { reason, setReason, decide, askThem, heldBy, pending: busy } = sifting;
  const pending = busy || heldBy !== null;
  const { dayOf } = useHouseDay();
  const { run } = useBriefWork();
  const family = familyOfBrief(run.brief);
  const { words: suggested, meant } = useAskFor(entry, run.units);
  return (
    <div className="pad stack near">
      <div className="row spread">
        <h2>{entry.alias}</h2>
        <span className="soft small">
          sent {dayOf(entry.sentAt)}
          {entry.source === "keyed in" ? ", keyed in from paper" : ""}
          {entry.groupRow === null ? "" : `, row ${entry.groupRow} of a group sheet`}
          {entry.ageBand ? `, ${entry.ageBand}` : ""}, brief version {entry.briefVersion}, {entry.state}
          {entry.decidedBy ? ` by ${entry.decidedBy}` : ""}
          {entry.why ? `: ${entry.why}` : ""}
        </span>
      </div>
      {entry.versions.map((version) => (
        <VersionTable key={version.id} entry={entry} version={version} family={family} units={run.units} dimension={entry.dimension} />
      ))}
      <AboutEntry entry={entry} units={run.units} />
      <Asks asks={entry.asks} />
      {entry.said ? (
        <p>
          They said: <q>{entry.said}</q>
        </p>
      ) : null}
      {suggested !== "" && reason.trim() === "" && !entry.asks.some(({ answer }) => answer === null) ? (
        <p className="small soft">
          <kbd>k</kbd> asks: {suggested}
          {meant === null ? null : <> That is: {meant}</>}
        </p>
      ) : null}
      {heldBy === null ? null : (
        <p role="status" className="flagged">
          {heldBy} is looking at this one; it is theirs until they go on, or for five minutes.
        </p>
      )}
      <div className="row">
        <Input
          ref={(box) => {
            whyBox.current = box?.input ?? null;
          }}
          className="box-l"
          maxLength={240}
          aria-label="Why, if it is set aside; or what to ask"
          placeholder="why it is set aside, or what to ask"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Escape") event.currentTarget.blur();
            if (event.key !== "Enter" || event.nativeEvent.isComposing) return;
            event.currentTarget.blur();
            void decide("set aside");
          }}
        />
        <Button type="primary" disabled={pending} onClick={() => void decide("accepted")}>
          Accept
        </Button>
        <Button disabled={pending} onClick={() => void decide("set aside")}>
          Set aside
        </Button>
        <Button disabled={pending || (reason.trim() === "" && suggested === "")} onClick={() => void askThem(suggested)}>
          Ask the family
        </Button>
      </div>
    </div>
  );
}

/** Rules they answered with no, and what they counted loads in. */
function AboutEntry({
  entry: { answers, rulesInEnglish, tokens, timer },
  units,
}: {
  readonly entry: EntryDoc;
  readonly units: UnitChoice;
}) {
  const [yes, no] = [answers.filter((one) => one.yes), answers.filter((one) => !one.yes)];
  return (
    <>
      {answers.length === 0 ? null : (
        <p className={no.length > 0 ? "flagged small" : "small"}>
          {no.length === 0
            ? `All ${yes.length} rules answered yes.`
            : `Answered no: ${no.map(({ rule }) => rulesInEnglish[rule] ?? rule).join(" ")}`}
        </p>
      )}
      {timer === null ? null : (
        <p className="small soft">
          They practised at the stopwatch: their times scatter by {timer.spread.toFixed(2)} s and are {Math.abs(timer.bias).toFixed(2)} s
          too {timer.bias >= 0 ? "long" : "short"}. Bounds and flags go by that; the values stay as logged.
        </p>
      )}
      {tokens.map(({ name, massKg, weighed }) => (
        <p key={name} className="small">
          One {name}: {massKg === null ? "nobody knows its mass, so loads in it stay a count" : showQuantity(massKg, "mass", units)}
          {weighed ? ` (${weighed.count} together ${showQuantity(weighed.togetherKg, "mass", units)})` : ""}.
        </p>
      ))}
    </>
  );
}

function VersionTable({
  entry,
  version,
  family,
  units,
  dimension,
}: {
  readonly entry: EntryDoc;
  readonly version: VersionDoc;
  readonly family: Family;
  readonly units: UnitChoice;
  readonly dimension: Dimension;
}) {
  const { run } = useBriefWork();
  const show = (value: number): string => showQuantity(value, dimension, units);
  const [measure] = family.measures(run.brief.spec);
  const further = furtherMeasures(family, run.brief.spec);
  const title = version.role === "control" ? "Bare test" : `Version ${version.number}`;
  return (
    <div>
      <h3>
        {title}
        {version.changed ? <span className="light">: {version.changed}</span> : null}
      </h3>
      <p className="small soft">
        {[
          allDeclared(version, family, units),
          version.guess ? `guessed ${version.guess}${version.guessed === "after" ? ", after the first result" : ""}` : "",
          version.place ?? "",
        ]
          .filter(Boolean)
          .join("; ")}
      </p>
      <EntryPictures entry={entry} version={version} of={title.toLowerCase()} />
      <ul className="trial-values" aria-label={`Trials of ${title.toLowerCase()}`}>
        {version.trials.map((trial) => (
          <li key={trial.id}>
            <span className="small soft">trial {trial.number} </span>
            <strong className={trial.flag === null ? "" : trial.flag === "impossible" ? "flagged impossible" : "flagged"}>
              {trialSaid(trial, measure, units)}
            </strong>
            <div className="small soft">
              {[
                ...[trial.raw, trial.broke].flatMap((typed) => (typed === null ? [] : [`typed ${typed}`])),
                ...beside(trial, further, units),
                ...workedWords(family, run.brief.spec, trial, units),
                ...trial.seen.map((id) => family.symptoms.find((s) => s.id === id)?.words ?? id),
              ].join(", ")}
            </div>
          </li>
        ))}
      </ul>
      {version.trials
        .filter((trial) => trial.flagWords !== null)
        .map((trial) => (
          <p key={trial.id} className={trial.flag === "impossible" ? "flagged impossible small" : "flagged small"}>
            Trial {trial.number}, {trial.flag}: {trial.flagWords}
            {trial.kept ? " They were asked, and keep it." : ""}
            {trial.offers.length > 0
              ? ` Could be ${trial.offers.map((offer) => `${show(offer.value)} ${offer.reasons.map(reasonWords).join(", ")}`).join("; or ")}.`
              : ""}
          </p>
        ))}
    </div>
  );
}

/** What else was measured, in words: "how far off to the side 12 cm". */
function beside({ furtherValues }: VersionDoc["trials"][number], further: readonly Measure[], units: UnitChoice): readonly string[] {
  return Object.entries(furtherValues).map(([id, value]) => {
    const measure = further.find((one) => one.id === id);
    return measure ? `${measure.words.toLowerCase()} ${showQuantity(value, measure.dimension, units)}` : `${id} ${value}`;
  });
}

/** What they declared, in words. */
function allDeclared(version: VersionDoc, family: Family, units: UnitChoice): string {
  return Object.entries(version.variables)
    .map(([id, value]) => {
      const field = family.variables.find((f) => f.id === id);
      const words = declaredWords(field, value, units);
      return field?.kind === "choice" ? words : `${field?.words.toLowerCase() ?? id} ${words}`;
    })
    .join(", ");
}
