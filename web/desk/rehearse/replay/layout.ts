import type { Dot, DotStep } from "@lampcrate/core";

/** A place on the floor, m from the room's left and far wall. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export interface Layout {
  readonly width: number;
  readonly depth: number;
  /** The tables, each for four, by their middle. */
  readonly tables: readonly Spot[];
  readonly seats: readonly Spot[];
  readonly rigs: readonly Spot[];
  readonly door: Spot;
  /** Tables stand nearer than people need: the room is too small for these seats. */
  readonly isTight: boolean;
}

/** Tables of four as they are meant to stand, m: the table, and what is kept clear around its people. */
const table = { wide: 1.2, deep: 0.8, pitchX: 2.2, pitchY: 1.9, perTable: 4 };
/** What rigs, their line and the door take of the room, m. */
const rigStrip = 2.2;
const doorStrip = 1.6;
const margin = 0.5;

/** A room's floor to scale: the door at the near wall, tables in rows, rigs along the right wall. */
export function layoutOf(width: number, depth: number, seats: number, rigs: number): Layout {
  const count = Math.ceil(seats / table.perTable);
  const [free, deep] = [Math.max(1, width - rigStrip - margin), Math.max(1, depth - doorStrip - margin)];
  const columns = Math.max(1, Math.min(count, Math.floor(free / table.pitchX) || 1));
  const fit = columns * Math.max(1, Math.floor(deep / table.pitchY));
  const isTight = count > fit;
  const across = isTight ? Math.max(columns, Math.ceil(Math.sqrt((count * free) / deep))) : columns;
  const rows = Math.max(1, Math.ceil(count / across));
  const tables = Array.from({ length: count }, (_, i) => ({
    x: margin + (free * ((i % across) + 0.5)) / across,
    y: margin + (deep * (Math.floor(i / across) + 0.5)) / rows,
  }));
  const around = [
    { x: -0.35, y: -0.65 },
    { x: 0.35, y: -0.65 },
    { x: -0.35, y: 0.65 },
    { x: 0.35, y: 0.65 },
  ];
  return {
    width,
    depth,
    tables,
    seats: Array.from({ length: seats }, (_, i) => {
      const [at, side] = [tables[Math.floor(i / table.perTable)], around[i % table.perTable]];
      return { x: (at?.x ?? 0) + (side?.x ?? 0), y: (at?.y ?? 0) + (side?.y ?? 0) };
    }),
    rigs: Array.from({ length: rigs }, (_, i) => ({
      x: width - 0.6,
      y: margin + ((depth - doorStrip - margin) * (i + 0.5)) / Math.max(1, rigs),
    })),
    door: { x: 0.9, y: depth },
    isTight,
  };
}

export const tableSize = { wide: table.wide, deep: table.deep };

/** Where one stands who is at a step; `inLine` is the place in the line for a seat. */
export function spotOf({ door, seats, rigs, depth, width }: Layout, { place, spot }: DotStep, inLine: number): Spot {
  switch (place) {
    case "seat line":
      // Along the near wall, and on outside.
      return { x: Math.min(width - 0.4, door.x + 0.6 + 0.38 * inLine), y: depth - 0.45 };
    case "welcome":
    case "building":
    case "unfinished":
    case "rig line":
      return seats[spot] ?? door;
    case "rig":
      return { x: (rigs[spot]?.x ?? width) - 0.55, y: rigs[spot]?.y ?? depth / 2 };
    default:
      return { x: door.x, y: depth + 0.5 };
  }
}

/** Minutes that it takes to walk from one place to the next. */
export const walkMin = 0.7;

/** A dot between its last place and the one it goes to. */
export function between(from: Spot, to: Spot, part: number): Spot {
  return { x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part };
}

/** The step a dot is at, the one before, and how far it has walked from there, 0 to 1; null before it comes. */
export function walkAt(
  { steps }: Dot,
  minute: number,
): { readonly step: DotStep; readonly before: DotStep | null; readonly part: number } | null {
  const at = steps.findLastIndex((step) => step.at <= minute);
  const step = steps[at];
  return step ? { step, before: steps[at - 1] ?? null, part: Math.min(1, (minute - step.at) / walkMin) } : null;
}
