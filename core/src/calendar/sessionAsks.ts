import { families } from "../family/families.ts";
import type { FamilyId } from "../family/familyIds.ts";
import type { Values } from "../family/shape.ts";
import type { DropIn } from "../floor/dropIn.ts";
import { drawHeads, type HeadsModel } from "../kit/draws/heads.ts";
import { ceiling, quantileOf } from "../kit/draws/rounding.ts";
import type { RoomNeeds } from "./clashes.ts";
import { type AgeBand, ageBandOf } from "./houseRules.ts";
import type { RunKind, SessionKind } from "./runKinds.ts";

/** What a session's needs are worked out from. */
export interface Asking {
  readonly brief: {
    readonly family: FamilyId;
    readonly spec: Values;
    readonly youngestAge: number;
    readonly shareAtOnce: number;
    readonly rigServes: number;
  };
  readonly kind: RunKind;
  readonly held: SessionKind;
  readonly heads: HeadsModel;
  /** The day as it was rehearsed; null where it wasn't. */
  readonly day: Pick<DropIn, "seats" | "rigs" | "hosts"> | null;
}

/** What a session asks of its room and of people, from its brief, its heads and the day as it was rehearsed. */
export interface SessionAsks {
  readonly room: RoomNeeds;
  /** Children expected at most on nine days of ten, on a drop-in day those there at once; all taken for the youngest age of the brief. */
  readonly children: number;
  readonly band: AgeBand;
  /** Adults that rigs and hosts need, whatever the children. */
  readonly adults: number;
  readonly rigs: number;
}

/** Somebody hands out the bags, or speaks. */
const nothingAsked: Omit<SessionAsks, "band"> = {
  room: { lengthM: null, widthM: null, heightM: null, water: false, floor: "any", seats: null },
  children: 0,
  adults: 1,
  rigs: 0,
};

const headDraws = 4000;

/** The 90th percentile of heads: a forecast names it itself, of the others so many draws are made. */
function mostHeads(heads: HeadsModel): number {
  if (heads.model === "forecast") return Math.min(heads.high, heads.cap ?? heads.high);
  return quantileOf(drawHeads(heads, "calendar", headDraws).sort(), 0.9);
}

/**
 * What a session asks: the room of its brief, seats for those who are there at once, children (all taken for the
 * youngest age), rigs, and the adults that rigs and hosts need. Heads are the 90th percentile; a
 * rehearsed day's own seats, rigs and hosts stand in their place. On a drop-in day those are counted who are there at once.
 * Where kits are picked up, or all is on line, one adult is all it asks: nobody builds there.
 */
export function sessionAsks({ brief, kind, held, heads, day }: Asking): SessionAsks {
  if (held !== "as the run") return { ...nothingAsked, band: ageBandOf(brief.youngestAge) };
  const { lengthM, widthM, heightM, water, floor, rigsPerAdult } = families[brief.family].needs(brief.spec);
  const all = mostHeads(heads);
  const seats = day?.seats ?? ceiling(all * brief.shareAtOnce);
  const rigs = day?.rigs ?? Math.max(1, ceiling(seats / brief.rigServes));
  return {
    room: { lengthM, widthM, heightM, water, floor, seats },
    children: kind === "drop-in" ? seats : all,
    band: ageBandOf(brief.youngestAge),
    adults: ceiling(rigs / rigsPerAdult) + (day?.hosts ?? 0),
    rigs,
  };
}
