import type { Clock } from "../../clock.ts";
import { Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";

/** How long an entry that was opened is its sifter's, ms. */
export const holdMs = 5 * 60_000;

interface Hold {
  readonly person: Pick<Person, "id" | "name">;
  readonly until: number;
}

/** Who has an entry open, so that two sifters don't work on one. Nothing of it is kept: it is gone with the server, as with the five minutes. */
export class Holds {
  private readonly held = new Map<string, Hold>();

  constructor(private readonly steady: Clock) {}

  /** Takes an entry for a person, and gives up what they had open of the same run; the name of whoever has it, where somebody else does. */
  take(runId: string, entryId: string, person: Pick<Person, "id" | "name">): string | null {
    const now = this.steady();
    for (const [key, { person: by, until }] of this.held)
      if (until <= now || (by.id === person.id && key.startsWith(`${runId} `))) this.held.delete(key);
    const other = this.held.get(`${runId} ${entryId}`);
    if (other) return other.person.name;
    this.held.set(`${runId} ${entryId}`, { person: { id: person.id, name: person.name }, until: now + holdMs });
    return null;
  }

  /** Whether nobody else has the entry open. */
  isFree(runId: string, entryId: string, { id }: Pick<Person, "id">): boolean {
    const hold = this.held.get(`${runId} ${entryId}`);
    return !hold || hold.person.id === id || hold.until <= this.steady();
  }

  /** Throws 409 where somebody else has the entry open. */
  refuseOthers(runId: string, entryId: string, person: Pick<Person, "id">): void {
    const hold = this.held.get(`${runId} ${entryId}`);
    if (!hold || this.isFree(runId, entryId, person)) return;
    throw new Problem(
      409,
      "Somebody else has it",
      `${hold.person.name} is looking at this entry. It is theirs for five minutes from when they opened it.`,
    );
  }
}
