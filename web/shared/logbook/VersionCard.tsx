import { blankTrial, type TrialInput, type VersionInput } from "@lampcrate/contract";
import {
  buildValues,
  checkVersion,
  furtherOf,
  type Measure,
  nextSetting,
  outcomeOfRead,
  readGuess,
  readSetting,
  type Symptom,
  saidFor,
  workedWords,
} from "@lampcrate/core";
import { type ReactNode, useId } from "react";
import { useWords } from "../words/useWords.ts";
import { AboutTest, InstrumentChoice } from "./AboutTest.tsx";
import { BuildPart } from "./BuildPart.tsx";
import { Expected } from "./Expected.tsx";
import { Stopwatch } from "./Stopwatch.tsx";
import { TrialRow } from "./TrialRow.tsx";
import { isUsed } from "./trialEdits.ts";
import type { Tried } from "./tried.ts";

/** Trials of one version at most. */
const mostTrials = 12;

interface VersionCardProps {
  readonly title: string;
  readonly first: boolean;
  readonly tried: Tried;
  readonly version: VersionInput;
  readonly removable: boolean;
  /** Where pictures of it are added; nothing where none are taken. */
  readonly pictures?: ReactNode;
  /** Results are copied from paper: nothing is timed. */
  readonly copied?: boolean;
  /** Another way to time the next trial, where time is measured. */
  readonly timing?: (next: number | null, onTime: (seconds: number) => void) => ReactNode;
  readonly onChange: (version: VersionInput) => void;
  readonly onRemove: () => void;
}

/** One build: what changed, a guess, its trials. Odd numbers are asked about right where they stand. */
export function VersionCard({
  title,
  first,
  tried,
  version,
  removable,
  pictures,
  copied = false,
  timing,
  onChange,
  onRemove,
}: VersionCardProps) {
  const words = useWords();
  const id = useId();
  const { family, spec, design, units } = tried;
  const [measure] = family.measures(spec);
  const further = furtherOf(family, spec, tried.outcomes);
  const checked = checkVersion(family, spec, design, version, tried.timer);
  const setTrial = (index: number, patch: Partial<TrialInput>): void =>
    onChange({ ...version, trials: version.trials.map((trial, i) => (i === index ? { ...trial, ...patch } : trial)) });
  const next = version.trials.findIndex((trial) => !isUsed(trial));
  const timed = measure.dimension === "time" && !measure.numberless;
  const isGuessed = version.guess !== null && readGuess(version.guess, measure, first).trouble === null;
  return (
    <section className="card stacked" aria-labelledby={id}>
      {version.role === "control" ? null : (
        <BuildPart id={id} title={title} first={first} tried={tried} version={version} pictures={pictures} onChange={onChange} />
      )}
      <div className="stacked near" data-stop={version.role === "control" ? title : words.walk.test(title)} tabIndex={-1}>
        {version.role === "control" ? (
          <>
            <h2 id={id}>{title}</h2>
            <p>{family.protocol.control}</p>
            <AboutTest version={version} onChange={onChange} />
          </>
        ) : null}
        {timed && !copied ? (
          <Stopwatch
            next={next < 0 ? null : next + 1}
            onTime={(seconds) =>
              next >= 0 && setTrial(next, { outcome: "number", raw: seconds.toFixed(2), instrument: "hand stopwatch", kept: false })
            }
            onTakeBack={(number) => setTrial(number - 1, { raw: null, kept: false })}
          />
        ) : null}
        {timed && measure.instruments.includes("frame count")
          ? timing?.(
              next < 0 ? null : next + 1,
              (seconds) =>
                next >= 0 && setTrial(next, { outcome: "number", raw: seconds.toFixed(2), instrument: "frame count", kept: false }),
            )
          : null}
        {measure.instruments.length > 1 && (!timed || copied) && !measure.numberless ? (
          <InstrumentChoice measure={measure} version={version} onChange={onChange} />
        ) : null}
        {version.trials.map((trial, i) => (
          <TrialRow
            key={i}
            number={i + 1}
            trial={trial}
            checked={checked[i]}
            measure={measure}
            further={further}
            offered={i === next ? nextTried(tried, measure, version) : null}
            worked={family.worked ? (si) => workedOut(tried, trial, si) : null}
            units={units}
            symptoms={symptomsOf(tried, version, trial)}
            onChange={(patch) => setTrial(i, patch)}
          />
        ))}
        {next < 0 && version.trials.length < mostTrials ? (
          <div>
            <button
              type="button"
              className="link"
              onClick={() =>
                onChange({
                  ...version,
                  trials: [...version.trials, blankTrial(version.trials.at(-1)?.instrument ?? measure.instruments[0] ?? "")],
                })
              }
            >
              {words.log.oneMore}
            </button>
          </div>
        ) : null}
        {/* A guess is made before one knows what to expect. */}
        {version.role === "control" || isGuessed || version.trials.some(isUsed) ? (
          <Expected tried={tried} version={version} measure={measure} values={checked.flatMap((c) => (c.read.ok ? [c.read.si] : []))} />
        ) : null}
        {removable ? (
          <div>
            <button type="button" className="link" onClick={onRemove}>
              {words.log.remove}
            </button>
          </div>
        ) : null}
      </div>
    </section>
  );
}

/** What may have been seen with such a build, as it was declared; and what was said already. */
function symptomsOf({ family, spec, design }: Tried, { variables }: VersionInput, { seen }: TrialInput): readonly Symptom[] {
  const usual = saidFor(family.symptoms, { ...buildValues(family, spec, design), ...variables }, false);
  return family.symptoms.filter((symptom) => usual.includes(symptom) || seen.includes(symptom.id));
}

/** What to try next on a ladder of settings; null where there is none. */
function nextTried({ family, spec }: Tried, { rungs, setting }: Measure, { trials }: VersionInput): number | null {
  if (!rungs || setting?.kind !== "number") return null;
  const outcomes = trials.flatMap(({ outcome, rung, setting: typed }) => {
    const { at } = readSetting(typed, setting);
    return outcomeOfRead({ outcome, value: null, broke: null, rung, at }) ?? [];
  });
  const start = family.ladder?.(spec).first ?? Number(spec[setting.id] ?? setting.start);
  return nextSetting(outcomes, rungs, setting, start);
}

/** What a number comes to besides, at what it was tried at. */
function workedOut({ family, spec, units }: Tried, { setting }: TrialInput, si: number): string {
  const { at } = readSetting(setting, family.measures(spec)[0].setting);
  return workedWords(family, spec, { outcome: "number", value: si, at }, units).join(", ");
}
