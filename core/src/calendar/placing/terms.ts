/** A factor and a variable's name. */
export type Term = readonly [factor: number, name: string];

/** A term that also says its slot. */
export type SlotTerm = readonly [factor: number, name: string, slot: number];

export const times = <T>(n: number, of: (i: number) => T): readonly T[] => Array.from({ length: n }, (_, i) => of(i));

/** Terms with each name once: a reader of programs takes a name given twice for one of the two. */
export function joined(terms: readonly (readonly [factor: number, name: string, ...rest: unknown[]])[]): readonly Term[] {
  const sums = new Map<string, number>();
  for (const [factor, name] of terms) sums.set(name, (sums.get(name) ?? 0) + factor);
  return [...sums].flatMap(([name, factor]): readonly Term[] => (factor === 0 ? [] : [[factor, name]]));
}
