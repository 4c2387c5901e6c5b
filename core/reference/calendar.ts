import { type BackStep, backPlan, type ForwardInput, forwardPlan, type WorkingDays } from "../src/index.ts";

interface BackPlanCase extends Pick<Partial<WorkingDays>, "closures"> {
  readonly session: string;
  readonly today: string;
  readonly workingDays: readonly string[];
  readonly steps: readonly BackStep[];
  readonly forward?: ForwardInput;
}

const letters = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"];

/** Quantities of the calendar's file that are built. */
export const calendar: Readonly<Record<string, (input: BackPlanCase) => unknown>> = {
  "back-plan": ({ session, today, workingDays, closures = [], steps, forward }) => {
    const days = { weekdays: workingDays.map((letter) => letters.indexOf(letter) + 1), closures };
    const plan = backPlan(session, today, steps, days);
    return {
      steps: Object.fromEntries(plan.steps.map(({ id, ...dates }) => [id, dates])),
      thisWeek: plan.thisWeek,
      ...(forward ? { forward: forwardPlan(forward, days) } : {}),
    };
  },
};
