/** Parts of a document that a reader doesn't know, shaped like the document: lists by the id or key of their items. */
export type Unknown = { readonly [name: string]: unknown };

const isObject = (value: unknown): value is Unknown => typeof value === "object" && value !== null && !Array.isArray(value);

/** What tells an item of a list from its neighbours. */
function nameOf(item: unknown): string | null {
  if (!isObject(item)) return null;
  const { id, key } = item;
  return typeof id === "string" ? id : typeof key === "string" ? key : null;
}

/** The parts of `given` that `known` has no place for; null when there are none. */
export function unknownParts(given: unknown, known: unknown): Unknown | null {
  const parts: Record<string, unknown> = {};
  if (Array.isArray(given) && Array.isArray(known)) {
    for (const item of given) {
      const name = nameOf(item);
      const inside =
        name === null
          ? null
          : unknownParts(
              item,
              known.find((other) => nameOf(other) === name),
            );
      if (name !== null && inside) parts[name] = inside;
    }
  } else if (isObject(given) && isObject(known)) {
    for (const [name, value] of Object.entries(given)) {
      if (!Object.hasOwn(known, name)) parts[name] = value;
      else {
        const inside = unknownParts(value, known[name]);
        if (inside) parts[name] = inside;
      }
    }
  }
  return Object.keys(parts).length > 0 ? parts : null;
}

/** A document with the unknown parts laid back in; what it knows itself stays as it is. */
export function withUnknownParts(known: unknown, parts: unknown): unknown {
  if (!isObject(parts)) return known;
  if (Array.isArray(known))
    return known.map((item) => {
      const name = nameOf(item);
      return name === null ? item : withUnknownParts(item, parts[name]);
    });
  if (!isObject(known)) return known;
  const whole: Record<string, unknown> = { ...known };
  for (const [name, part] of Object.entries(parts)) whole[name] = Object.hasOwn(known, name) ? withUnknownParts(known[name], part) : part;
  return whole;
}

/** The unknown parts by their way from the top, such as "brief.lighting". */
export function unknownNames(parts: unknown, known: unknown, before = ""): readonly string[] {
  if (!isObject(parts)) return [];
  return Object.entries(parts).flatMap(([name, part]) => {
    const way = before === "" ? name : `${before}.${name}`;
    const inside = Array.isArray(known) ? known.find((item) => nameOf(item) === name) : isObject(known) ? known[name] : undefined;
    return inside === undefined ? [way] : unknownNames(part, inside, way);
  });
}
