/**
 * Characters that nobody types and that make text look like other text: control characters, halves of a character,
 * marks that turn its direction, spaces of no width, and the mark that stands for bytes that could not be read. Joiners are kept between letters that need them, as in Persian,
 * Hindi or joined pictures.
 */
const unseen =
  /[\p{Cc}\p{Cs}\u00ad\u061c\u180e\u200b\u200e\u200f\u2028-\u202e\u2060-\u2069\ufeff\ufff9-\ufffd]|(?<![^\0-\u024f])[\u200c\u200d]|[\u200c\u200d](?![^\0-\u024f])/u;

/** What nearly all text is: seen at a glance, where the whole look costs thirty times as much. */
const everyday = /^[\x20-\x7e]*$/;

/** True when text of one line has characters that can't be seen, or that turn it around. */
export function isOddLine(text: string): boolean {
  return !everyday.test(text) && unseen.test(text);
}

/** The same for text of several lines: line ends and tabs may stand in it. */
export function isOddText(text: string): boolean {
  return !everyday.test(text) && unseen.test(text.replace(/[\n\r\t]/g, " "));
}
