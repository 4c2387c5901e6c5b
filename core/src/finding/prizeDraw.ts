import { wholeBelow } from "../random/stream.ts";

/**
 * A random draw that anyone can repeat: qualifiers sorted by entry id, shuffled with the seed (from the last place down,
 * each swapped with an evenly drawn place at or before it). The first so many win. Gives all of them in the order drawn.
 */
export function prizeDraw(qualifiers: readonly string[], seed: number): readonly string[] {
  const order = [...qualifiers].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  for (let place = order.length - 1; place > 0; place -= 1) {
    const other = wholeBelow(place + 1, seed, place);
    const [one, two] = [order[place], order[other]];
    if (one === undefined || two === undefined) continue;
    order[place] = two;
    order[other] = one;
  }
  return order;
}
