import { bitsAt, seedOf } from "../random/stream.ts";
import { moreFirst, moreSecond } from "./codeWords.ts";

const first = [
  "amber",
  "brisk",
  "calm",
  "damp",
  "early",
  "fern",
  "gentle",
  "hazel",
  "inky",
  "jolly",
  "keen",
  "lively",
  "misty",
  "nimble",
  "open",
  "plain",
  "quiet",
  "reed",
  "silver",
  "tidal",
  "umber",
  "velvet",
  "windy",
  "young",
  "bold",
  "bright",
  "chalky",
  "dusky",
  "fleet",
  "green",
  "hollow",
  "lunar",
] as const;
const second = [
  "acorn",
  "bittern",
  "cloud",
  "drizzle",
  "eddy",
  "feather",
  "gale",
  "heron",
  "island",
  "jetty",
  "kettle",
  "lantern",
  "marsh",
  "newt",
  "otter",
  "pebble",
  "quill",
  "ripple",
  "sedge",
  "thistle",
  "updraft",
  "vane",
  "willow",
  "yarrow",
  "beacon",
  "cricket",
  "dragonfly",
  "ember",
  "frond",
  "grebe",
  "lapwing",
  "puddle",
] as const;

const opening = [...first, ...moreFirst];
const things = [...second, ...moreSecond];

/** How many codes there are: about 331 million, so that trying them at random finds none. */
export const codesThereAre = opening.length * things.length * (things.length - 1) * 900;

/** A code that is easy to say and type, such as "REED LANTERN OTTER 472"; `attempt` gives another when one is taken. */
export function spokenCode(id: string, attempt = 0): string {
  const seed = seedOf("code", id);
  const thing = bitsAt(seed, attempt, 1) % things.length;
  // Never the same thing twice.
  const other = (thing + 1 + (bitsAt(seed, attempt, 2) % (things.length - 1))) % things.length;
  const number = 100 + (bitsAt(seed, attempt, 3) % 900);
  return `${pick(opening, seed, attempt, 0)} ${things[thing]} ${things[other]} ${number}`.toUpperCase();
}

/** A code as it stands in an address: "REED LANTERN OTTER 472" is reed-lantern-otter-472. `plainCode` reads it back. */
export function codeInAddress(code: string): string {
  return code.toLowerCase().replaceAll(" ", "-");
}

/** A made-up name for an entry, such as "Misty Heron"; once two are taken, with a number of more and more digits. */
export function aliasOf(id: string, attempt = 0): string {
  const seed = seedOf("alias", id);
  const name = [pick(first, seed, attempt, 0), pick(second, seed, attempt, 1)]
    .map((word) => word[0]?.toUpperCase() + word.slice(1))
    .join(" ");
  return attempt < 2 ? name : `${name} ${2 + (bitsAt(seed, attempt, 2) % 10 ** Math.min(attempt, 9))}`;
}

/** A typed code made plain: case, hyphens and spaces don't matter. */
export function plainCode(typed: string): string {
  return typed
    .trim()
    .toUpperCase()
    .replace(/[^A-Z0-9]+/g, " ")
    .replace(/([A-Z])(\d)/g, "$1 $2")
    .trim();
}

function pick(words: readonly string[], seed: number, attempt: number, place: number): string {
  return words[bitsAt(seed, attempt, place) % words.length] ?? "";
}
