import type { Clock } from "../clock.ts";
import { Problem } from "./problem.ts";

/** Counts failures by key and refuses more once there are too many within a while. Kept in memory: one process serves a house. */
export class Attempts {
  private readonly failures = new Map<string, number[]>();

  constructor(
    private readonly clock: Clock,
    private readonly most: number,
    private readonly windowMs: number,
  ) {}

  /** Throws a 429 while the key has failed too often. */
  check(key: string): void {
    const recent = this.recent(key);
    if (recent.length < this.most) return;
    const wait = Math.max(1, Math.ceil(((recent[0] ?? 0) + this.windowMs - this.clock()) / 1000));
    throw new Problem(429, "Too many tries", `Wait ${Math.ceil(wait / 60)} min, then try again.`, {}, { "retry-after": String(wait) });
  }

  failed(key: string): void {
    if (this.failures.size > 10_000) this.failures.clear();
    this.failures.set(key, [...this.recent(key), this.clock()]);
  }

  succeeded(key: string): void {
    this.failures.delete(key);
  }

  private recent(key: string): number[] {
    return (this.failures.get(key) ?? []).filter((at) => at > this.clock() - this.windowMs);
  }
}
