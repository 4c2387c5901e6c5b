import type { BriefDoc } from "@lampcrate/contract";
import { follows, type KitLine, kitCut, unbound, usualLine } from "@lampcrate/core";
import { startingBrief } from "@lampcrate/server";
import type { MaterialKey } from "./house.ts";

type Line = Partial<KitLine> & { readonly material: MaterialKey };

/** A brief of the demo; lines name their material by key. */
export interface DemoBrief {
  readonly brief: BriefDoc;
  readonly lines: readonly Line[];
}

/** A line with the usual numbers where none are given. */
export function fullLine({ material: _, ...line }: Line, id: string, materialId: string): KitLine {
  return { ...usualLine(id, materialId), ...line };
}

export const boardwalk: DemoBrief = {
  brief: {
    ...startingBrief("span"),
    story:
      "The bog path at Quillmarsh floods each storm season. A boardwalk has to reach across the soft part and carry a marsh keeper with her basket.",
    spec: { gapM: 0.54, loadKg: 0.9, holdS: 15, deckHeightM: 0.15, loading: "singly" },
    design: {
      ...startingBrief("span").design,
      form: "sandwich",
      sheet: "thin-card",
      widthM: 0.1,
      developedM: 0.16,
      depthM: 0.01,
      sideM: 0.02,
    },
    buildBy: "team",
    teamSize: 2,
    rebuildRate: 0.45,
    loops: 2,
    shareAtOnce: 0.38,
    rigServes: 30,
    cautions: [{ id: "demo-bog", words: "Load bags stay on the rig's tray: nobody carries more than one." }],
  },
  lines: [
    { material: "newsprint", per: "team", amount: 4, perRebuild: 0.75, spoilRate: 0.06, source: "packed", standIn: "old newspaper" },
    {
      material: "card",
      per: "team",
      amount: 2,
      perRebuild: 0.5,
      spoilRate: 0.05,
      cut: kitCut({ widthM: 0.1, heightM: 0.6 }),
      bind: { ...unbound, cutWidth: follows("widthM"), cutHeight: follows("gapM", { plus: 0.06 }) },
      standIn: "cereal boxes, opened out",
      // A box gives two strips, joined in the middle.
      standInRatio: 0.5,
    },
    { material: "tape", per: "team", kind: "measured", amount: 1200, spread: 0.4, standIn: "paper glue" },
    { material: "scissors", per: "team", kind: "reusable", share: 0.38, unitsPerItem: 1, loss: 0.5, source: "house" },
    {
      material: "loadBags",
      per: "rig",
      amount: 15,
      bind: { ...unbound, amount: follows("loadKg", { times: 16.5, round: "up" }) },
      perRebuild: 0,
      spoilRate: 0,
      source: "house",
      standIn: "bags of rice, weighed",
    },
    { material: "rulers", per: "table", amount: 2, perRebuild: 0, spoilRate: 0, source: "house" },
    { material: "pencils", per: "builder", kind: "reusable", share: 0.38, loss: 1.5, source: "home" },
  ],
};

export const spinner: DemoBrief = {
  brief: {
    ...startingBrief("descent"),
    story: "Storm season shakes the seeds from the marsh maples. The longer a seed stays up, the farther the wind carries it.",
    prize: "Three who met the goal are drawn by lot: each lets a seed go from the tower at dusk.",
    spec: { heightM: 1.8, cargoKg: 0.001, goalS: 1.5, place: "indoors" },
    design: { kind: "spinner", sizeM: 0.09, canopyKg: 0.0014 },
    youngestAge: 5,
    rebuildRate: 0.6,
    loops: 2,
    shareAtOnce: 1,
    rigServes: 40,
    translations: {
      es: {
        "Three who met the goal are drawn by lot: each lets a seed go from the tower at dusk.":
          "Tres que alcanzaron la meta se eligen por sorteo: cada una suelta una semilla desde la torre al anochecer.",
        "Take-home paper bag": "Bolsa de papel para llevar",
        Pencil: "Lápiz",
        "any thin paper, or newsprint": "cualquier papel fino, o de periódico",
        "a bit of modelling clay": "un poco de arcilla de modelar",
        "long wings, one clip": "alas largas, un clip",
      },
    },
  },
  lines: [
    {
      material: "copyPaper",
      amount: 3,
      perRebuild: 0.34,
      spoilRate: 0.05,
      cut: kitCut({ widthM: 0.06, heightM: 0.2 }),
      bind: { ...unbound, cutHeight: follows("sizeM", { plus: 0.11 }) },
      standIn: "any thin paper, or newsprint",
    },
    { material: "clips", amount: 4, perRebuild: 0.25, spoilRate: 0.02, standIn: "a bit of modelling clay" },
    { material: "bags", amount: 1, perRebuild: 0, spoilRate: 0.01 },
    { material: "pencils", kind: "reusable", share: 1, loss: 0, source: "home" },
    { material: "rulers", kind: "reusable", share: 1, loss: 0, source: "home", standIn: "a tape measure" },
  ],
};

export const raft: DemoBrief = {
  brief: {
    ...startingBrief("float"),
    story:
      "The reed cutters are cut off by the flood. Fold them a raft that carries as much as it can without a drop coming over the edge.",
    spec: { sideM: 0.2, token: "washer-m10", goalCount: 80, waterM: 0.12 },
    design: { form: "box", sheet: "kitchen-foil", wallM: 0.03 },
    youngestAge: 7,
    rebuildRate: 0.5,
    loops: 2,
    shareAtOnce: 1,
    rigServes: 8,
  },
  lines: [
    {
      material: "foil",
      amount: 1,
      perRebuild: 1,
      spoilRate: 0.08,
      cut: kitCut({ widthM: 0.2, heightM: 0.2 }),
      bind: { ...unbound, cutWidth: follows("sideM"), cutHeight: follows("sideM") },
      standIn: "baking paper",
    },
    {
      material: "washers",
      per: "rig",
      amount: 160,
      bind: { ...unbound, amount: follows("goalCount", { times: 2, round: "up" }) },
      perRebuild: 0,
      spoilRate: 0,
      source: "house",
      standIn: "coins of one kind, weighed",
    },
    { material: "tubs", per: "rig", kind: "reusable", share: 1, loss: 0, source: "house", standIn: "a deep oven dish" },
    { material: "towels", per: "rig", kind: "reusable", share: 1, loss: 0.2, source: "house" },
    { material: "rulers", per: "table", amount: 2, perRebuild: 0, spoilRate: 0, source: "house" },
  ],
};
