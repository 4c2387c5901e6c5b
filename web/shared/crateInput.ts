import type { BriefDoc, BriefLine, MaterialDoc, SessionDoc } from "@lampcrate/contract";
import { type CrateInput, type CrateLine, cutUnitsPerM, type HeadsModel, type LineUse } from "@lampcrate/core";

/** Which part of a run a crate is for. */
export type CrateFor = { readonly kind: "run" } | { readonly kind: "session"; readonly id: string };

/**
 * What the core needs to size a crate: one session, or all of a run's; before any session exists, one session of the
 * run with the run's own heads, seeded by the run's id.
 */
export function crateInput(
  runId: string,
  brief: BriefDoc,
  heads: HeadsModel,
  sessions: readonly SessionDoc[],
  materials: readonly MaterialDoc[],
  of: CrateFor,
): CrateInput {
  const held = sessions.filter((session) => !session.cancelled && (of.kind === "run" || session.id === of.id));
  return {
    sessions: held.length === 0 ? [{ id: runId, heads }] : held.map((session) => ({ id: session.id, heads: session.heads })),
    grouping: { teamSize: brief.teamSize, seats: brief.seatsPerTable, share: brief.shareAtOnce, rigServes: brief.rigServes },
    rebuilding: { buildBy: brief.buildBy, rate: brief.rebuildRate, loops: brief.loops },
    target: brief.target,
    lines: brief.lines
      .filter((line) => line.source !== "home")
      .flatMap((line) => {
        const material = materials.find((m) => m.id === line.materialId);
        return material ? [crateLine(line, material)] : [];
      }),
    tiers: brief.tiers.map(({ id, share }) => ({ id, share })),
  };
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
      return { id, per, ...tier, kind: "counted", amount: line.amount, perRebuild: line.perRebuild, spoilRate: line.spoilRate };
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
function cutOf(line: BriefLine, material: MaterialDoc): CrateLine["cut"] {
  if (line.cut === null || material.sheetWidthM === null || material.sheetHeightM === null) return undefined;
  const whole = (m: number): number => Math.round(m * cutUnitsPerM);
  return {
    parentW: whole(material.sheetWidthM),
    parentH: whole(material.sheetHeightM),
    pieceW: whole(line.cut.widthM),
    pieceH: whole(line.cut.heightM),
    rotate: line.cut.rotate,
    kerf: 0,
    trimW: 0,
    trimH: 0,
  };
}
