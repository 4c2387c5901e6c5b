/**
 * Seeded streams in integers, so that every machine draws the same. A number depends only on its stream, its
 * draw and its place in that draw, never on what was drawn before: turning one dial does not shuffle the rest.
 */

/** Mixes 32 bits; constants of Wellons' hash prospector ("lowbias32", public domain). */
function mix(word: number): number {
  let x = word | 0;
  x = Math.imul(x ^ (x >>> 16), 0x21f0aaad);
  x = Math.imul(x ^ (x >>> 15), 0x735a2d97);
  return (x ^ (x >>> 15)) >>> 0;
}

/** A stream's seed from words, such as the session's id and the purpose. FNV-1a, then mixed. */
export function seedOf(...words: readonly string[]): number {
  let hash = 0x811c9dc5;
  for (const word of words) {
    for (let i = 0; i < word.length; i += 1) hash = Math.imul(hash ^ word.charCodeAt(i), 0x01000193);
    hash = Math.imul(hash ^ 0x1f, 0x01000193);
  }
  return mix(hash);
}

/** 32 random bits at a place of a draw of a stream. */
export function bitsAt(seed: number, draw: number, place = 0): number {
  return mix(mix(seed + Math.imul(draw + 1, 0x9e3779b1) + Math.imul(place, 0x85ebca77)) ^ seed);
}

/** A uniform number strictly between 0 and 1, 53 bits. */
export function uniformAt(seed: number, draw: number, place = 0): number {
  const word = bitsAt(seed, draw, place);
  const more = mix(word + 0x632be5ab);
  return ((word >>> 5) * 67108864 + (more >>> 6) + 0.5) / 9007199254740992;
}

/** A whole number from 0 to below `n`, evenly (bias below n / 2⁵³). */
export function wholeBelow(n: number, seed: number, draw: number, place = 0): number {
  return Math.floor(uniformAt(seed, draw, place) * n);
}
