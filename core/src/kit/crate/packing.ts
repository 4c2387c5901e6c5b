import { seedOf } from "../../random/stream.ts";
import type { LineUse, Rebuilding } from "../draws/demand.ts";
import { ceiling } from "../draws/rounding.ts";
import type { Per } from "../draws/units.ts";
import type { Manifest } from "./manifest.ts";

/** So much of a line, in its material's unit. */
export interface Packed {
  readonly lineId: string;
  readonly amount: number;
}

/** What goes into bags, into the box of spares, and to tables, rigs and the host. */
export interface Packing {
  /** One kind of bag, or one for each tier that takes something different. */
  readonly bags: readonly { readonly tier: string | null; readonly count: number; readonly contents: readonly Packed[] }[];
  /** For rebuilds, what spoils, and to be sure. */
  readonly spares: readonly Packed[];
  readonly stations: readonly { readonly per: Per; readonly lines: readonly Packed[] }[];
}

interface PackingInput {
  readonly lines: readonly LineUse[];
  readonly manifest: Manifest;
  readonly buildBy: Rebuilding["buildBy"];
  readonly teamSize: number;
  readonly tiers: readonly { readonly id: string; readonly share: number }[];
}

const order: readonly Per[] = ["builder", "team", "table", "rig", "session", "series"];

/**
 * Packs a crate: a bag for each builder or team, at the manifest's count; lines for each builder go times over into a
 * team's bag. What the manifest has beyond the bags is spares; what is shared, or stands for tables, rigs or the
 * session, goes there. Nothing is lost: bags and spares hold at least the line's quantity.
 */
export function packingOf({ lines, manifest, buildBy, teamSize, tiers }: PackingInput): Packing {
  const quantityOf = (id: string): number => manifest.lines.find((line) => line.id === id)?.quantity ?? 0;
  const inBag = (line: LineUse): boolean =>
    line.kind !== "reusable" && (line.per === buildBy || line.per === "series" || (buildBy === "team" && line.per === "builder"));
  const eachBag = (line: LineUse): number => {
    if (line.kind === "reusable") return 0;
    const units = line.per === "builder" && buildBy === "team" ? teamSize : 1;
    return line.kind === "counted" ? ceiling(line.amount * units) : line.amount * units;
  };
  const bagged = lines.filter(inBag);
  const kinds = bagged.some((line) => line.tier !== undefined)
    ? sharedCounts(manifest.bags, tiers)
    : [{ tier: null, count: manifest.bags }];
  const bags = kinds.flatMap(({ tier, count }) => {
    const contents = bagged
      .filter((line) => line.tier === undefined || line.tier === tier)
      .map((line) => ({ lineId: line.id, amount: eachBag(line) }));
    return count > 0 && contents.length > 0 ? [{ tier, count, contents }] : [];
  });
  const spares = bagged.flatMap((line) => {
    const out = bags.reduce((sum, bag) => sum + bag.count * (bag.contents.find((c) => c.lineId === line.id)?.amount ?? 0), 0);
    const more = quantityOf(line.id) - out;
    return more > 1e-9 ? [{ lineId: line.id, amount: more }] : [];
  });
  const stations = order.flatMap((per) => {
    const there = lines
      .filter((line) => line.per === per && !inBag(line))
      .map((line) => ({ lineId: line.id, amount: quantityOf(line.id) }));
    return there.length > 0 ? [{ per, lines: there }] : [];
  });
  return { bags, spares, stations };
}

/** So many bags shared out over the tiers, whole ones, by largest remainder; what no tier takes is a bag of none. */
function sharedCounts(bags: number, tiers: readonly { readonly id: string; readonly share: number }[]) {
  const all = [...tiers.map(({ id, share }) => ({ tier: id as string | null, share }))];
  const rest = 1 - all.reduce((sum, { share }) => sum + share, 0);
  if (rest > 1e-9) all.push({ tier: null, share: rest });
  const exact = all.map(({ tier, share }) => ({ tier, exact: share * bags, count: Math.floor(share * bags + 1e-9) }));
  let left = bags - exact.reduce((sum, { count }) => sum + count, 0);
  for (const kind of [...exact].sort((a, b) => b.exact - b.count - (a.exact - a.count))) {
    if (left <= 0) break;
    kind.count += 1;
    left -= 1;
  }
  return exact.map(({ tier, count }) => ({ tier, count }));
}

/** Letters that make no words and are not mistaken for digits. */
const letters = "BCDFGHJKLMNPQRSTVWXZ";

/** Four letters that name a session's crate, the same on every machine. */
export function crateCode(sessionId: string): string {
  let word = seedOf(sessionId, "crate code");
  let code = "";
  for (let i = 0; i < 4; i += 1) {
    code += letters[word % letters.length] ?? "";
    word = Math.floor(word / letters.length);
  }
  return code;
}

/** A bag's code: its crate's letters and its number from 1. */
export function bagCode(sessionId: string, number: number): string {
  return `${crateCode(sessionId)}-${String(number).padStart(3, "0")}`;
}
