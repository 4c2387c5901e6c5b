import type { MoveDoc, MoveInput, MoveReason, StockCountInput } from "@lampcrate/contract";
import { and, asc, eq, gte, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { material, staff, stockMove } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { notFound, Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import type { Person } from "../house/person.ts";

/** Smaller than any real move: what is left of sums of fractions. */
const nothing = 1e-6;

/** What there is of every material that ever moved: the sum of its moves. */
export function onHandOf(db: Store): ReadonlyMap<string, number> {
  const sums = db
    .select({ id: stockMove.materialId, sum: sql<number>`sum(${stockMove.amount})` })
    .from(stockMove)
    .groupBy(stockMove.materialId)
    .all();
  return new Map(sums.map(({ id, sum }) => [id, roundOff(sum)]));
}

const roundOff = (sum: number): number => Math.round(sum * 1e6) / 1e6;

interface Move {
  readonly materialId: string;
  readonly amount: number;
  readonly reason: MoveReason;
  readonly words?: string;
  readonly purchaseId?: string;
  readonly sessionId?: string;
}

/** Books a move; one of nothing is left out. */
export function bookMove(db: Store, by: Person | null, at: number, move: Move): void {
  if (Math.abs(move.amount) < nothing) return;
  db.insert(stockMove)
    .values({ words: "", ...move, staffId: by?.id ?? null, at })
    .run();
}

/** A material's moves, newest first, each with what there was after it. Throws 404. */
export function movesOf(db: Store, materialId: string): readonly MoveDoc[] {
  if (!db.select().from(material).where(eq(material.id, materialId)).get()) throw notFound("material");
  const moves = db
    .select({ move: stockMove, by: staff.name })
    .from(stockMove)
    .leftJoin(staff, eq(staff.id, stockMove.staffId))
    .where(eq(stockMove.materialId, materialId))
    .orderBy(asc(stockMove.at), asc(stockMove.id))
    .all();
  let after = 0;
  return moves
    .map(({ move: { id, amount, reason, words, at }, by }) => {
      after = roundOff(after + amount);
      return { id, amount, reason, words, at, by: by ?? "", after };
    })
    .reverse();
}

/** Books a move that somebody gives; a wrong one is put right by its opposite. Throws 404. */
export function addMove(deps: Deps, by: Person, materialId: string, input: MoveInput): readonly MoveDoc[] {
  return deps.db.transaction((tx) => {
    movesOf(tx, materialId);
    bookMove(tx, by, deps.clock(), { materialId, ...input });
    const name = tx.select({ name: material.name }).from(material).where(eq(material.id, materialId)).get()?.name ?? "";
    trail(tx, deps.clock(), by, "stock", `booked ${input.amount} of ${name}: ${input.reason}`);
    return movesOf(tx, materialId);
  });
}

/** Books what a count day found, all or nothing. Throws 409 naming what moved while it was being counted. */
export function countStock(deps: Deps, by: Person, { counts }: StockCountInput): void {
  deps.db.transaction((tx) => {
    const now = onHandOf(tx);
    const moved = counts.flatMap(({ materialId, listed }, i) => {
      const found = tx.select({ name: material.name }).from(material).where(eq(material.id, materialId)).get();
      if (!found) throw notFound("material", `counts[${i}].materialId`);
      return Math.abs((now.get(materialId) ?? 0) - listed) < nothing ? [] : [{ field: `counts[${i}].counted`, name: found.name }];
    });
    if (moved.length > 0)
      throw new Problem(
        409,
        "Moved while you counted",
        `Somebody booked ${moved.map((m) => m.name).join(", ")} meanwhile. Look at what is listed now, and count again where it matters.`,
        { errors: moved.map(({ field, name }) => ({ field, message: `${name} was booked in or out meanwhile: count it again.` })) },
      );
    // One that was as listed is kept too: from here on it is what was counted.
    for (const { materialId, counted, listed } of counts)
      tx.insert(stockMove)
        .values({ materialId, amount: roundOff(counted - listed), reason: "count day", words: "", staffId: by.id, at: deps.clock() })
        .run();
    trail(tx, deps.clock(), by, "stock", `counted ${counts.length} ${counts.length === 1 ? "material" : "materials"} on a count day`);
  });
}

/**
 * Books a session's use so that its moves add up to what it took of each material; in the material's unit, parents for
 * what is cut. What was counted on a count day after it stays as counted: what it took was missing from the shelf by then.
 */
export function settleSession(
  db: Store,
  by: Person,
  at: number,
  sessionId: string,
  took: ReadonlyMap<string, number>,
  { words, heldAt }: { readonly words: string; readonly heldAt: number },
): void {
  const booked = new Map(
    db
      .select({ id: stockMove.materialId, sum: sql<number>`sum(${stockMove.amount})` })
      .from(stockMove)
      .where(eq(stockMove.sessionId, sessionId))
      .groupBy(stockMove.materialId)
      .all()
      .map(({ id, sum }) => [id, sum]),
  );
  for (const materialId of new Set([...booked.keys(), ...took.keys()])) {
    if (isCountedSince(db, materialId, heldAt)) continue;
    const amount = -(took.get(materialId) ?? 0) - (booked.get(materialId) ?? 0);
    bookMove(db, by, at, { materialId, amount, reason: "session", words, sessionId });
  }
}

function isCountedSince(db: Store, materialId: string, at: number): boolean {
  const counted = and(eq(stockMove.materialId, materialId), eq(stockMove.reason, "count day"), gte(stockMove.at, at));
  return db.select({ id: stockMove.id }).from(stockMove).where(counted).limit(1).get() !== undefined;
}
