import { readFileSync } from "node:fs";
import { createRequire } from "node:module";

const require = createRequire(import.meta.url);

/**
 * Letters that the house's own lack: Greek, Cyrillic, Vietnamese and Devanagari, then Japanese, then Chinese. Each comes
 * in parts by the letters they hold; only those that a page needs are read, and of them only the letters printed go into it.
 */
const packages = ["noto-sans", "kosugi", "zcool-xiaowei"] as const;

interface Part {
  readonly file: string;
  readonly ranges: readonly (readonly [from: number, to: number])[];
}

let known: readonly Part[] | null = null;

/** The font files that may hold a letter, the likeliest first. */
export function fallbacksFor(letter: string): readonly string[] {
  known ??= packages.flatMap(partsOf);
  const code = letter.codePointAt(0) ?? 0;
  return known.filter(({ ranges }) => ranges.some(([from, to]) => from <= code && code <= to)).map(({ file }) => file);
}

function partsOf(name: string): readonly Part[] {
  const ranges = JSON.parse(readFileSync(require.resolve(`@fontsource/${name}/unicode.json`), "utf8")) as Record<string, string>;
  return Object.entries(ranges).flatMap(([part, text]) => {
    const file = fileOf(name, part.replace(/[[\]]/g, ""));
    return file === null ? [] : [{ file, ranges: text.split(",").map(rangeOf) }];
  });
}

function fileOf(name: string, part: string): string | null {
  try {
    return require.resolve(`@fontsource/${name}/files/${name}-${part}-400-normal.woff`);
  } catch {
    return null;
  }
}

/** "U+4e00-4e0f" and "U+4e21" as code points; "U+4??" is a range of its own. */
function rangeOf(text: string): readonly [number, number] {
  const [from = "", to = from] = text.trim().replace(/^U\+/i, "").split("-");
  return [Number.parseInt(from.replaceAll("?", "0"), 16), Number.parseInt(to.replaceAll("?", "f"), 16)];
}
