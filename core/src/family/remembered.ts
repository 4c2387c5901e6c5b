const most = 64;

/** The same function, its last results kept: for limits that are asked again and again with the same numbers. */
export function remembered<Args extends readonly unknown[], Result>(reckon: (...args: Args) => Result): (...args: Args) => Result {
  const known = new Map<string, { readonly result: Result }>();
  return (...args) => {
    const key = JSON.stringify(args);
    const found = known.get(key);
    if (found) return found.result;
    const result = reckon(...args);
    if (known.size >= most) known.clear();
    known.set(key, { result });
    return result;
  };
}
