/** What a stranger puts in the place of a part, as JSON text; `never` is what no place may take. */
interface Nonsense {
  readonly words: string;
  readonly json: string;
  readonly never: boolean;
}

const of = (words: string, value: unknown, never = false): Nonsense => ({ words, json: JSON.stringify(value), never });

export const nonsense: readonly Nonsense[] = [
  of("null", null),
  of("true", true),
  of("a number below zero", -1),
  of("half a thing", 0.5),
  of("a huge number", 1e300, true),
  { words: "an endless number", json: "1e400", never: true },
  of("a list", []),
  of("a list of a list", [[{}]], true),
  of("an object", {}),
  { words: "endless depth", json: `${'{"a":'.repeat(2000)}1${"}".repeat(2000)}`, never: true },
  { words: "a prototype", json: '{"__proto__":{"role":"planner"}}', never: true },
  of("nothing typed", ""),
  of("spaces", "   "),
  of("constructor", "constructor"),
  of("__proto__", "__proto__"),
  of("a very long text", "x".repeat(60_000), true),
  of("NUL", "ab\u0000cd12", true),
  of("text turned around", "ab\u202ecd12", true),
  of("a space of no width", "ab\u200bcd12", true),
  of("half a character", "abcd12\ud800", true),
  of("a day that is none", "2026-02-30"),
  of("a far year", "9999-12-31"),
  of("an hour that is none", "2026-12-05T25:00"),
  of("a skipped hour", "2027-03-28T02:30"),
  of("markup", "<script>1</script>"),
];

/** A document spoilt in one place. */
export interface Spoilt {
  readonly words: string;
  readonly json: string;
  readonly never: boolean;
}

/** Where the nonsense goes: JSON text of the document with a hole in one place. */
interface Hole {
  readonly at: string;
  readonly fill: ((json: string) => string) | null;
  /** The document without that part at all, or with it twice; null where neither can be. */
  readonly without: string | null;
}

/** Every document that differs from a good one in one place: another value, the part left out, a part too many. */
export function* spoilt(good: unknown): Generator<Spoilt> {
  for (const { at, fill, without } of holes(good)) {
    if (fill !== null) for (const { words, json, never } of nonsense) yield { words: `${words} at ${at}`, json: fill(json), never };
    if (without !== null) yield { words: `without ${at}`, json: without, never: false };
  }
}

function* holes(value: unknown, at = "the whole", around: (json: string) => string = (json) => json): Generator<Hole> {
  const named = (name: string): string => (at === "the whole" ? name : `${at}.${name}`);
  if (at === "the whole") yield { at, fill: around, without: null };
  if (Array.isArray(value)) {
    for (const i of value.keys()) {
      const fill = (json: string): string => around(`[${value.map((item, j) => (i === j ? json : JSON.stringify(item))).join(",")}]`);
      yield { at: named(String(i)), fill, without: null };
      yield* holes(value[i], named(String(i)), fill);
    }
    const [first] = value;
    if (first !== undefined) yield { at: named("one twice"), fill: null, without: around(JSON.stringify([...value, first])) };
  } else if (typeof value === "object" && value !== null) {
    const parts = Object.entries(value);
    const object = (pairs: readonly (readonly [string, string])[]): string =>
      around(`{${pairs.map(([key, json]) => `${JSON.stringify(key)}:${json}`).join(",")}}`);
    const all = parts.map(([key, item]) => [key, JSON.stringify(item)] as const);
    for (const [key, item] of parts) {
      const fill = (json: string): string => object(all.map(([k, own]) => [k, k === key ? json : own] as const));
      yield { at: named(key), fill, without: object(all.filter(([k]) => k !== key)) };
      yield* holes(item, named(key), fill);
    }
    yield { at: named("unknown"), fill: (json) => object([...all, ["unheardOf", json]]), without: null };
  }
}
