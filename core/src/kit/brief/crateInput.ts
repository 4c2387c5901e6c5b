import { type RunKind, type SessionKind, takesKits } from "../../calendar/runKinds.ts";
import type { StockUnit } from "../amounts/amountWords.ts";
import type { CrateInput, CrateLine } from "../crate/crate.ts";
import { targetFromCosts } from "../crate/serviceLevel.ts";
import { cutUnitsPerM, piecesFrom } from "../cutting/cut.ts";
import { type BuiltBy, type LineUse, spoilWithMiscuts } from "../draws/demand.ts";
import type { HeadsModel } from "../draws/heads.ts";
import type { KitLine } from "./kitLine.ts";

/** What a crate depends on in a brief. */
export interface KitBrief {
  readonly buildBy: BuiltBy;
  readonly teamSize: number;
  readonly rebuildRate: number;
  readonly loops: number;
  /** Chance that nothing runs out, over the whole crate. */
  readonly target: number;
  readonly seatsPerTable: number;
  readonly shareAtOnce: number;
  readonly rigServes: number;
  /** Cost of turning one builder away, cents, and the part of an unused kit that can be used again: they set the target. null: the target is set itself. */
  readonly turnedAway: { readonly costCents: number; readonly usedAgain: number } | null;
  readonly lines: readonly KitLine[];
  readonly tiers: readonly { readonly id: string; readonly share: number }[];
}

/** What a crate depends on in a material. */
export interface KitMaterial {
  readonly id: string;
  readonly unit: StockUnit;
  readonly packSize: number;
  readonly packPriceCents: number;
  readonly onHand: number;
  /** Size of a sheet that pieces are cut from, m. */
  readonly sheetWidthM: number | null;
  readonly sheetHeightM: number | null;
}

/** What a crate depends on in a session. */
export interface KitSession {
  readonly id: string;
  readonly heads: HeadsModel;
  readonly kind: SessionKind;
  readonly cancelled: boolean;
}

/** Which part of a run a crate is for. */
export type CrateFor = { readonly kind: "run" } | { readonly kind: "session"; readonly id: string };

/** Where a run's crates stand: its id, and whether its days build on each other. */
export interface CrateRun {
  readonly id: string;
  readonly kind: RunKind;
  readonly heads: HeadsModel;
}

/**
 * What the core needs to size a crate: one session, or all of a run's; before any session exists, one session of the
 * run with the run's own heads, seeded by the run's id. A later day of a series tops the earlier days' bags up. Nothing is
 * packed for what is on line, and only what goes home where kits are picked up.
 */
export function crateInput(
  run: CrateRun,
  brief: KitBrief,
  sessions: readonly KitSession[],
  materials: readonly KitMaterial[],
  of: CrateFor,
): CrateInput {
  const planned = sessions.filter(takesKits);
  const held = planned.filter((session) => of.kind === "run" || session.id === of.id);
  const first = held[0] ? planned.indexOf(held[0]) : 0;
  const days = (list: readonly KitSession[]) => list.map(({ id, heads }) => ({ id, heads }));
  const base = crateBase(brief, materials);
  const kind = of.kind === "session" ? sessions.find(({ id }) => id === of.id)?.kind : undefined;
  return {
    ...base,
    lines: kind === "on line" ? [] : kind === "pick-up" ? base.lines.filter(goesHome) : base.lines,
    sessions: held.length === 0 ? [{ id: run.id, heads: run.heads }] : days(held),
    series: run.kind === "series" && held.length > 0 ? { before: days(planned.slice(0, first)) } : undefined,
  };
}

/** A line that is in the bag of a builder or a team and stays there: the rest waits where something is built. */
export const goesHome = ({ per, kind }: Pick<CrateLine, "per" | "kind">): boolean =>
  (per === "builder" || per === "team") && kind !== "reusable";

/** Lines that nobody packs: they come from the house. */
export function unpackedOf({ lines }: Pick<KitBrief, "lines">): readonly string[] {
  return lines.filter((line) => line.source === "house").map((line) => line.id);
}

/** Everything of a crate that is the same for all of a run's sessions. */
export function crateBase(brief: KitBrief, materials: readonly KitMaterial[]): Omit<CrateInput, "sessions" | "series"> {
  const lines = brief.lines
    .filter((line) => line.source !== "home")
    .flatMap((line) => {
      const material = materials.find((m) => m.id === line.materialId);
      return material ? [crateLine(line, material)] : [];
    });
  return {
    grouping: { teamSize: brief.teamSize, seats: brief.seatsPerTable, share: brief.shareAtOnce, rigServes: brief.rigServes },
    rebuilding: { buildBy: brief.buildBy, rate: brief.rebuildRate, loops: brief.loops },
    target: targetOf(brief, lines),
    lines,
    tiers: brief.tiers.map(({ id, share }) => ({ id, share })),
  };
}

/** The target as set, or as the cost of turning a builder away and that of an unused kit decide it; never below one half. */
export function targetOf({ target, turnedAway, buildBy, teamSize }: KitBrief, lines: readonly CrateLine[]): number {
  if (turnedAway === null) return target;
  const people = buildBy === "team" ? teamSize : 1;
  return Math.max(0.5, targetFromCosts(turnedAway.costCents * people, kitCost(buildBy, lines) * (1 - turnedAway.usedAgain)));
}

/** Cents of what one kit is packed with. */
export function kitCost(buildBy: BuiltBy, lines: readonly CrateLine[]): number {
  return lines.reduce((sum, line) => {
    if (line.per !== buildBy || line.kind === "reusable") return sum;
    const pieces = line.cut ? Math.max(1, piecesFrom(line.cut).count) : 1;
    return sum + (line.amount * line.price) / pieces;
  }, 0);
}

function crateLine(line: KitLine, material: KitMaterial): CrateLine {
  const price = material.packPriceCents / material.packSize;
  return { ...lineUse(line, material), price, onHand: material.onHand, cut: cutOf(line, material) };
}

function lineUse(line: KitLine, material: KitMaterial): LineUse {
  const { id, per } = line;
  const tier = line.tier === null ? {} : { tier: line.tier };
  switch (line.kind) {
    case "counted":
      return {
        id,
        per,
        ...tier,
        kind: "counted",
        amount: line.amount,
        perRebuild: line.perRebuild,
        spoilRate: spoilWithMiscuts(line.spoilRate, line.cut?.missRate ?? 0),
        comesBack: line.source === "house",
      };
    case "measured":
      return {
        id,
        per,
        ...tier,
        kind: "measured",
        amount: line.amount,
        perRebuild: line.perRebuild,
        spread: line.spread,
        step: material.unit === "mm" ? 10 : 1,
      };
    case "reusable":
      return { id, per, ...tier, kind: "reusable", share: line.share, unitsPerItem: line.unitsPerItem, loss: line.loss };
  }
}

/** Sizes in the core's whole units; undefined when the line is not cut or the sheet has no size. */
function cutOf({ cut }: KitLine, { sheetWidthM, sheetHeightM }: KitMaterial): CrateLine["cut"] {
  if (cut === null || sheetWidthM === null || sheetHeightM === null) return undefined;
  const whole = (m: number): number => Math.round(m * cutUnitsPerM);
  // A length takes the roll's full width: only its ends are trimmed.
  const isLength = cut.shape === "length";
  return {
    parentW: whole(sheetWidthM),
    parentH: whole(sheetHeightM),
    pieceW: whole(isLength ? sheetWidthM : cut.widthM),
    pieceH: whole(cut.shape === "disc" ? cut.widthM : cut.heightM),
    rotate: cut.rotate && !isLength,
    kerf: whole(cut.kerfM),
    trimW: isLength ? 0 : whole(cut.trimM),
    trimH: whole(cut.trimM),
    perRectangle: cut.shape === "triangle" ? 2 : 1,
  };
}
