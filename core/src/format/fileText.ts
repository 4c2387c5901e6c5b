/**
 * The text of a file that somebody saved elsewhere. Read as UTF-8, or as UTF-16 where it begins with that mark; bytes
 * that are neither are read as Windows-1252, as older spreadsheets save them, so that "Crêpe" stays "Crêpe".
 */
export function fileText(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
