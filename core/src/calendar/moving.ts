import { Temporal } from "temporal-polyfill";

/** A wall clock some days and minutes later (or earlier), as a clock on the wall shows it. */
export function wallLater(wall: string, { days = 0, minutes = 0 }: { readonly days?: number; readonly minutes?: number }): string {
  return Temporal.PlainDateTime.from(wall).add({ days, minutes }).toString({ smallestUnit: "minute" });
}

/** Minutes from midnight of a wall clock. */
export function minutesOfDay(wall: string): number {
  const { hour, minute } = Temporal.PlainDateTime.from(wall);
  return hour * 60 + minute;
}

/** Minutes from midnight of a time of day such as "10:05"; null for anything else. */
export function minutesOfClock(time: string): number | null {
  const [, hours, minutes] = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(time) ?? [];
  return hours === undefined || minutes === undefined ? null : Number(hours) * 60 + Number(minutes);
}

/** The wall clock so many minutes from midnight, such as "10:05". */
export function timeOfDay(minutes: number): string {
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}

/** "10:45": so many minutes after a start on the wall clock, past midnight too. */
export function clockAfter(starts: string, minutes: number): string {
  const [hours = 0, past = 0] = starts.split(":").map(Number);
  return timeOfDay((hours * 60 + past + minutes) % (24 * 60));
}

/** Whole minutes on the wall from one wall clock to another. */
export function wallBetween(from: string, to: string): number {
  return Temporal.PlainDateTime.from(from).until(Temporal.PlainDateTime.from(to), { largestUnit: "minute" }).minutes;
}

/** Which sessions of a repeat a change is for. */
export const repeatScopes = ["this", "later", "all"] as const;
export type RepeatScope = (typeof repeatScopes)[number];

/** The sessions that a change to one of them is for: itself; itself and the later ones of its repeat; all of its repeat. */
export function inScope<S extends { readonly id: string; readonly repeatId: string | null; readonly startAt: number }>(
  sessions: readonly S[],
  session: S,
  scope: RepeatScope,
): readonly S[] {
  if (scope === "this" || session.repeatId === null) return [session];
  return sessions.filter((one) => one.repeatId === session.repeatId && (scope === "all" || one.startAt >= session.startAt));
}
