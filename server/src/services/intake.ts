import type { BriefDoc, EntryInput, Receipt } from "@lampcrate/contract";
import type { Deps } from "../deps.ts";
import { Problem } from "../http/problem.ts";
import { hashOf } from "../http/security.ts";
import { frozenVersion } from "./briefs.ts";
import { refuseClosed } from "./entries.ts";
import { entryWriter } from "./entryWriter.ts";
import { publicRun, type RunRow } from "./runs.ts";

/** What an entry got: its receipt, and whether it is new. */
export interface Received {
  readonly receipt: Receipt;
  readonly isNew: boolean;
}

interface Waiting {
  readonly code: string;
  readonly input: EntryInput;
  readonly give: (received: Received) => void;
  readonly refuse: (error: unknown) => void;
}

/** A run's door as it stands in one commit: read once for all entries that come in together. */
interface Door {
  readonly row: RunRow;
  readonly brief: BriefDoc;
  /** Set while entries are not open. */
  readonly closed: unknown;
}

/**
 * Takes entries in. Those that arrive together are committed together, each in a savepoint of its own, and none is
 * acknowledged before the commit is on disk: a club that sends forty logbooks at once waits for one disk write, not forty.
 */
export class Intake {
  private waiting: Waiting[] = [];
  private readonly together: (waiting: readonly Waiting[]) => (() => void)[];

  constructor(private readonly deps: Deps) {
    const client = deps.db.$client;
    const alone = client.transaction((door: Door, input: EntryInput) => this.keep(door, input));
    this.together = client.transaction((waiting: readonly Waiting[]) => {
      const doors = new Map<string, Door>();
      return waiting.map(({ code, input, give, refuse }) => {
        try {
          const door = doors.get(code) ?? this.doorOf(code);
          doors.set(code, door);
          const received = alone(door, input);
          return () => give(received);
        } catch (error) {
          return () => refuse(error);
        }
      });
    });
  }

  /** Keeps an entry, once: the same id and secret again change nothing and get the same answer. */
  receive(code: string, input: EntryInput): Promise<Received> {
    return new Promise((give, refuse) => {
      this.waiting.push({ code, input, give, refuse });
      if (this.waiting.length === 1) setImmediate(() => this.commit());
    });
  }

  private commit(): void {
    const waiting = this.waiting;
    this.waiting = [];
    try {
      for (const answer of this.together(waiting)) answer();
    } catch (error) {
      // The commit itself failed: nobody's entry is on disk.
      for (const { refuse } of waiting) refuse(error);
    }
  }

  private doorOf(code: string): Door {
    const row = publicRun(this.deps.db, code);
    const { brief } = frozenVersion(this.deps.db, row.briefId, row.publishedVersion ?? 0);
    try {
      refuseClosed(this.deps.db, row, this.deps.clock());
      return { row, brief, closed: null };
    } catch (closed) {
      return { row, brief, closed };
    }
  }

  private keep({ row, brief, closed }: Door, input: EntryInput): Received {
    const writer = entryWriter(this.deps.db);
    const known = writer.find(input.id);
    if (known) {
      if (known.runId !== row.id || known.linkHash !== hashOf(input.secret)) {
        const message = "Another entry has this id.";
        throw new Problem(409, "Not your entry", message, { errors: [{ field: "id", message }] });
      }
      return { receipt: { alias: known.alias, revision: known.revision }, isNew: false };
    }
    if (closed !== null) throw closed;
    const alias = writer.write(row.id, row.publishedVersion ?? 0, input, brief, this.deps.clock());
    return { receipt: { alias, revision: 1 }, isNew: true };
  }
}
