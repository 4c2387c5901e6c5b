import { saying } from "@lampcrate/core";
import type { Clock } from "../clock.ts";
import { Problem } from "./problem.ts";

/** Keys remembered at most; the one untouched for longest goes first. */
const mostKeys = 50_000;

/**
 * Counts tries by key and refuses more once there are too many within a while. A try counts before it is made, so
 * that a thousand at once are no more than a thousand in a row. `steady` is a clock that nobody can set. Kept in
 * memory: one process serves a house.
 */
export class Attempts {
  private readonly tries = new Map<string, readonly number[]>();

  constructor(
    private readonly steady: Clock,
    private readonly most: number,
    private readonly windowMs: number,
  ) {}

  /** Counts a try. Throws a 429 with the wait when there were too many. */
  take(key: string): void {
    this.check(key);
    this.count(key);
  }

  /** Throws a 429 while there were too many, without counting one. */
  check(key: string): void {
    const now = this.steady();
    const recent = this.recent(key, now);
    if (recent.length >= this.most) throw tooMany((recent[0] ?? now) + this.windowMs - now);
  }

  /** Counts a try that turned out to be a wrong one. */
  count(key: string): void {
    const now = this.steady();
    this.keep(key, [...this.recent(key, now), now]);
  }

  /** Forgets the tries of a key: the last one was right. */
  forgive(key: string): void {
    this.tries.delete(key);
  }

  private recent(key: string, now: number): readonly number[] {
    return (this.tries.get(key) ?? []).filter((at) => at > now - this.windowMs);
  }

  private keep(key: string, tries: readonly number[]): void {
    this.tries.delete(key);
    this.tries.set(key, tries);
    const [oldest] = this.tries.keys();
    if (this.tries.size > mostKeys && oldest !== undefined) this.tries.delete(oldest);
  }
}

function tooMany(waitMs: number): Problem {
  const wait = Math.max(1, Math.ceil(waitMs / 1000));
  const words = wait < 90 ? `${wait} s` : `${Math.ceil(wait / 60)} min`;
  return new Problem(429, "Too many tries", saying`Wait ${words}, then try again.`, {}, { "retry-after": String(wait) });
}
