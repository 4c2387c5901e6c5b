/** A part of a long file, and where the next one begins; null on the last. */
export interface FilePart {
  readonly text: string;
  readonly next: number | null;
}
