import { showNumber } from "../quantity/show.ts";
import type { DropIn } from "./dropIn.ts";
import type { DropInReport, Waits } from "./report.ts";

/** Minutes for people: whole from ten on, else to one decimal. */
export const minutesWords = (minutes: number): string => `${showNumber(minutes, minutes >= 10 || minutes === 0 ? 0 : 1)} min`;

/** A share in 100. */
export const inHundred = (share: number): string =>
  share > 0 && share < 0.005 ? "less than 1 in 100" : `${Math.round(100 * share)} in 100`;

/** What a rehearsed day comes to, in sentences, what matters most first. */
export function dayWords(day: DropIn, { counts, turnedAwayShare, unfinishedShare, waits }: DropInReport): readonly string[] {
  const { buildersArrived, kitsUsed, overrunMin, turnedAwayKits, turnedAwaySeats } = counts;
  if (buildersArrived.mean.value === 0) return ["Nobody is expected: raise the parties, or the profile."];
  const kits = day.unit === "team" ? "kits, one a team," : "kits";
  const why =
    turnedAwayKits.mean.value > turnedAwaySeats.mean.value ? "mostly for want of kits" : "mostly for want of seats, or of patience";
  const sentences = [
    turnedAwayShare.value === 0
      ? `About ${showNumber(buildersArrived.p50.value, 0)} builders come, and nobody is turned away.`
      : `About ${showNumber(buildersArrived.p50.value, 0)} builders come; ${inHundred(turnedAwayShare.value)} are turned away, ${why}.`,
    `${showNumber(kitsUsed.p50.value, 0)} ${kits} are used, 9 days in 10 no more than ${showNumber(kitsUsed.p90.value, 0)}.`,
    ...waitSentence("for a seat", waits.seat),
    ...waitSentence("at the rig", waits.rig),
    ...waitSentence("to be welcomed", waits.host),
  ];
  if (unfinishedShare.value > 0) sentences.push(`${inHundred(unfinishedShare.value)} are not done when all stop.`);
  if (overrunMin.p90.value > 0) sentences.push(`1 day in 10 runs over by ${minutesWords(overrunMin.p90.value)} or more.`);
  return sentences;
}

function waitSentence(where: string, { spread }: Waits): readonly string[] {
  if (spread === null) return [];
  if (spread.p99.value === 0) return [`Nobody waits ${where}.`];
  const longest = minutesWords(spread.p99.value);
  return spread.p90.value === 0
    ? [`9 in 10 don't wait ${where}, 1 in 100 longer than ${longest}.`]
    : [`9 in 10 wait ${minutesWords(spread.p90.value)} or less ${where}, 1 in 100 longer than ${longest}.`];
}
