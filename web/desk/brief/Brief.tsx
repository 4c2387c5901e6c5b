import { applies, familyOfBrief, learnedBand, showQuantity, tell } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { ChecksHere } from "../checks/ChecksHere.tsx";
import { CrateDock } from "../crate/dock/CrateDock.tsx";
import { FieldList } from "../pieces/FieldList.tsx";
import { Fold } from "../pieces/Fold.tsx";
import { Term } from "../pieces/Term.tsx";
import { useGripping } from "../pieces/useGripping.ts";
import { learnedQuery } from "../queries.ts";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";
import { StepDesk } from "../work/StepDesk.tsx";
import { useChecks } from "../work/useChecks.ts";
import { AddedList } from "./AddedList.tsx";
import { BriefRest } from "./BriefRest.tsx";
import { CautionList } from "./CautionList.tsx";
import { Jumps } from "./Jumps.tsx";
import { OtherLanguage, otherLanguages } from "./OtherLanguage.tsx";
import { TrialShows } from "./outcomes/TrialShows.tsx";
import { Predictions } from "./Predictions.tsx";
import { ReachPanel } from "./ReachPanel.tsx";
import { TierList } from "./TierList.tsx";

/** Pin the challenge down to numbers: rulers, the rig to scale, what to expect of a plain build. */
export function Brief() {
  const { run, brief } = useBriefWork();
  const { change } = useRunActions();
  const family = familyOfBrief(brief);
  const predictions = family.predict(brief.spec, brief.design);
  const goal = family.goal(brief.spec);
  const expected = predictions.find((prediction) => prediction.id === goal.measure);
  const learned = useQuery(learnedQuery(run.id)).data;
  const ratios = learned?.checked ?? [];
  const cannot = family.cannot(brief.spec, brief.design);
  const needs = family.needs(brief.spec);
  const setSpec = (id: string, value: number | string, words: string, settled: boolean): void =>
    change({ spec: { ...brief.spec, [id]: value } }, words, settled);
  const setDesign = (id: string, value: number | string, words: string, settled: boolean): void =>
    change({ design: { ...brief.design, [id]: value } }, words, settled);
  const gripping = useGripping(
    {
      spec: { fields: family.spec, values: brief.spec, onChange: setSpec },
      design: { fields: family.design, values: brief.design, onChange: setDesign },
    },
    run.units,
    nothing,
  );
  const checks = useChecks();
  const { hard } = family.bounds(goal.measure, brief.spec, brief.design, 0);
  return (
    <StepDesk beside="Crate" panel={<CrateDock />}>
      <Jumps />
      <ChecksHere checks={checks} />
      <section className="sheet pad stack jump-to" aria-label="Goal" id="goal">
        <h2>
          {family.goalWords(brief.spec, (si, dimension) =>
            showQuantity(si, dimension, run.units, run.units === "metric" && dimension === "length" && si < 1.5 ? "mm" : null),
          )}
        </h2>
        <RigDrawing scene={family.drawing(brief.spec, brief.design)} units={run.units} tall={270} gripping={gripping} />
        <FieldList
          fields={family.spec}
          values={brief.spec}
          units={run.units}
          extras={(id) =>
            id === family.goalField(brief.spec) && expected
              ? {
                  band: bandOf(learnedBand(expected.band, ratios)),
                  marks: learned?.marks ?? [],
                  impossible: [
                    [0, hard[0]],
                    [hard[1], Number.MAX_VALUE],
                  ],
                }
              : {}
          }
          onChange={setSpec}
        />
        {cannot ? (
          <p className="cannot">
            <strong>The plain build will not do.</strong> {tell(cannot, run.units)}
          </p>
        ) : null}
        <Predictions predictions={predictions} goal={goal} units={run.units} ratios={ratios} />
        <p className="small">
          <strong>What it asks of the room:</strong> {tell(needs, run.units)}
          {needs.floor === "any" ? "" : `; a ${needs.floor} floor`}. {adultWords(needs.rigsPerAdult)} About {needs.minutesPerTrial} min a
          trial at the rig. The calendar checks this.
        </p>
      </section>
      <ReachPanel ratios={ratios} />
      <TrialShows />
      <TierList ratios={ratios} />
      <Fold
        name="Plain build"
        at="plain-build"
        title={
          <>
            The <Term of="plainBuild">plain build</Term> this is reckoned for
          </>
        }
        holds={`${family.design.filter((field) => applies(field.when, { ...brief.spec, ...brief.design })).length} numbers, also in Tryout`}
      >
        <p className="soft small">Builders may do otherwise: that is the point. This one only tells you whether the goal is in reach.</p>
        <FieldList fields={family.design} values={brief.design} within={brief.spec} units={run.units} onChange={setDesign} />
      </Fold>
      <CautionList />
      <AddedList part="rules" />
      <AddedList part="hints" />
      <BriefRest />
      {otherLanguages.map((id) => (
        <OtherLanguage key={id} id={id} />
      ))}
      <p className="small">
        <a href={`/api/runs/${run.id}/pack.json`} download="challenge-pack.json">
          Export as a challenge pack
        </a>{" "}
        <span className="soft">for another house: everything on this page and the crate's lines, as JSON.</span>
      </p>
    </StepDesk>
  );
}

const nothing = {};

const bandOf = ({ low, high }: { readonly low: number; readonly high: number }): readonly [number, number] => [low, high];

const adultWords = (rigs: number): string => (rigs === 1 ? "An adult stands at every rig." : `One adult for ${rigs} rigs.`);
