import type { CrateLine } from "../crate/crate.ts";
import type { CutPlan } from "../cutting/cut.ts";
import { returns } from "../draws/demand.ts";
import { rankedDraws } from "../draws/rankedDraws.ts";
import { ceiling, quantileOf } from "../draws/rounding.ts";
import type { DrawnCrate, SeasonCrate } from "./crates.ts";
import { type CutTogether, openedTogether } from "./sheetsTogether.ts";

/** What is packed again, when a season is bought for as one. */
export interface Pooled {
  /** Chance that every crate of the season can still be packed in full. */
  readonly level: number;
  /** By crate and material, in the material's unit: so much of what a crate takes, earlier ones have left over. */
  readonly packedAgain: Readonly<Record<string, Readonly<Record<string, number>>>>;
  /** Sheets of which several sizes are cut in one go, and what each size would have taken by itself. */
  readonly cutTogether: readonly { readonly material: string; readonly sheets: number; readonly apart: number }[];
}

/** How sure a season is as a whole. */
export interface SeasonCertainty {
  /** Chance that no crate of it runs out, each packed as its manifest says. */
  readonly sure: number;
  readonly pooled: readonly Pooled[];
}

/** Levels that a season can be bought at as one. */
export const pooledLevels = [0.8, 0.9, 0.95, 0.99] as const;

/** Lines of a crate that are packed from one shelf: a material as it comes, or pieces of it cut to one size. */
interface Shelf {
  readonly material: string;
  /** How it is cut; null for what isn't. */
  readonly cut: CutPlan | null;
  /** Pieces from one parent; 1 for what isn't cut. */
  readonly perParent: number;
  /** What each draw uses, and what is packed for it. */
  readonly use: Float64Array;
  readonly quantity: number;
  /** The same in the material's unit, each line by itself in whole parents. */
  readonly packed: number;
}

/** A crate's shelf with what must have been there for it, draw by draw. */
interface Asked {
  readonly crate: SeasonCrate;
  readonly key: string;
  readonly shelf: Shelf;
  readonly required: ReturnType<typeof rankedDraws>;
}

/**
 * A season's certainty, and what it needs when what earlier crates leave over is packed again. For a crate to be packed
 * in full there must have been: its own quantity, what earlier crates that are back by then used, and all that was packed
 * into those that are not. One rank is common to all crates and materials, as in a crate it is to all lines. With
 * `cutTogether`, the sizes wanted of one sheet are cut from it together where that takes fewer.
 */
export function seasonCertainty(drawn: readonly DrawnCrate[], cutTogether: CutTogether | null = null): SeasonCertainty {
  const asked = askedOf(drawn);
  const n = drawn[0]?.uses[0]?.length ?? 0;
  const greatest = new Float64Array(n).fill(1);
  for (const { required } of asked) for (let i = 0; i < n; i += 1) greatest[i] = Math.max(greatest[i] ?? 0, required.ranks[i] ?? 0);
  const order = rankedDraws(greatest).sorted;
  const at = (level: number): Pooled => pooledAt(asked, n === 0 ? 1 : quantileOf(order, level), level, cutTogether);
  return { sure: sureOf(drawn), pooled: pooledLevels.map(at) };
}

/** The crates of a season that is bought for as one: each asks for what it takes less what is packed again. */
export function boughtAsOne(crates: readonly SeasonCrate[], { packedAgain }: Pooled): readonly SeasonCrate[] {
  return crates.map((crate) => {
    const again = packedAgain[crate.id] ?? {};
    const needs = crate.needs.map((need) => ({ ...need, amount: Math.max(0, need.amount - (again[need.material] ?? 0)) }));
    return { ...crate, needs };
  });
}

function askedOf(drawn: readonly DrawnCrate[]): readonly Asked[] {
  const before = new Map<string, { readonly crate: SeasonCrate; readonly shelf: Shelf }[]>();
  return drawn.flatMap((one) =>
    [...shelvesOf(one)].map(([key, shelf]) => {
      const earlier = before.get(key) ?? [];
      before.set(key, [...earlier, { crate: one.crate, shelf }]);
      const required = new Float64Array(shelf.use.length).fill(shelf.quantity);
      for (const other of earlier) {
        const isBack = other.crate.date < one.crate.prepareFrom;
        for (let i = 0; i < required.length; i += 1)
          required[i] = (required[i] ?? 0) + (isBack ? Math.min(other.shelf.use[i] ?? 0, other.shelf.quantity) : other.shelf.quantity);
      }
      return { crate: one.crate, key, shelf, required: rankedDraws(required) };
    }),
  );
}

/** A crate's shelves by what lies on them; what comes back is no question of how much is used. */
function shelvesOf({ crate, run, uses }: DrawnCrate): ReadonlyMap<string, Shelf> {
  const shelves = new Map<string, Shelf>();
  for (const [l, line] of run.crate.lines.entries()) {
    const material = run.materialOf[line.id];
    const found = crate.manifest.lines.find(({ id }) => id === line.id);
    if (material === undefined || !found || returns(line) || found.quantity === 0) continue;
    const key = keyOf(material, line);
    const had = shelves.get(key);
    const use = Float64Array.from(uses[l] ?? []);
    if (had) for (let i = 0; i < use.length; i += 1) use[i] = (use[i] ?? 0) + (had.use[i] ?? 0);
    const cut = line.cut && found.piecesPerParent ? line.cut : null;
    shelves.set(key, {
      material,
      cut,
      perParent: cut ? (found.piecesPerParent ?? 1) : 1,
      use,
      quantity: found.quantity + (had?.quantity ?? 0),
      packed: (found.parents ?? found.quantity) + (had?.packed ?? 0),
    });
  }
  return shelves;
}

/** A piece left over serves only where pieces of its size are wanted. */
function keyOf(material: string, { cut }: CrateLine): string {
  return cut ? [material, cut.parentW, cut.parentH, cut.pieceW, cut.pieceH, cut.perRectangle ?? 1].join(" ") : material;
}

/** A shelf as it stands for one crate: pieces that must have been there by then, and how many of its parents are new for it. */
interface Stood extends Asked {
  readonly pieces: number;
  readonly opened: number;
}

function pooledAt(asked: readonly Asked[], rank: number, level: number, cutTogether: CutTogether | null): Pooled {
  const until = new Map<string, { readonly pieces: number; readonly parents: number }>();
  const stood = asked.map((one): Stood => {
    const had = until.get(one.key) ?? { pieces: 0, parents: 0 };
    const pieces = Math.max(had.pieces, one.required.sorted[rank - 1] ?? 0);
    const parents = Math.max(had.parents, ceiling(pieces / one.shelf.perParent));
    until.set(one.key, { pieces, parents });
    return { ...one, pieces, opened: parents - had.parents };
  });
  const packedAgain: Record<string, Record<string, number>> = {};
  const add = (crate: string, material: string, amount: number): void => {
    const own = packedAgain[crate] ?? {};
    own[material] = (own[material] ?? 0) + amount;
    packedAgain[crate] = own;
  };
  for (const { crate, shelf, opened } of stood) add(crate.id, shelf.material, shelf.packed - opened);
  const together = cutTogether ? sheetsTogether(stood, cutTogether) : [];
  for (const { material, crates } of together) for (const [crate, fewer] of crates) add(crate, material, fewer);
  return { level, packedAgain, cutTogether: together.map(({ material, sheets, apart }) => ({ material, sheets, apart })) };
}

/** Materials of which several sizes are cut, where cutting them together takes fewer sheets; by crate, how many fewer it opens. */
function sheetsTogether(stood: readonly Stood[], cutTogether: CutTogether) {
  const cut = stood.filter(({ shelf }) => shelf.cut !== null);
  return [...new Set(cut.map(({ shelf }) => shelf.material))].flatMap((material) => {
    const own = cut.filter(({ shelf }) => shelf.material === material);
    const crates = [...new Set(own.map(({ crate }) => crate.id))];
    const demands = [...new Set(own.map(({ key }) => key))].flatMap((key) => {
      const plan = own.find((one) => one.key === key)?.shelf.cut;
      let pieces = 0;
      const by = crates.map((id) => {
        pieces = own.find((one) => one.key === key && one.crate.id === id)?.pieces ?? pieces;
        return pieces;
      });
      return plan ? [{ plan, by }] : [];
    });
    const opened = openedTogether(demands, cutTogether);
    const apart = own.reduce((sum, one) => sum + one.opened, 0);
    const sheets = opened?.at(-1) ?? apart;
    if (!opened || sheets >= apart) return [];
    const fewer = crates.map((id, k): readonly [string, number] => {
      const alone = own.reduce((sum, one) => (one.crate.id === id ? sum + one.opened : sum), 0);
      return [id, alone - ((opened[k] ?? 0) - (k === 0 ? 0 : (opened[k - 1] ?? 0)))];
    });
    return [{ material, sheets, apart, crates: fewer }];
  });
}

/** Runs don't know of each other; days of a series are the same people's, so there one draw is one course of all of them. */
function sureOf(drawn: readonly DrawnCrate[]): number {
  const series = new Map<string, Uint8Array>();
  let sure = 1;
  for (const one of drawn) {
    const holds = holdsIn(one);
    if (!one.run.isSeries) {
      sure *= share(holds);
      continue;
    }
    const before = series.get(one.run.id);
    series.set(one.run.id, before ? holds.map((yes, i) => yes & (before[i] ?? 0)) : holds);
  }
  return [...series.values()].reduce((product, holds) => product * share(holds), sure);
}

const share = (holds: Uint8Array): number => (holds.length === 0 ? 1 : holds.reduce((sum, yes) => sum + yes, 0) / holds.length);

/** For each draw, 1 when no line of the crate runs out. */
function holdsIn({ crate, uses }: DrawnCrate): Uint8Array {
  const holds = new Uint8Array(uses[0]?.length ?? 0).fill(1);
  for (const [l, { quantity }] of crate.manifest.lines.entries())
    for (let i = 0; i < holds.length; i += 1) if ((uses[l]?.[i] ?? 0) > quantity) holds[i] = 0;
  return holds;
}
