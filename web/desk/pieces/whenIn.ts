/** Says an instant by the clock of a zone: "25 Nov 2026, 09:30". */
export const whenIn = (zone: string): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short", timeZone: zone });
