const vulgar: Readonly<Record<string, string>> = {
  "½": "1/2",
  "⅓": "1/3",
  "⅔": "2/3",
  "¼": "1/4",
  "¾": "3/4",
  "⅕": "1/5",
  "⅖": "2/5",
  "⅗": "3/5",
  "⅘": "4/5",
  "⅙": "1/6",
  "⅚": "5/6",
  "⅐": "1/7",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
  "⅑": "1/9",
  "⅒": "1/10",
};

/**
 * Typed text made plain: one kind of space, minus, fraction bar, foot and inch mark; lower case.
 * Vulgar fractions become " 1/2" before any Unicode normalising, so that "6½" is not 61/2.
 */
export function cleanTyped(text: string): string {
  if (/^[0-9a-z.]+$/.test(text)) return text;
  return text
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅐⅛⅜⅝⅞⅑⅒]/g, (sign) => ` ${vulgar[sign]} `)
    .replace(/''|″|”|“|′′|’’/g, '"')
    .normalize("NFKC")
    .replace(/[\u2212\u2010-\u2014]/g, "-")
    .replace(/\u2044/g, "/")
    .replace(/[′’‘]/g, "'")
    .replace(/''/g, '"')
    .replace(/\s+/g, " ")
    .trim()
    .toLowerCase();
}
