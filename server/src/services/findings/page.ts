/** A part of a long list: how many there are in all, and where the next part begins; null on the last. */
export interface Page<T> {
  readonly some: readonly T[];
  readonly total: number;
  readonly next: number | null;
}

/** What stands on one page of builders, at the desk and on the reveal. */
const pageSize = 100;

/** The page of a list that begins at a place. */
export function pageFrom<T>(all: readonly T[], from: number): Page<T> {
  return { some: all.slice(from, from + pageSize), total: all.length, next: nextPage(from, pageSize, all.length) };
}

/** Where the page after one begins; null when that was the last. */
export const nextPage = (from: number, size: number, total: number): number | null => (from + size < total ? from + size : null);
