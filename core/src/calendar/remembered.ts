/** So many answers are kept; more are rarely asked for again. */
const most = 20_000;

/**
 * The same function, that remembers what it has answered within a zone, or as seen from a day: the time-zone sums behind it are slow, and a calendar asks the
 * same instants and wall clocks again and again. Forgets all at once when it is full.
 */
export function remembered<Key extends string | number, Answer>(
  answer: (key: Key, within: string) => Answer,
): (key: Key, within: string) => Answer {
  const known = new Map<string, Map<Key, Answer>>();
  let kept = 0;
  return (key, within) => {
    let there = known.get(within);
    if (there?.has(key)) return there.get(key) as Answer;
    if (kept >= most) {
      known.clear();
      kept = 0;
      there = undefined;
    }
    const found = answer(key, within);
    if (there) there.set(key, found);
    else known.set(within, new Map([[key, found]]));
    kept += 1;
    return found;
  };
}
