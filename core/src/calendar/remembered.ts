/** So many answers are kept; more are rarely asked for again. */
const most = 20_000;

/**
 * The same function, that remembers what it has answered: the time-zone sums behind it are slow, and a calendar asks the
 * same instants and wall clocks again and again. Forgets all at once when it is full.
 */
export function remembered<Key extends string | number, Answer>(
  answer: (key: Key, zone: string) => Answer,
): (key: Key, zone: string) => Answer {
  const known = new Map<string, Map<Key, Answer>>();
  let kept = 0;
  return (key, zone) => {
    let inZone = known.get(zone);
    if (inZone?.has(key)) return inZone.get(key) as Answer;
    if (kept >= most) {
      known.clear();
      kept = 0;
      inZone = undefined;
    }
    const found = answer(key, zone);
    if (inZone) inZone.set(key, found);
    else known.set(zone, new Map([[key, found]]));
    kept += 1;
    return found;
  };
}
