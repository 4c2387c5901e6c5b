/** Wall clock "14:00" of an instant in a zone. */
export function clockOf(instant: number, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone: zone }).format(instant);
}
