import { timeOfDay } from "@lampcrate/core";

/** "10:45" of so many minutes after a start on the wall clock. */
export function clockFrom(starts: string, minutes: number): string {
  const [hours = 0, past = 0] = starts.split(":").map(Number);
  return timeOfDay((hours * 60 + past + minutes) % (24 * 60));
}
