/** "1 h 20 min", rounded up to a minute. */
export function said(minutes: number): string {
  const whole = Math.ceil(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
}

/**
 * How long a drop-in session still lets people in, and is open, `past` minutes after it began. Last entry comes from the
 * rehearsed day, which may be longer than this session: nobody is let in after it has closed.
 */
export function doorsWords(past: number, minutes: number, lastEntryMin: number | null): string {
  const last = Math.min(lastEntryMin ?? minutes, minutes) - past;
  const closes = `closes in ${said(minutes - past)}`;
  return last > 0 ? `Doors open: last entry in ${said(last)}, ${closes}` : `Nobody in any more: ${closes}`;
}
