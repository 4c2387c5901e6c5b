import type { Timer } from "@lampcrate/core";

const key = "lampcrate-timer";

/** How whoever holds this device times by hand, from their practice here; null where nobody practised. */
export function keptTimer(): Timer | null {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? "null") as Timer | null;
    return typeof kept?.spread === "number" && typeof kept.bias === "number" ? { spread: kept.spread, bias: kept.bias } : null;
  } catch {
    return null;
  }
}

/** Remembers it for the next logbook, or forgets it. */
export function keepTimer(timer: Timer | null): void {
  try {
    if (timer) localStorage.setItem(key, JSON.stringify(timer));
    else localStorage.removeItem(key);
  } catch {
    // Where nothing is kept, it counts for this logbook alone.
  }
}
