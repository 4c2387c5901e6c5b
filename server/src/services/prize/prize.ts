import { randomInt } from "node:crypto";
import type { ClaimDoc, DrawnAmong, PrizeDoc, PrizeInput, PrizeWin } from "@lampcrate/contract";
import { dateOf, dateWords, prizeDraw } from "@lampcrate/core";
import { and, asc, eq, isNotNull, type SQL } from "drizzle-orm";
import { customAlphabet } from "nanoid";
import type { Store } from "../../db/open.ts";
import { entry, letter, prizeDrawn, prizeWin, staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, Problem } from "../../http/problem.ts";
import { stands } from "../entries/stands.ts";
import { trail } from "../house/audit.ts";
import { houseZone } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { type RunRow, runRow } from "../runs/runs.ts";
import { entryDoor, sheetDoc } from "../runs/sheet.ts";
import { hashOf } from "../secrets.ts";

/** Ids of accepted entries that qualify, by among whom is drawn. */
export type Qualifiers = Readonly<Record<DrawnAmong, readonly string[]>>;

/** Letters and digits that nobody takes for one another. */
const claimCode = customAlphabet("23456789ABCDEFGHJKMNPQRSTUVWXYZ", 8);

/** How a run's prize stands. */
export function prizeDoc(deps: Pick<Deps, "db" | "clock">, runId: string, qualifiers: Qualifiers): PrizeDoc {
  const { db, clock } = deps;
  const row = runRow(db, runId);
  const drawn = db
    .select({ drawn: prizeDrawn, by: staff.name })
    .from(prizeDrawn)
    .leftJoin(staff, eq(staff.id, prizeDrawn.staffId))
    .where(eq(prizeDrawn.runId, runId))
    .get();
  return {
    prize: row.publishedVersion === null ? "" : sheetDoc(db, row, clock()).brief.prize,
    closed: isClosed(db, row, clock()),
    qualify: { goal: qualifiers.goal.length, all: qualifiers.all.length },
    drawn: drawn
      ? {
          at: drawn.drawn.at,
          by: drawn.by ?? "",
          among: drawn.drawn.among,
          qualifiers: drawn.drawn.list.length,
          seed: drawn.drawn.seed,
          wins: winsOf(db, runId),
        }
      : null,
  };
}

const isClosed = (db: Store, row: RunRow, now: number): boolean => entryDoor(row, houseZone(db), now) === "closed";

/** Who has won; a winner who takes their entry out has won nothing, until they put it back. */
function winsOf(db: Store, runId: string): readonly PrizeWin[] {
  return db
    .select({ alias: entry.alias, claimedAt: prizeWin.claimedAt })
    .from(prizeWin)
    .innerJoin(entry, eq(entry.key, prizeWin.entryKey))
    .where(and(eq(prizeWin.runId, runId), stands))
    .orderBy(asc(prizeWin.place))
    .all();
}

/** Draws a run's winners, once. Throws 409 where it was drawn or entries are still open, 422 where fewer qualify. */
export function drawPrize(deps: Deps, person: Person, runId: string, { winners, among }: PrizeInput, qualifiers: Qualifiers): void {
  const { db, clock } = deps;
  db.transaction((tx) => {
    const row = runRow(tx, runId);
    if (!isClosed(tx, row, clock())) throw new Problem(409, "Still open", "Entries are still coming in. Draw once they have closed.");
    if (tx.select().from(prizeDrawn).where(eq(prizeDrawn.runId, runId)).get())
      throw new Problem(409, "Drawn already", "The prize has been drawn. Take that draw back before you draw anew.");
    // Whoever has taken theirs out since, or can't be told any more, is not drawn.
    const still = tx
      .select({ id: entry.id, key: entry.key })
      .from(entry)
      .where(and(eq(entry.runId, runId), eq(entry.state, "accepted"), isNotNull(entry.linkHash)))
      .all();
    const wanted = new Set(qualifiers[among]);
    const keys = new Map(still.filter(({ id }) => wanted.has(id)).map(({ id, key }) => [id, key]));
    if (keys.size < winners) throw badField("winners", keys.size === 1 ? "Only 1 entry qualifies." : `Only ${keys.size} entries qualify.`);
    const seed = randomInt(2 ** 32);
    const order = prizeDraw([...keys.keys()], seed);
    const list = [...keys.keys()].sort().map(hashOf);
    tx.insert(prizeDrawn).values({ runId, at: clock(), staffId: person.id, among, seed, list }).run();
    for (const [place, id] of order.slice(0, winners).entries())
      tx.insert(prizeWin)
        .values({ entryKey: keys.get(id) ?? 0, runId, place, code: claimCode() })
        .run();
    trail(tx, clock(), person, "publishing", `drew ${winners} of ${order.length} for the prize of ${row.title}, seed ${seed}`);
  });
}

/** Takes a draw back while nothing of it was handed out. Throws 404, 409. */
export function takeDrawBack(deps: Deps, person: Person, runId: string): void {
  const { db, clock } = deps;
  db.transaction((tx) => {
    const row = runRow(tx, runId);
    if (!tx.select().from(prizeDrawn).where(eq(prizeDrawn.runId, runId)).get()) throw notFound("draw");
    const handed = and(eq(prizeWin.runId, runId), isNotNull(prizeWin.claimedAt));
    if (tx.select({ key: prizeWin.entryKey }).from(prizeWin).where(handed).get())
      throw new Problem(409, "Handed out already", "A prize of this draw has been handed out: it can't be drawn anew.");
    tx.delete(prizeWin).where(eq(prizeWin.runId, runId)).run();
    tx.delete(prizeDrawn).where(eq(prizeDrawn.runId, runId)).run();
    // Whom it was written to has not won: nothing has left the house.
    tx.delete(letter)
      .where(and(eq(letter.runId, runId), eq(letter.kind, "won")))
      .run();
    trail(tx, clock(), person, "publishing", `took the draw for the prize of ${row.title} back`);
  });
}

/** Hands a prize out to whoever shows its code. Throws 422 where no winner of the run has it, or it was handed out before. */
export function handOut(deps: Deps, person: Person, runId: string, typed: string): void {
  const { db, clock } = deps;
  db.transaction((tx) => {
    const code = typed.toUpperCase().replace(/[^A-Z0-9]/g, "");
    const won = tx
      .select({ entryKey: prizeWin.entryKey, claimedAt: prizeWin.claimedAt })
      .from(prizeWin)
      .innerJoin(entry, eq(entry.key, prizeWin.entryKey))
      .where(and(eq(prizeWin.runId, runId), eq(prizeWin.code, code), stands))
      .get();
    if (!won) throw badField("code", "No winner of this run has that code. Compare it letter by letter.");
    if (won.claimedAt !== null) throw badField("code", `This prize was handed out on ${dateWords(dateOf(won.claimedAt, houseZone(tx)))}.`);
    tx.update(prizeWin).set({ claimedAt: clock(), claimedBy: person.id }).where(eq(prizeWin.entryKey, won.entryKey)).run();
  });
}

/** What some entries have won, by their families. */
export function claimsOf(db: Store, whose: SQL): readonly ClaimDoc[] {
  return db
    .select({ code: prizeWin.code, alias: entry.alias, claimedAt: prizeWin.claimedAt })
    .from(prizeWin)
    .innerJoin(entry, eq(entry.key, prizeWin.entryKey))
    .where(and(whose, stands))
    .orderBy(asc(entry.groupRow))
    .all()
    .map(({ code, ...one }) => ({ ...one, code: `${code.slice(0, 4)}-${code.slice(4)}` }));
}
