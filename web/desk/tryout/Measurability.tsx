import {
  cureWords,
  type Measurability as Found,
  familyOfBrief,
  instrumentById,
  measurabilityWords,
  showPredicted,
  timesIn100,
} from "@lampcrate/core";
import { Select } from "antd";
import { memo, useId } from "react";
import type { JudgeInput } from "../../shared/compute/judge.worker.ts";
import { judgeDoor } from "../../shared/compute/judgeDoor.ts";
import { useLatest } from "../../shared/compute/useLatest.ts";
import { Button } from "../pieces/Button.tsx";
import { NotReckoned } from "../pieces/NotReckoned.tsx";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import { ChanceChart } from "./ChanceChart.tsx";

/** Can this test tell the two designs apart? In words, a chart, and what would make it a fair judge. */
export const Measurability = memo(function Measurability({ seen }: { readonly seen: number | null }) {
  const { run, brief } = useBriefWork();
  const { heads } = useCrateWork();
  const { change } = useRunActions();
  const family = familyOfBrief(brief);
  const [measure] = family.measures(brief.spec);
  const instrument = brief.instrument || (measure.instruments[0] ?? "");
  const id = useId();
  const scoredBy = run.scoring === "best" ? "best" : "mean";
  const entrants = Math.max(2, run.entries.accepted || ("likely" in heads ? Math.round(heads.likely) : 12));
  const input: JudgeInput = {
    family: brief.family,
    outcomes: brief.outcomes,
    spec: brief.spec,
    design: brief.design,
    rival: brief.compared ?? family.rival(brief.design),
    trials: brief.trials,
    instrument,
    seen,
    ranked: run.scoring === "best" || run.scoring === "mean" ? { entrants, scoredBy, seed: run.id } : null,
  };
  const { output, slow, trouble, again } = useLatest(judgeDoor, input, "judge");
  const found = output?.found ?? null;
  return (
    <section className="sheet pad stack" aria-label="What the test can tell">
      <h2>Can the test tell these two apart?</h2>
      {trouble === null ? null : <NotReckoned what="What the test can tell" why={trouble} onAgain={again} />}
      {found ? (
        <div className="measurable">
          <div className="stack near">
            <div className="plain-words">
              {measurabilityWords(found, brief.trials, run.units).map((line, i) => (
                <p key={line}>{i === 0 ? <strong>{line}</strong> : line}</p>
              ))}
            </div>
            {found.cures.length > 0 ? (
              <ul className="small plain-list">
                {found.cures.map((cure) => (
                  <li key={`${cure.kind}${cure.what}`}>
                    {cureWords(cure, brief.trials, run.units)}{" "}
                    <Button
                      type="text"
                      size="small"
                      onClick={() =>
                        cure.kind === "trials"
                          ? change({ trials: cure.to }, `${cure.to} trials each`)
                          : cure.kind === "instrument"
                            ? change({ instrument: cure.what }, `measured with ${cure.words}`)
                            : change(
                                { spec: { ...brief.spec, [cure.what]: cure.to } },
                                `${cure.field?.words ?? cure.what} set so that the test can tell`,
                              )
                      }
                    >
                      do that
                    </Button>
                  </li>
                ))}
              </ul>
            ) : found.chance !== null && found.chance < 0.8 ? (
              <p className="small">
                No small change of this brief makes it a fair judge of so small a difference. Choose two designs that differ more, or
                celebrate and do not rank.
              </p>
            ) : null}
            {output?.certainty != null ? (
              <p className="small">
                Of {entrants} entrants ranked by {scoredBy === "best" ? "their best trial" : "their mean"}, the best on paper is the best in
                truth <strong>{timesIn100(output.certainty)}</strong>.
              </p>
            ) : null}
            <p className="small soft">
              One trial scatters by about {showPredicted(found.sigma, measure.dimension, run.units)}, {instrumentShare(found)} % of it from
              the {instrumentById(instrument)?.words ?? "instrument"}
              {seen === null ? " (a tenth of the prediction, until trials are in)." : " (from the trials that are in)."}
            </p>
          </div>
          <ChanceChart found={found} curve={output?.curve ?? []} units={run.units} trials={brief.trials} />
        </div>
      ) : (
        <p>
          {trouble !== null
            ? ""
            : output === null || slow
              ? "Reckoning …"
              : `${measure.words} is not predicted here: log two house trials of each design, and compare them in Findings.`}
        </p>
      )}
      <div className="row">
        <label htmlFor={id}>Measured with</label>
        <Select
          id={id}
          className="box-l"
          value={instrument}
          options={measure.instruments.map((name) => ({ value: name, label: instrumentById(name)?.words ?? name }))}
          onChange={(value: string) => change({ instrument: value }, `measured with ${instrumentById(value)?.words ?? value}`)}
        />
      </div>
    </section>
  );
});

/** The instrument's share of one trial's variance, per cent. */
function instrumentShare({ sigma, sigmaDesign }: Found): number {
  return sigma > 0 ? Math.round(100 * (1 - (sigmaDesign / sigma) ** 2)) : 0;
}
