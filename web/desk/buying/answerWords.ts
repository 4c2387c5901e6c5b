import { money } from "../pieces/show.ts";

/** What an order comes to, and what it leaves open. */
export interface Answer {
  /** Packs in it. */
  readonly packs: number;
  readonly suppliers: number;
  /** With delivery, cents. */
  readonly cost: number;
  readonly currency: string;
  /** The planner has changed it. */
  readonly changed: boolean;
  /** Materials that are short whatever is ordered. */
  readonly short: number;
  /** Materials still to be collected. */
  readonly collected: number;
}

/** The plan in a sentence; it never says more than the lists below it. */
export function answerWords({ packs, suppliers, cost, currency, changed, short, collected }: Answer): string {
  const materials = (count: number): string => (count === 1 ? "1 material is" : `${count} materials are`);
  if (packs === 0) {
    if (changed) return "Nothing is left to order: all of it is left out.";
    if (short > 0) return `Nothing more can be ordered in time: ${materials(short)} short, as listed below.`;
    if (collected > 0) return `Nothing has to be bought; ${materials(collected)} still to be collected, as listed below.`;
    return "Nothing has to be bought: what is there and on its way is enough for every crate of the season.";
  }
  const from = suppliers === 1 ? "one supplier" : `${suppliers} suppliers`;
  const order = `Order ${packs} ${packs === 1 ? "pack" : "packs"} from ${from} today, for ${money(cost, currency)} with delivery`;
  if (changed) return `${order}, as you changed it.`;
  if (short > 0) return `${order}. After that ${materials(short)} still short, as listed below.`;
  return `${order}: every crate has in time what is bought for it.`;
}
