/** A challenge that was opened on this device. */
export interface KnownSheet {
  /** As it stands in its address. */
  readonly code: string;
  readonly title: string;
}

const key = "lampcrate-known";
const most = 12;

/** Challenges that were opened on this device, the last one first. */
export function knownSheets(): readonly KnownSheet[] {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? "[]") as readonly KnownSheet[];
    return Array.isArray(kept) ? kept.filter((one) => typeof one?.code === "string" && typeof one.title === "string") : [];
  } catch {
    return [];
  }
}

export function rememberSheet(sheet: KnownSheet): void {
  try {
    const others = knownSheets().filter(({ code }) => code !== sheet.code);
    localStorage.setItem(key, JSON.stringify([sheet, ...others].slice(0, most)));
  } catch {
    // A device that keeps nothing knows nothing.
  }
}
