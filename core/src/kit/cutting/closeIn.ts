import { seedOf, uniformAt } from "../../random/stream.ts";
import type { Filled, Filler, SheetPiece } from "./filler.ts";

/** Fillings tried for each of several prices; now and then those found so far are put together. */
const triesEach = 150;
const mostPrices = 15;
const pricesEach = 5;
const mostKept = 1300;

/** How far prices are swayed from the pieces' areas, and what part of a sheet a filling may be worth less than the best. */
const sway = 0.2;
const slack = 0.035;

/** What is wanted of each kind. */
interface Wanted {
  readonly filler: Filler;
  readonly pieces: readonly SheetPiece[];
  readonly needs: readonly number[];
  /** Of one sheet. */
  readonly area: number;
}

/**
 * Looks for a plan of just so many sheets, two to four, put together from many fillings that are nearly full and hold no more of a
 * kind than is wanted: every pair's pieces are noted, and looked for is a pair, a filling or nothing that holds the rest.
 * It gives null when none of those tried, at so many prices, makes one.
 */
export function closingIn(wanted: Wanted): (sheets: number, prices?: number) => readonly Filled[] | null {
  const { needs } = wanted;
  const key = keyOf(needs);
  // Fillings don't depend on how many sheets there are to be: what was tried once serves the next look too.
  const found = new Map<string, Filled>();
  let tried = 0;
  return (sheets, prices = mostPrices) => {
    if (sheets < 2 || sheets > 4 || key === null) return null;
    for (let p = 0; p < prices; p += 1) {
      if (p === tried) {
        tryPrices(wanted, p, found);
        tried += 1;
      }
      if ((p + 1) % pricesEach > 0) continue;
      const plan = putTogether(fullest([...found.values()], wanted), needs, sheets, key);
      if (plan) return plan;
    }
    return null;
  };
}

function putTogether(found: readonly Filled[], needs: readonly number[], sheets: number, key: Key): readonly Filled[] | null {
  const singles = new Map(found.map((filled, i) => [key(filled.counts), [i]]));
  const pairs = sheets === 2 ? singles : pairsOf(found, needs, key);
  const others = sheets === 4 ? pairs : singles;
  const all = key(needs);
  // What is put together may be more than is wanted: a piece less of any kind is as good.
  for (const [some, places] of lessOne(pairs, needs)) {
    const rest = others.get(all - some);
    if (rest) return [...places, ...rest].flatMap((i) => found[i] ?? []);
  }
  return null;
}

type Key = (counts: readonly number[]) => number;

/** Counts as one number, each in its own place; null where that would be too large to be exact. Sums of counts are sums of keys. */
function keyOf(needs: readonly number[]): Key | null {
  const places = placesOf(needs);
  if (places.reduce((most, place, i) => Math.max(most, place * ((needs[i] ?? 0) + 1)), 1) > Number.MAX_SAFE_INTEGER) return null;
  return (counts) => counts.reduce((sum, n, i) => sum + n * (places[i] ?? 0), 0);
}

function placesOf(needs: readonly number[]): readonly number[] {
  let place = 1;
  return needs.map((need) => {
    const own = place;
    place *= need + 1;
    return own;
  });
}

/** Adds distinct fillings that hold no more of a kind than is wanted. */
function tryPrices({ filler, pieces, needs, area }: Wanted, p: number, found: Map<string, Filled>): void {
  const worth = pieces.map(({ w, h }, i) => (needs[i] === 0 ? 0 : ((w * h) / area) * (1 + sway * (uniformAt(seed, p, i) - 0.5))));
  const like = filler.likes(worth);
  for (let t = 0; t < triesEach; t += 1) {
    const filled = like(slack, p * triesEach + t);
    if (filled.counts.every((n, i) => n <= (needs[i] ?? 0))) found.set(filled.counts.join(" "), filled);
  }
}

const seed = seedOf("close in");

function fullest(found: readonly Filled[], { pieces }: Wanted): readonly Filled[] {
  const fullness = ({ counts }: Filled): number => counts.reduce((sum, n, i) => sum + n * (pieces[i]?.w ?? 0) * (pieces[i]?.h ?? 0), 0);
  return found.length <= mostKept ? found : [...found].sort((a, b) => fullness(b) - fullness(a)).slice(0, mostKept);
}

function pairsOf(found: readonly Filled[], needs: readonly number[], key: Key): ReadonlyMap<number, readonly number[]> {
  const pairs = new Map<number, readonly number[]>();
  const keys = found.map(({ counts }) => key(counts));
  for (const [i, a] of found.entries())
    for (let j = i; j < found.length; j += 1) {
      const b = found[j]?.counts ?? [];
      let fits = true;
      for (let k = 0; fits && k < needs.length; k += 1) fits = (a.counts[k] ?? 0) + (b[k] ?? 0) <= (needs[k] ?? 0);
      if (fits) pairs.set((keys[i] ?? 0) + (keys[j] ?? 0), [i, j]);
    }
  return pairs;
}

/** The same sums, and each with one piece of a kind less. */
function* lessOne(sums: ReadonlyMap<number, readonly number[]>, needs: readonly number[]): Generator<readonly [number, readonly number[]]> {
  yield* sums;
  const places = placesOf(needs);
  for (const [sum, of] of sums)
    for (const [i, place] of places.entries()) if (Math.floor(sum / place) % ((needs[i] ?? 0) + 1) > 0) yield [sum - place, of];
}
