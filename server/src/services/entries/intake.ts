import { isDeepStrictEqual } from "node:util";
import type { BriefDoc, EntryInput, GroupInput, GroupReceipt, GroupRow, Receipt } from "@lampcrate/contract";
import { inLanguage, type Language, plainCode, spokenNow } from "@lampcrate/core";
import { eq, sql } from "drizzle-orm";
import { type entry, groupSheet, house, run } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { frozenVersion } from "../runs/briefs.ts";
import { openRun, type RunRow } from "../runs/runs.ts";
import { openSpan } from "../runs/sheet.ts";
import { hashOf } from "../secrets.ts";
import { correctedByLink, photoConsent, putCorrection, sentVersions, setPhotoConsent } from "./corrections.ts";
import { closedProblem } from "./entries.ts";
import { entryWriter, type InGroup } from "./entryWriter.ts";
import { knownGroup, linkOfRow } from "./groups.ts";
import { readVersions } from "./readVersions.ts";

type EntryRow = typeof entry.$inferSelect;

const erasedWords = "This entry was erased. What is erased stays so: start a new logbook to send another one.";

function refused(field: string, message: string): Problem {
  return new Problem(409, "Not your entry", message, { errors: [{ field, message }] });
}

/** What an entry got: its receipt, and whether it is new. */
export interface Received {
  readonly receipt: Receipt;
  readonly isNew: boolean;
}

interface Waiting {
  /** In which its family is answered: those that are committed together may speak several. */
  readonly language: Language;
  readonly code: string;
  readonly input: EntryInput;
  readonly give: (received: Received) => void;
  readonly refuse: (error: unknown) => void;
}

/** Turns of the event loop without a newcomer after which those that wait are committed: a fraction of a millisecond. */
const quietRounds = 10;

/** Entries in one commit at most. */
const mostTogether = 64;

const mostOffers = 100;

/** What a published run asks for, and the instants between which entries come in. */
interface Offered {
  readonly brief: BriefDoc;
  readonly from: number;
  readonly until: number;
}

/** A run's door as it stands in one commit: read once for all entries that come in together. */
interface Door {
  readonly row: RunRow;
  readonly brief: BriefDoc;
  /** Set while entries are not open. */
  readonly closed: unknown;
}

/** A builder of a group as an entry of its own: pictures and words are for its own link. */
const entryOfRow = ({ secret, ageBand, consentKeep, consentVersion }: GroupInput, { id, row, versions }: GroupRow): EntryInput => ({
  id,
  secret: linkOfRow(secret, row),
  ageBand,
  consentKeep,
  consentPhoto: false,
  consentVersion,
  said: "",
  tokens: [],
  timer: null,
  answers: [],
  versions,
});

/** Does something with each row, and says of all that can't be taken at once what is wrong with them. */
function eachRow<T>(rows: readonly GroupRow[], take: (row: GroupRow) => T): readonly T[] {
  const errors: { field: string; message: string }[] = [];
  const taken = rows.flatMap((row, i) => {
    try {
      return [take(row)];
    } catch (error) {
      if (!(error instanceof Problem) || error.doc.status !== 422) throw error;
      errors.push(...(error.doc.errors ?? []).map(({ field, message }) => ({ field: `rows[${i}].${field}`, message })));
      return [];
    }
  });
  if (errors.length > 0) throw new Problem(422, "Check what you typed", errors.map(({ message }) => message).join(" "), { errors });
  return taken;
}

/**
 * Takes entries in. Those that arrive together are committed together, and none is acknowledged before the commit is
 * on disk: a club that sends forty logbooks at once waits for one disk write, not forty. What can't be kept of one
 * entry does not touch its neighbours.
 */
export class Intake {
  private waiting: Waiting[] = [];
  private readonly together: (waiting: readonly Waiting[]) => (() => void)[];
  private readonly runWithCode;
  private readonly zone;
  /** Runs as published; a run's revision moves whenever it or its days change. */
  private readonly offers = new Map<string, Offered>();

  constructor(private readonly deps: Deps) {
    const { db } = deps;
    this.runWithCode = db
      .select()
      .from(run)
      .where(eq(run.code, sql.placeholder("code")))
      .prepare();
    this.zone = db.select({ zone: house.zone }).from(house).prepare();
    // Inside the commit each entry is a savepoint: one that can't be written takes nothing with it but itself.
    const keepOne = db.$client.transaction((door: Door, input: EntryInput) => this.keep(door, input));
    this.together = db.$client.transaction((waiting: readonly Waiting[]) => {
      const doors = new Map<string, Door>();
      return waiting.map(({ language, code, input, give, refuse }) => {
        try {
          const received = inLanguage(language, () => {
            // Why a door is closed is said in a language.
            const key = `${language.id} ${code}`;
            const door = doors.get(key) ?? this.doorOf(code);
            doors.set(key, door);
            return keepOne(door, input);
          });
          return () => give(received);
        } catch (error) {
          // A full disk ends the whole transaction: then nobody's entry is kept, and all are told so.
          if (!db.$client.inTransaction) throw error;
          return () => refuse(error);
        }
      });
    });
  }

  /**
   * Keeps an entry, once. The same id and secret with the same words again change nothing and get the same answer;
   * with other words they put these in place of the first, as a correction does.
   */
  receive(code: string, input: EntryInput): Promise<Received> {
    return new Promise((give, refuse) => {
      this.waiting.push({ language: spokenNow(), code, input, give, refuse });
      if (this.waiting.length === 1) this.gather(0, 0);
    });
  }

  /**
   * Keeps a whole group, once: all of its builders or, where one can't be taken, none of them. Throws 422 naming each
   * cell that can't be read.
   */
  receiveGroup(code: string, input: GroupInput): { readonly receipt: GroupReceipt; readonly isNew: boolean } {
    const { db, clock } = this.deps;
    return db.transaction((tx) => {
      const door = this.doorOf(code);
      const isNew = knownGroup(tx, input.id, input.secret) === null;
      if (isNew) {
        if (door.closed !== null) throw door.closed;
        tx.insert(groupSheet)
          .values({ id: input.id, runId: door.row.id, linkHash: hashOf(input.secret), sentAt: clock() })
          .run();
      }
      const aliases = eachRow(input.rows, (row) => {
        const { receipt } = this.keep(door, entryOfRow(input, row), { id: input.id, row: row.row });
        return receipt.alias;
      });
      return { receipt: { aliases }, isNew };
    });
  }

  /** Waits while more keep coming: until a few turns of the event loop in a row have brought none. */
  private gather(before: number, quiet: number): void {
    const now = this.waiting.length;
    const still = now === before ? quiet + 1 : 0;
    if (still >= quietRounds || now >= mostTogether) this.commit();
    else setImmediate(() => this.gather(now, still));
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

  private doorOf(typed: string): Door {
    const row = openRun(this.runWithCode.get({ code: plainCode(typed) }));
    const zone = this.zone.get()?.zone ?? "UTC";
    const { brief, from, until } = this.offered(row, zone);
    const now = this.deps.clock();
    return { row, brief, closed: now >= from && now < until ? null : closedProblem(row, zone, now) };
  }

  private offered(row: RunRow, zone: string): Offered {
    const key = `${row.id} ${row.revision} ${zone}`;
    const known = this.offers.get(key);
    if (known) return known;
    const { brief } = frozenVersion(this.deps.db, row.briefId, row.publishedVersion ?? 0);
    const offered = { brief, ...openSpan(row, zone) };
    if (this.offers.size >= mostOffers) this.offers.clear();
    this.offers.set(key, offered);
    return offered;
  }

  private keep({ row, brief, closed }: Door, input: EntryInput, group: InGroup | null = null): Received {
    const writer = entryWriter(this.deps.db);
    const known = writer.find(input.id);
    if (known) return { receipt: this.keepAgain(known, row, closed, input), isNew: false };
    if (writer.wasErased(input.id)) throw new Problem(410, "Erased", erasedWords, { errors: [{ field: "id", message: erasedWords }] });
    if (closed !== null) throw closed;
    const versions = readVersions(input.versions, brief, input.tokens);
    try {
      const alias = writer.write(row.id, row.publishedVersion ?? 0, input, versions, this.deps.clock(), { group });
      return { receipt: { alias, revision: 1 }, isNew: true };
    } catch (error) {
      // Asked of the table's own rule: a look beforehand would cost every entry what hardly any needs.
      if (error instanceof Error && error.message.includes("entry.link_hash"))
        throw refused("secret", "Another entry has this private link. Start a new logbook.");
      throw error;
    }
  }

  private keepAgain(known: EntryRow, of: RunRow, closed: unknown, input: EntryInput): Receipt {
    const { db, clock } = this.deps;
    if (known.runId !== of.id || known.linkHash !== hashOf(input.secret)) throw refused("id", "Another entry has this id.");
    const { alias } = known;
    const { ageBand, said, tokens, timer, answers } = input;
    const given = { ageBand, said, tokens, timer, answers, versions: input.versions };
    const there = {
      ageBand: known.ageBand,
      said: known.said,
      tokens: known.tokens,
      timer: known.timer,
      answers: known.answers,
      versions: sentVersions(db, known.key),
    };
    const photo = photoConsent(db, known.key);
    if (isDeepStrictEqual(there, given) && photo === input.consentPhoto) return { alias, revision: known.revision };
    if (known.state === "withdrawn") throw refused("id", "You took this entry out. Open your private link to put it back or change it.");
    if (correctedByLink(db, known.id))
      throw refused("id", "This was sent before and corrected since. Open your private link: what stands there counts.");
    if (closed !== null) throw closed;
    if (photo !== input.consentPhoto) setPhotoConsent(db, known.key, { given: input.consentPhoto, version: input.consentVersion }, clock());
    return { alias, revision: putCorrection(db, db, { row: known, of, by: "sent again", at: clock() }, given) };
  }
}
