import type { Store } from "../db/open.ts";
import { clockWatch } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import { trail } from "../services/house/audit.ts";
import type { Person } from "../services/house/person.ts";

const dayMs = 86_400_000;

/** A clock that jumped is trusted again once it has gone evenly for this long. */
const steadyAgainMs = 7 * dayMs;

/**
 * Watches the machine's clock, which decides what is erased when. Held against a clock that nobody can set, and
 * across restarts against the time last seen, a jump of more than a day stops erasing until a planner says that the
 * clock is right, or it has gone evenly for seven days.
 */
export class ClockWatch {
  private last: { readonly at: number; readonly steady: number } | null = null;

  constructor(private readonly deps: Pick<Deps, "db" | "clock" | "steady">) {}

  /** Looks at the clock; gives why it is not trusted, in words, or null. */
  look(): string | null {
    const { db, clock, steady } = this.deps;
    const [now, then] = [clock(), this.last];
    const passed = then === null ? null : steady() - then.steady;
    this.last = { at: now, steady: steady() };
    const kept = db.select().from(clockWatch).get();
    const expected = then === null || passed === null ? kept?.lastAt : then.at + passed;
    const jump = expected === undefined ? 0 : now - expected;
    const evenMs = (kept?.steadyMs ?? 0) + (passed ?? 0);
    const jumped = Math.abs(jump) > dayMs;
    const wasHeld = kept?.held ?? null;
    const held = jumped ? jumpWords(jump, then === null) : evenMs >= steadyAgainMs ? null : wasHeld;
    const row = { lastAt: now, held, steadyMs: jumped ? 0 : evenMs };
    db.insert(clockWatch)
      .values({ id: 1, ...row })
      .onConflictDoUpdate({ target: clockWatch.id, set: row })
      .run();
    if (jumped) trail(db, now, null, "erasing", held ?? "");
    return held;
  }
}

function jumpWords(jump: number, atStart: boolean): string {
  const days = Math.round(Math.abs(jump) / dayMs);
  const far = `${days} ${days === 1 ? "day" : "days"} ${jump > 0 ? "ahead of" : "behind"}`;
  return `The server's clock is ${far} ${atStart ? "when this house last ran" : "where it should be"}. Nothing is erased and no letter is written until a planner says that it is right, or it has gone evenly for seven days.`;
}

/** Why erasing waits; null while the clock is trusted. */
export function clockHeld(db: Store): string | null {
  return db.select({ held: clockWatch.held }).from(clockWatch).get()?.held ?? null;
}

/** A planner says that the clock is right: erasing goes on. */
export function trustClock(deps: Pick<Deps, "db" | "clock">, by: Pick<Person, "id" | "name"> | null): void {
  deps.db.transaction((tx) => {
    tx.update(clockWatch).set({ held: null }).run();
    trail(tx, deps.clock(), by, "erasing", "said that the server's clock is right");
  });
}
