import {
  type CrateInput,
  type CrateLine,
  cutUnitsPerM,
  type HeadsModel,
  type LineUse,
  piecesFrom,
  spoilWithMiscuts,
  targetFromCosts,
} from "@lampcrate/core";
import type { BriefDoc, BriefLine } from "./brief.ts";
import type { MaterialDoc } from "./material.ts";
import type { RunKind, SessionDoc } from "./run.ts";

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
 * run with the run's own heads, seeded by the run's id. A later day of a series tops the earlier days' bags up.
 */
export function crateInput(
  run: CrateRun,
  brief: BriefDoc,
  sessions: readonly SessionDoc[],
  materials: readonly MaterialDoc[],
  of: CrateFor,
): CrateInput {
  const planned = sessions.filter((session) => !session.cancelled);
  const held = planned.filter((session) => of.kind === "run" || session.id === of.id);
  const first = held[0] ? planned.indexOf(held[0]) : 0;
  const days = (list: readonly SessionDoc[]) => list.map(({ id, heads }) => ({ id, heads }));
  return {
    ...crateBase(brief, materials),
    sessions: held.length === 0 ? [{ id: run.id, heads: run.heads }] : days(held),
    series: run.kind === "series" && held.length > 0 ? { id: run.id, before: days(planned.slice(0, first)) } : undefined,
  };
}

/** Lines that nobody packs: they come from the house. */
export function unpackedOf({ lines }: Pick<BriefDoc, "lines">): readonly string[] {
  return lines.filter((line) => line.source === "house").map((line) => line.id);
}

/** Everything of a crate that is the same for all of a run's sessions. */
export function crateBase(brief: BriefDoc, materials: readonly MaterialDoc[]): Omit<CrateInput, "sessions" | "series"> {
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
export function targetOf({ target, turnedAway, buildBy, teamSize }: BriefDoc, lines: readonly CrateLine[]): number {
  if (turnedAway === null) return target;
  const people = buildBy === "team" ? teamSize : 1;
  return Math.max(0.5, targetFromCosts(turnedAway.costCents * people, kitCost(buildBy, lines) * (1 - turnedAway.usedAgain)));
}

/** Cents of what one kit is packed with. */
export function kitCost(buildBy: BriefDoc["buildBy"], lines: readonly CrateLine[]): number {
  return lines.reduce((sum, line) => {
    if (line.per !== buildBy || line.kind === "reusable") return sum;
    const pieces = line.cut ? Math.max(1, piecesFrom(line.cut).count) : 1;
    return sum + (line.amount * line.price) / pieces;
  }, 0);
}

function crateLine(line: BriefLine, material: MaterialDoc): CrateLine {
  const price = material.packPriceCents / material.packSize;
  return { ...lineUse(line, material), price, onHand: material.onHand, cut: cutOf(line, material) };
}

function lineUse(line: BriefLine, material: MaterialDoc): LineUse {
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
function cutOf({ cut }: BriefLine, { sheetWidthM, sheetHeightM }: MaterialDoc): CrateLine["cut"] {
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
