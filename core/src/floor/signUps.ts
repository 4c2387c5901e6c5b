import { minutesOfClock } from "../calendar/moving.ts";
import { type DropIn, quarterMin } from "./dropIn.ts";
import { asProfile, roundTo, sharesOf } from "./shares.ts";

/** A party that signed up: minutes from opening, and builders. */
export interface SignUp {
  readonly min: number;
  readonly heads: number;
}

export interface SignUpsRead {
  readonly parties: readonly SignUp[];
  /** What can't be taken, by its row from 1, with how to mend it. */
  readonly troubles: readonly { readonly row: number; readonly words: string }[];
}

const mostHeads = 12;
const mostRows = 2000;

/**
 * Reads rows of a time on the wall clock ("10:15") and builders (1 where nothing stands). A first row without a time is
 * taken for headings; empty rows are passed over.
 */
export function readSignUps(rows: readonly (readonly string[])[], opens: string, lastEntryMin: number): SignUpsRead {
  const parties: SignUp[] = [];
  const troubles: { row: number; words: string }[] = [];
  if (rows.length > mostRows)
    return { parties, troubles: [{ row: mostRows + 1, words: `${mostRows} rows at most: take one day at a time.` }] };
  for (const [i, [time = "", heads = ""]] of rows.entries()) {
    if (time.trim() === "" && heads.trim() === "") continue;
    const read = readRow(time.trim(), heads.trim(), opens, lastEntryMin);
    if (typeof read !== "string") parties.push(read);
    else if (i > 0 || /\d/.test(time)) troubles.push({ row: i + 1, words: read });
  }
  return { parties, troubles };
}

function readRow(time: string, heads: string, opens: string, lastEntryMin: number): SignUp | string {
  const at = minutesOfClock(time);
  if (at === null) return `“${time}” is no time: type it as 10:15.`;
  const min = at - (minutesOfClock(opens) ?? 0);
  if (min < 0) return `${time} is before the doors open at ${opens}.`;
  if (min >= lastEntryMin) return `${time} is after last entry, ${lastEntryMin} min from ${opens} on.`;
  const builders = heads === "" ? 1 : Number(heads);
  return Number.isInteger(builders) && builders >= 1 && builders <= mostHeads
    ? { min, heads: builders }
    : `“${heads}” are no builders of one party: a whole number from 1 to ${mostHeads}.`;
}

/** How many who signed up come, and how many parties come besides. */
export interface Coming {
  readonly showRate: number;
  readonly walkIns: number;
}

/** A day as its sign-ups have it: those who show up by their quarter hour and size, walk-ins as the day was thought before. */
export function dayFromSignUps(parties: readonly SignUp[], { showRate, walkIns }: Coming, before: DropIn): Partial<DropIn> {
  if (parties.length === 0) return {};
  const bins = Math.ceil(before.lastEntryMin / quarterMin);
  const drawn = before.weights.slice(0, bins).reduce((all, one) => all + one, 0);
  const counted = Array.from({ length: bins }, (_, bin) => {
    const signedUp = parties.filter(({ min }) => Math.floor(min / quarterMin) === bin).length;
    return showRate * signedUp + walkIns * (drawn === 0 ? 1 / bins : (before.weights[bin] ?? 0) / drawn);
  });
  const shared = before.partySizeShares.reduce((all, one) => all + one, 0);
  const largest = Math.max(before.partySizeShares.length, ...parties.map(({ heads }) => heads));
  const sizes = Array.from({ length: largest }, (_, i) => {
    const signedUp = parties.filter(({ heads }) => heads === i + 1).length;
    return showRate * signedUp + (shared === 0 ? 0 : (walkIns * (before.partySizeShares[i] ?? 0)) / shared);
  });
  const all = sizes.reduce((sum, one) => sum + one, 0);
  if (all === 0) return { expectedParties: 0 };
  return {
    expectedParties: roundTo(showRate * parties.length + walkIns, 0),
    weights: asProfile(counted),
    partySizeShares: sharesOf(sizes.map((n) => n / all)),
  };
}
