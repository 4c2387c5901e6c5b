import {
  type CheckedRatio,
  type Dimension,
  familyOfBrief,
  goalOnRuler,
  type Measure,
  reachOf,
  reachWords,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { useState } from "react";
import { Ruler } from "../../shared/pieces/Ruler.tsx";
import { shareScale } from "../../shared/pieces/scale.ts";
import { Button } from "../pieces/Button.tsx";
import { useBriefWork, useRunActions } from "../work/RunContext.ts";

/** Who should meet the goal, and the goal that a wished share should meet. */
export function ReachPanel({ ratios }: { readonly ratios: readonly CheckedRatio[] }) {
  const { run, brief } = useBriefWork();
  const { change } = useRunActions();
  const [wished, setWished] = useState(0.7);
  const family = familyOfBrief(brief);
  const [measure] = family.measures(brief.spec);
  const goal = family.goal(brief.spec);
  const band = family.predict(brief.spec, brief.design).find((p) => p.id === goal.measure)?.band;
  const field = family.spec.find((f) => f.id === family.goalField(brief.spec));
  if (!field || !band || band.factor <= 1) return null;
  const expected = { band, ratios, better: goal.better };
  const reach = reachOf(expected, goal.value, brief.loops);
  const suited = field.kind === "number" ? goalOnRuler(expected, wished, brief.loops, field) : null;
  return (
    <section className="sheet pad stack jump-to" id="reach" aria-label="Reach">
      <h2>Who will reach it?</h2>
      <p className="plain-words">
        <strong>{reachWords(reach, brief.loops)}</strong> Reckoned for the plain build
        {ratios.length > 0 ? ` and ${ratios.length} checked ${ratios.length === 1 ? "result" : "results"} of its form` : ""}, if everyone
        who misses tries again.
      </p>
      <div className="fields">
        <Ruler
          label="Share that should get there"
          scale={shareScale}
          min={0.05}
          max={0.95}
          step={0.05}
          value={wished}
          onChange={(value) => setWished(value)}
        />
        {suited !== null ? (
          <p>
            A goal of <strong>{showGoal(suited, measure, run.units)}</strong> suits that share.{" "}
            <Button
              onClick={() =>
                change({ spec: { ...brief.spec, [field.id]: suited } }, `${field.words} ${showGoal(suited, measure, run.units)}`)
              }
            >
              Set the goal to it
            </Button>
          </p>
        ) : null}
      </div>
    </section>
  );
}

/** A goal's number as it is measured; counts whole. */
export function showGoal(si: number, measure: Measure, units: UnitChoice): string {
  const dimension: Dimension = measure.dimension;
  return dimension === "count" ? `${Math.round(si)} ${measure.token?.names[0] ?? ""}`.trim() : showQuantity(si, dimension, units);
}
