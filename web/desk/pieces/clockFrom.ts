/** "10:45" of so many minutes after a start on the wall clock. */
export function clockFrom(starts: string, minutes: number): string {
  const [hours = 0, past = 0] = starts.split(":").map(Number);
  const at = hours * 60 + past + minutes;
  return `${String(Math.floor(at / 60) % 24).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
}
