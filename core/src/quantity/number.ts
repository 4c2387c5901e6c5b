/** Why a text is not read; each has words in `reasons.ts`. */
export type Refusal =
  | "empty"
  | "ambiguous"
  | "not a number"
  | "below zero"
  | "part too big"
  | "mixed systems"
  | "wrong dimension"
  | "not whole"
  | "clock"
  | "fraction over zero"
  | "token mass unknown"
  | "too big"
  | "unknown word";

/** A number read, or why it was not. */
export type NumberRead = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly reason: Refusal };

const refuse = (reason: Refusal): NumberRead => ({ ok: false, reason });

const fraction = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/;

/**
 * Reads one cleaned, unsigned number: decimals with a point or a comma, thousands in threes, fractions.
 * `commaThousands` is for counts, where a comma always groups. One comma with exactly three digits after
 * it is ambiguous elsewhere ("1,500").
 */
export function readNumber(text: string, commaThousands = false): NumberRead {
  const read = readAnySize(text, commaThousands);
  return read.ok && !(read.value <= mostReadable) ? refuse("too big") : read;
}

/** Nothing that is counted or measured here is more, in any unit; hundreds of digits would be endless. */
const mostReadable = 1e12;

function readAnySize(text: string, commaThousands: boolean): NumberRead {
  const parts = fraction.exec(text);
  if (parts) return readFraction(parts[1], parts[2] ?? "", parts[3] ?? "");
  if (/^\d+$/.test(text) || /^\d*\.\d+$/.test(text)) return { ok: true, value: Number(text) };
  if (commaThousands) {
    if (!/^\d{1,3}(,\d{3})+$/.test(text) && !grouped(text, " ", null)) return refuse("not a number");
    return { ok: true, value: Number(text.replace(/[, ]/g, "")) };
  }
  if (/^[1-9]\d{0,2},\d{3}$/.test(text)) return refuse("ambiguous");
  if (/^\d*,\d+$/.test(text)) return { ok: true, value: Number(text.replace(",", ".")) };
  for (const [group, decimal] of [
    [" ", "."],
    [" ", ","],
    [",", "."],
    [".", ","],
  ] as const) {
    if (grouped(text, group, decimal)) return { ok: true, value: Number(text.replaceAll(group, "").replace(decimal, ".")) };
  }
  return refuse("not a number");
}

function readFraction(whole: string | undefined, over: string, under: string): NumberRead {
  if (Number(under) === 0) return refuse("fraction over zero");
  const part = Number(over) / Number(under);
  if (whole === undefined) return { ok: true, value: part };
  return part < 1 ? { ok: true, value: Number(whole) + part } : refuse("not a number");
}

/** Thousands in threes by `group`, with an optional tail after `decimal`; at least one group sign. */
function grouped(text: string, group: string, decimal: string | null): boolean {
  const g = group === "." ? "\\." : group;
  const tail = decimal === null ? "" : `(?:${decimal === "." ? "\\." : decimal}\\d+)?`;
  return new RegExp(`^\\d{1,3}(?:${g}\\d{3})+${tail}$`).test(text);
}
