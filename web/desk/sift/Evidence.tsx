import type { EntryDoc, EvidenceDoc, VersionEvidence } from "@lampcrate/contract";
import { bandWords, countedIntervals, intervalWords, type Measure, outcomeOfRead, showOf, type UnitChoice } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { quantityScale } from "../../shared/pieces/scale.ts";
import { spanOf, ValueStrip } from "../../shared/pieces/ValueStrip.tsx";
import { evidenceQuery } from "../queries.ts";
import "./evidence.css";

interface EvidenceProps {
  readonly runId: string;
  readonly entry: EntryDoc | undefined;
  readonly units: UnitChoice;
}

/** What an entry is judged beside: what was predicted, what is possible, and what all others measured. */
export function Evidence({ runId, entry, units }: EvidenceProps) {
  const found = useQuery({ ...evidenceQuery(runId, entry?.id ?? "", entry?.revision ?? 0), enabled: entry !== undefined });
  return (
    <aside className="sheet evidence" aria-label="Evidence" aria-busy={found.isFetching}>
      <div className="pad">
        <h2>Evidence</h2>
        {entry ? null : <p className="soft">Choose an entry, and what it is held against stands here.</p>}
        {found.isLoadingError ? (
          <p role="alert" className="trouble">
            {found.error.message}
          </p>
        ) : null}
        {entry && found.isLoading ? <p className="soft small">Looking it up …</p> : null}
        {entry && found.data?.entryId === entry.id ? <Strips entry={entry} evidence={found.data} units={units} /> : null}
      </div>
    </aside>
  );
}

function Strips({ entry, evidence, units }: { readonly entry: EntryDoc; readonly evidence: EvidenceDoc; readonly units: UnitChoice }) {
  const { measure, goal, others } = evidence;
  const show = showOf(measure, units);
  const own = entry.versions.flatMap((version) => intervalsIn(version, measure).map(({ low }) => low));
  const bands = evidence.versions.flatMap(({ predicted }) => (predicted ? [predicted.low, predicted.high] : []));
  // One span for all versions of the entry, so that what lies further right is more.
  const span = spanOf([...own, ...others.values, ...bands, goal]);
  const scale = quantityScale(measure.dimension, units, measure.unit ?? undefined, goal);
  return (
    <>
      <p className="soft small">
        {measure.words}; the flag is the goal, {show(goal)}.{" "}
        {others.count === 0 ? "Nobody else has measured yet." : `Strokes under the line: ${others.count} values of all other entries.`}
      </p>
      {evidence.versions.map((version) => {
        const of = entry.versions.find(({ number }) => number === version.number);
        if (!of) return null;
        const name = version.role === "control" ? "Bare test" : `Version ${version.number}`;
        const intervals = intervalsIn(of, measure);
        return (
          <figure key={version.number}>
            <figcaption>
              <h3>{name}</h3>
            </figcaption>
            <ValueStrip
              label={`${name}: ${intervals.map((one) => intervalWords(one, show)).join(", ") || "no number"}. ${boundsWords(version, show)}`}
              scale={scale}
              span={span}
              soft={version.soft}
              hard={version.hard}
              predicted={version.predicted}
              goal={goal}
              others={others.values}
              own={intervals.map(({ low }) => low)}
            />
            <p className="small soft">{boundsWords(version, show)}</p>
          </figure>
        );
      })}
      <ul className="strip-key small soft">
        <li className="own">this entry</li>
        <li className="band">predicted, 8 of 10</li>
        <li className="rare">rare</li>
        <li className="never">impossible</li>
      </ul>
    </>
  );
}

/** What a version's trials come to, as they count: a ladder is one result. */
const intervalsIn = (version: EntryDoc["versions"][number], measure: Measure) =>
  countedIntervals(
    measure,
    version.trials.flatMap(({ brokeValue: broke, ...trial }) => outcomeOfRead({ ...trial, broke }) ?? []),
  );

function boundsWords({ predicted, soft, hard }: VersionEvidence, show: (si: number) => string): string {
  const [low, high] = soft;
  const guess = predicted ? `Predicted ${bandWords(predicted, show)}.` : "";
  const rare = high === null ? (low ? `Rare below ${show(low)}.` : "") : `Rare above ${show(high)}${low ? ` or below ${show(low)}` : ""}.`;
  const never = hard[1] === null ? "" : `Impossible above ${show(hard[1])}.`;
  return [guess, rare, never].filter(Boolean).join(" ");
}
