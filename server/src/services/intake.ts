import type { EntryInput, Receipt } from "@lampcrate/contract";
import type { Database } from "../db/open.ts";
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

/**
 * Takes entries in. Those that arrive together are committed together, each in a savepoint of its own, and none is
 * acknowledged before the commit is on disk: a club that sends forty logbooks at once waits for one disk write, not forty.
 */
export class Intake {
  private waiting: Waiting[] = [];

  constructor(private readonly deps: Deps) {}

  /** Keeps an entry, once: the same id and secret again change nothing and get the same answer. */
  receive(code: string, input: EntryInput): Promise<Received> {
    return new Promise((give, refuse) => {
      this.waiting.push({ code, input, give, refuse });
      if (this.waiting.length === 1) setImmediate(() => this.commit());
    });
  }

  private commit(): void {
    const together = this.waiting;
    this.waiting = [];
    const answers: (() => void)[] = [];
    try {
      this.deps.db.transaction((tx) => {
        const runs = new Map<string, RunRow>();
        for (const { code, input, give, refuse } of together) {
          try {
            const received = tx.transaction(() => {
              const row = runs.get(code) ?? publicRun(this.deps.db, code);
              runs.set(code, row);
              return receiveEntry(this.deps, row, input);
            });
            answers.push(() => give(received));
          } catch (error) {
            answers.push(() => refuse(error));
          }
        }
      });
    } catch (error) {
      // The commit itself failed: nobody's entry is on disk.
      for (const { refuse } of together) refuse(error);
      return;
    }
    for (const answer of answers) answer();
  }
}

/** Keeps what a family sent to a run; inside the caller's transaction. */
export function receiveEntry(deps: Pick<Deps, "clock"> & { readonly db: Database }, row: RunRow, input: EntryInput): Received {
  const writer = entryWriter(deps.db);
  const known = writer.find(input.id);
  if (known) {
    if (known.runId !== row.id || known.linkHash !== hashOf(input.secret)) {
      const message = "Another entry has this id.";
      throw new Problem(409, "Not your entry", message, { errors: [{ field: "id", message }] });
    }
    return { receipt: { alias: known.alias, revision: known.revision }, isNew: false };
  }
  refuseClosed(deps.db, row, deps.clock());
  const number = row.publishedVersion ?? 0;
  const { brief } = frozenVersion(deps.db, row.briefId, number);
  return { receipt: { alias: writer.write(row.id, number, input, brief, deps.clock()), revision: 1 }, isNew: true };
}
