import type { HouseDoc, StepMark } from "@lampcrate/contract";
import { backPlan, type SeasonCrate, shortDate, showNumber } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { buyingQuery, seasonQuery } from "../queries.ts";
import { useSeasonCrates } from "../seasonData/useSeasonCrates.ts";

/** When a session's crate must be begun, were the session on some date. */
export interface PreparingAt {
  /** In words; null while it is being sized, and for what is over. */
  readonly words: (session: string, date: string) => string | null;
  /** Working days from today until it must be begun; null where nothing waits, as when somebody has said that it is done. */
  readonly slack: (session: string, date: string) => number | null;
}

export function usePreparing(house: HouseDoc): PreparingAt {
  const doc = useQuery(buyingQuery).data;
  const marks = useQuery(seasonQuery).data?.marks;
  const { crates } = useSeasonCrates(doc);
  const { today } = useHouseDay();
  return useMemo(() => preparingAt(house, crates, marks ?? [], today), [house, crates, marks, today]);
}

function preparingAt(
  { preparing, closures }: HouseDoc,
  crates: readonly SeasonCrate[] | null,
  marks: readonly StepMark[],
  today: string,
): PreparingAt {
  const minutesPerDay = preparing.people * preparing.hours * 60;
  const stepOf = (session: string, date: string) => {
    const crate = crates?.find(({ id }) => id === session);
    if (!crate || date < today || crate.personHours <= 0) return null;
    const steps = [{ id: "prepare", after: [], minutes: crate.personHours * 60, minutesPerDay }];
    const [step] = backPlan(date, today, steps, { weekdays: preparing.weekdays, closures }).steps;
    return step ? { step, hours: crate.personHours } : null;
  };
  const isDone = (session: string): boolean => marks.some(({ id, done }) => done && id === `prepare ${session}`);
  return {
    slack: (session, date) => (isDone(session) ? null : (stepOf(session, date)?.step.slack ?? null)),
    words: (session, date) => {
      if (isDone(session)) return "Its crate is prepared.";
      const found = stepOf(session, date);
      if (!found) return null;
      const { slack, latestStart } = found.step;
      const days = `${Math.abs(slack)} working ${Math.abs(slack) === 1 ? "day" : "days"}`;
      const begin = `Its crate takes ${showNumber(found.hours, 1)} h: begin preparing by ${shortDate(latestStart, today)}`;
      return `${begin}, ${slack < 0 ? `${days} ago. It can't be ready in time.` : slack === 0 ? "today." : `in ${days}.`}`;
    },
  };
}
