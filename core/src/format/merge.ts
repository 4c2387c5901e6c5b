/** A place in a document: keys, and ids of listed things. */
export type FieldPlace = readonly string[];

/** A place that both have changed, each to something else. */
export interface FieldClash {
  readonly place: FieldPlace;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** Two changes of one document as one, with mine wherever they clash. */
export interface Merged<T> {
  readonly merged: T;
  readonly clashes: readonly FieldClash[];
}

/**
 * Joins two changes of the same plain document, field by field. Lists of things with an id are joined thing by thing:
 * what either added stays, what either took out is gone, and the order is mine where I changed it. Whatever else differs
 * from `base` in both is a clash; so is a thing that one took out and the other changed.
 */
export function mergeChanges<T>(base: T, mine: T, theirs: T): Merged<T> {
  const clashes: FieldClash[] = [];
  const merged = join(base, mine, theirs, [], clashes);
  return { merged: merged as T, clashes };
}

/** A document with theirs put where they clash, at the places chosen. Gives it back as it is where no place is chosen. */
export function withTheirs<T>(merged: T, clashes: readonly FieldClash[], chosen: (clash: FieldClash) => boolean): T {
  return clashes.filter(chosen).reduce<unknown>((doc, { place, theirs }) => put(doc, place, theirs), merged) as T;
}

/** A document with the spaces that another has around the same words; everything else as it is. Gives it back as it is where nothing differs. */
export function withSpacesOf<T>(doc: T, typed: unknown): T {
  return spaced(doc, typed) as T;
}

function spaced(doc: unknown, typed: unknown): unknown {
  if (typeof doc === "string") return typeof typed === "string" && typed.trim() === doc.trim() ? typed : doc;
  if (Array.isArray(doc) && Array.isArray(typed)) return changedOnly(doc, (one, i) => spaced(one, typed[i]));
  if (!isRecord(doc) || !isRecord(typed)) return doc;
  const entries = Object.entries(doc);
  const next = changedOnly(entries, (entry) => {
    const words = spaced(entry[1], typed[entry[0]]);
    return words === entry[1] ? entry : [entry[0], words];
  });
  return next === entries ? doc : Object.fromEntries(next as [string, unknown][]);
}

/** The same list when none of its parts is another. */
function changedOnly<T>(list: T[], next: (one: T, i: number) => unknown): unknown[] {
  const changed = list.map(next);
  return changed.every((one, i) => one === list[i]) ? list : changed;
}

function join(base: unknown, mine: unknown, theirs: unknown, place: FieldPlace, clashes: FieldClash[]): unknown {
  if (same(mine, theirs) || same(theirs, base)) return mine;
  if (same(mine, base)) return theirs;
  if (isRecord(mine) && isRecord(theirs) && isRecord(base) && isOneKind(mine, theirs, base))
    return joinRecords(base, mine, theirs, place, clashes);
  if (isListed(mine) && isListed(theirs) && isListed(base)) return joinLists(base, mine, theirs, place, clashes);
  clashes.push({ place, mine, theirs });
  return mine;
}

/** A choice between kinds has other fields for each: two kinds are never joined field by field. A listed thing keeps what it is. */
const isOneKind = (...all: readonly Plain[]): boolean =>
  all.some((one) => "id" in one) || new Set(all.map((one) => one["kind"])).size === 1;

type Plain = Readonly<Record<string, unknown>>;

function joinRecords(base: Plain, mine: Plain, theirs: Plain, place: FieldPlace, clashes: FieldClash[]): Plain {
  const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
  return Object.fromEntries(
    [...keys].flatMap((key) => {
      const value = join(base[key], mine[key], theirs[key], [...place, key], clashes);
      return value === undefined ? [] : [[key, value]];
    }),
  );
}

interface Thing extends Plain {
  readonly id: string;
}

function joinLists(
  base: readonly Thing[],
  mine: readonly Thing[],
  theirs: readonly Thing[],
  place: FieldPlace,
  clashes: FieldClash[],
): Thing[] {
  const [inBase, inMine, inTheirs] = [base, mine, theirs].map((list) => new Map(list.map((thing) => [thing.id, thing])));
  const reordered = (list: readonly Thing[]): boolean => {
    const kept = list.map(({ id }) => id).filter((id) => inBase?.has(id));
    const before = base.map(({ id }) => id).filter((id) => kept.includes(id));
    return !same(kept, before);
  };
  const [first, second] = reordered(mine) || !reordered(theirs) ? [mine, theirs] : [theirs, mine];
  const ids = first.map(({ id }) => id);
  // What the other added goes after what it stood behind.
  for (const [i, { id }] of second.entries()) {
    if (ids.includes(id)) continue;
    const before = second.slice(0, i).findLast((thing) => ids.includes(thing.id))?.id;
    ids.splice(before === undefined ? 0 : ids.indexOf(before) + 1, 0, id);
  }
  return ids.flatMap((id) => {
    const thing = join(inBase?.get(id), inMine?.get(id), inTheirs?.get(id), [...place, id], clashes);
    return isRecord(thing) ? [thing as Thing] : [];
  });
}

function put(doc: unknown, place: FieldPlace, value: unknown): unknown {
  const [key, ...rest] = place;
  if (key === undefined) return value;
  if (Array.isArray(doc)) {
    const at = doc.findIndex((thing: unknown) => isRecord(thing) && thing["id"] === key);
    if (at < 0) return rest.length === 0 && value !== undefined ? [...doc, value] : doc;
    return doc.flatMap((thing: unknown, i) => {
      const next = i === at ? put(thing, rest, value) : thing;
      return next === undefined ? [] : [next];
    });
  }
  return { ...(isRecord(doc) ? doc : {}), [key]: put(isRecord(doc) ? doc[key] : undefined, rest, value) };
}

const isRecord = (value: unknown): value is Plain => typeof value === "object" && value !== null && !Array.isArray(value);

const isListed = (value: unknown): value is readonly Thing[] =>
  Array.isArray(value) && value.every((thing) => isRecord(thing) && typeof thing["id"] === "string");

function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((value, i) => same(value, b[i]));
  if (!isRecord(a) || !isRecord(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => same(a[key], b[key]));
}
