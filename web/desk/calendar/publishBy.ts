/** Until when a sheet is to be published, in a sentence; said as overdue once that day is past. `day` says a date. */
export function publishBy(publish: string, today: string, day: (date: string) => string): string {
  return publish < today ? `Publish the sheet now: it was due ${day(publish)}.` : `Publish the sheet by ${day(publish)}.`;
}
