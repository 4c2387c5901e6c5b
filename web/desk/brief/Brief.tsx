import { families, showQuantity } from "@lampcrate/core";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { useRunWork } from "../run/RunContext.ts";
import { BriefRest } from "./BriefRest.tsx";
import { CautionList } from "./CautionList.tsx";
import { FieldList } from "./FieldList.tsx";
import { Predictions } from "./Predictions.tsx";

/** Pin the challenge down to numbers: rulers, the rig to scale, what to expect of a plain build. */
export function Brief() {
  const { run, draft } = useRunWork();
  const { brief, change } = draft;
  const family = families[brief.family];
  const predictions = family.predict(brief.spec, brief.design);
  const goal = family.goal(brief.spec);
  const expected = predictions.find((prediction) => prediction.id === goal.measure);
  const { hard } = family.bounds(goal.measure, brief.spec, brief.design, 0);
  return (
    <>
      <section className="sheet pad stack" aria-label="Goal">
        <h2>
          {family.goalWords(brief.spec, (si, dimension) =>
            showQuantity(si, dimension, run.units, run.units === "metric" && dimension === "length" && si < 1.5 ? "mm" : null),
          )}
        </h2>
        <RigDrawing scene={family.drawing(brief.spec, brief.design)} units={run.units} tall={270} />
        <FieldList
          fields={family.spec}
          values={brief.spec}
          units={run.units}
          extras={(id) =>
            id === family.goalField(brief.spec) && expected
              ? {
                  band: [expected.band.low, expected.band.high],
                  impossible: [
                    [0, hard[0]],
                    [hard[1], Number.MAX_VALUE],
                  ],
                }
              : {}
          }
          onChange={(id, value, words, settled) => change({ spec: { ...brief.spec, [id]: value } }, words, settled)}
        />
        <Predictions predictions={predictions} goal={goal} units={run.units} />
      </section>
      <section className="sheet pad stack" aria-label="Plain build">
        <h2>The plain build this is reckoned for</h2>
        <p className="soft small">Builders may do otherwise: that is the point. This one only tells you whether the goal is in reach.</p>
        <FieldList
          fields={family.design}
          values={brief.design}
          units={run.units}
          onChange={(id, value, words, settled) => change({ design: { ...brief.design, [id]: value } }, words, settled)}
        />
      </section>
      <CautionList />
      <BriefRest />
    </>
  );
}
