import { type PackMaterial, plainMaterial } from "@lampcrate/contract";

// What a material is travels; how much of it a house has does not.
const { onHand: _, perWeek: __, ...plain } = plainMaterial;

type Extra = Partial<Omit<PackMaterial, "key" | "name">>;

const material = (key: string, name: string, packSize: number, packPriceCents: number, extra: Extra = {}): PackMaterial => ({
  key,
  ...plain,
  name,
  packSize,
  packPriceCents,
  ...extra,
});

const sheet = (
  key: string,
  name: string,
  packSize: number,
  cents: number,
  widthM: number,
  heightM: number,
  extra: Extra = {},
): PackMaterial => material(key, name, packSize, cents, { sheetWidthM: widthM, sheetHeightM: heightM, ...extra });

/** What starters are made of, with usual pack sizes; prices are a guess that the store room corrects. */
export const starterMaterials: readonly PackMaterial[] = [
  sheet("copy-paper", "Copy paper", 500, 600, 0.21, 0.297),
  sheet("newsprint", "Newsprint sheet", 60, 0, 0.57, 0.4),
  sheet("construction", "Construction paper sheet", 100, 900, 0.229, 0.305),
  sheet("card", "Thin card, large sheet", 25, 1200, 0.5, 0.7),
  sheet("corrugated", "Corrugated card sheet", 10, 800, 0.6, 0.8, { hazards: ["sharp edge"] }),
  sheet("foil", "Kitchen foil, 10 m roll", 1, 450, 0.3, 10, { hazards: ["sharp edge"] }),
  sheet("bag", "Bin bag", 50, 500, 0.5, 0.6, { hazards: ["film"] }),
  material("filter", "Coffee filter", 100, 300),
  material("tape-peels", "Tape that peels, 24 mm", 50_000, 350, { unit: "mm" }),
  material("tape-holds", "Tape that holds, roll", 33_000, 200, { unit: "mm" }),
  material("string", "Cotton string", 100_000, 500, { unit: "mm" }),
  material("clay", "Modelling clay", 1000, 700, { unit: "g" }),
  material("spaghetti", "Dry spaghetti", 250, 120, { allergens: ["wheat"], hazards: ["snaps"] }),
  material("straw", "Paper straw", 100, 350),
  material("stick", "Flat wooden stick", 200, 500),
  material("skewer", "Wooden skewer", 100, 250, { hazards: ["pointed"] }),
  material("band-thin", "Thin rubber band", 200, 400, { smallPart: true, latex: true }),
  material("band-middle", "Middle rubber band", 100, 400, { smallPart: true, latex: true }),
  material("clip", "Clothes clip", 50, 450, { smallPart: true }),
  material("paper-clip", "Paper clip", 100, 140, { smallPart: true }),
  material("washer", "M10 washer", 100, 650, { smallPart: true }),
  material("coin", "Play coin, 5 g", 100, 500, { smallPart: true }),
  material("cup", "Paper cup", 50, 400),
  material("cork", "Bottle cork", 50, 900, { smallPart: true }),
  material("pompom", "Pompom, 25 mm", 100, 500, { smallPart: true }),
  material("marble", "Glass marble, 16 mm", 50, 400, { smallPart: true }),
  material("brick", "Studded brick, 2 by 4", 200, 2500, { smallPart: true }),
  material("load-bag", "Load bag, 100 g", 10, 1500),
  material("bucket", "Small bucket", 1, 300),
  material("sand", "Play sand", 10_000, 600, { unit: "g" }),
  material("tub", "Tub", 1, 900),
  material("towel", "Towel", 5, 1500),
  material("tray", "Catch tray", 1, 700),
  material("ruler", "Ruler", 10, 700),
  material("tape-measure", "Tape measure, 5 m", 1, 500),
  material("scale", "Kitchen scale", 1, 1500),
  material("stopwatch", "Stopwatch", 1, 1200),
  material("scissors", "Scissors", 10, 2500),
  material("goggles", "Goggles", 10, 2500),
  material("figure", "Clay figure, 30 g", 20, 1800),
  material("shell", "Hollow shell with beads", 20, 2200, { smallPart: true }),
  material("cotton", "Cotton balls", 200, 300),
  material("egg-tray", "Card egg tray", 10, 0),
  material("tube", "Card tube", 24, 0),
  material("bottle", "Soft drink bottle, empty", 6, 0),
  material("pipe", "Launch pipe with tube", 1, 1800),
  material("wheel", "Card wheel, 120 mm", 40, 800),
  material("lid", "Bottle lid", 100, 0, { smallPart: true }),
  material("fan", "Guarded floor fan", 1, 4500),
  material("magnet", "Bar magnet in a case", 5, 1200),
  material("felt", "Felt sheet", 10, 700),
  material("balloon", "Balloon", 50, 400, { smallPart: true, latex: true }),
];
