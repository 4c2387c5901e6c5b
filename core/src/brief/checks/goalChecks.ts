import { families } from "../../family/families.ts";
import type { Values } from "../../family/shape.ts";
import { goalOnRuler, reachOf } from "../../finding/reach.ts";
import { toldMeasure } from "../told.ts";
import type { Beside, Check, CheckedBrief, Mend } from "./check.ts";

/** A goal that nobody reaches, or everybody. */
export function goalChecks(brief: CheckedBrief, { units, ratios }: Beside): readonly Check[] {
  const family = families[brief.family];
  const goal = family.goal(brief.spec);
  const [measure] = family.measures(brief.spec);
  const band = family.predict(brief.spec, brief.design).find((p) => p.id === goal.measure)?.band;
  const field = family.spec.find((one) => one.id === family.goalField(brief.spec));
  if (!band || band.factor <= 1 || field?.kind !== "number") return [];
  const expected = { band, ratios, better: goal.better };
  const { first, within } = reachOf(expected, goal.value, brief.loops);
  const nobody = within < 0.02;
  if (!nobody && first < 0.98) return [];
  const suited = goalOnRuler(expected, 0.7, brief.loops, field);
  const mends = suited === null ? [] : [mendGoal(brief.spec, field.id, suited, toldMeasure(suited, measure, units))];
  return [
    {
      id: "reach",
      at: "reach",
      stops: false,
      words: nobody
        ? `Hardly anybody is expected to reach ${toldMeasure(goal.value, measure, units)} with a build like the plain one.`
        : `Nearly everybody is expected to reach ${toldMeasure(goal.value, measure, units)} at the first try.`,
      mends,
    },
  ];
}

const mendGoal = (spec: Values, id: string, value: number, shown: string): Mend => ({
  words: `Set the goal to ${shown}`,
  patch: { spec: { ...spec, [id]: value } },
});
