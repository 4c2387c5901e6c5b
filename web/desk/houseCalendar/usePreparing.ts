import type { HouseDoc } from "@lampcrate/contract";
import { backPlan, shortDate, showNumber } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { buyingQuery } from "../queries.ts";
import { useSeasonCrates } from "../seasonData/useSeasonCrates.ts";

/** When a session's crate must be begun, were the session on some date; null while it is being sized, or for what is over. */
export function usePreparing(house: HouseDoc): (session: string, date: string) => string | null {
  const doc = useQuery(buyingQuery).data;
  const { crates } = useSeasonCrates(doc);
  const { today } = useHouseDay();
  const { preparing, closures } = house;
  return (session, date) => {
    const crate = crates?.find(({ id }) => id === session);
    if (!crate || date < today) return null;
    const minutesPerDay = preparing.people * preparing.hours * 60;
    const { steps } = backPlan(date, today, [{ id: "prepare", after: [], minutes: crate.personHours * 60, minutesPerDay }], {
      weekdays: preparing.weekdays,
      closures,
    });
    const [step] = steps;
    if (!step) return null;
    const days = `${Math.abs(step.slack)} working ${Math.abs(step.slack) === 1 ? "day" : "days"}`;
    const begin = `Its crate takes ${showNumber(crate.personHours, 1)} h: begin preparing by ${shortDate(step.latestStart, today)}`;
    return `${begin}, ${step.slack < 0 ? `${days} ago. It can't be ready in time.` : step.slack === 0 ? "today." : `in ${days}.`}`;
  };
}
