import { type MaterialInput, plainMaterial, type RoomDoc } from "@lampcrate/contract";

/** Rooms of Quillmarsh Hall. */
export const rooms: readonly RoomDoc[] = [
  { id: "marsh-room", name: "Marsh Room", lengthM: 12.5, widthM: 8, heightM: 3.1, seats: 48, water: true, floor: "hard" },
  { id: "weather-loft", name: "Weather Loft", lengthM: 9, widthM: 6, heightM: 4.2, seats: 28, water: false, floor: "carpet" },
  { id: "library-corner", name: "Library corner", lengthM: 6, widthM: 4, heightM: 2.7, seats: 18, water: false, floor: "carpet" },
];

/** Who is on sessions; whole hours a week, and when they are away, in days from the day the demo is loaded on. */
export const people = [
  { id: "marsh-sedge", name: "Marsh Sedge", weekHours: 38, away: [] },
  { id: "fen-plover", name: "Fen Plover", weekHours: 30, away: [] },
  { id: "rush-tern", name: "Rush Tern", weekHours: 20, away: [{ from: 12, to: 16, why: "course" }] },
  { id: "ivy-curlew", name: "Ivy Curlew", weekHours: 12, away: [{ from: -4, to: -1, why: "leave" }] },
  { id: "moss-lark", name: "Moss Lark", weekHours: 8, away: [] },
  { id: "dune-pipit", name: "Dune Pipit", weekHours: null, away: [] },
] as const;
export type PersonKey = (typeof people)[number]["id"];

type Key =
  | "newsprint"
  | "card"
  | "tape"
  | "loadBags"
  | "scissors"
  | "copyPaper"
  | "clips"
  | "foil"
  | "washers"
  | "tubs"
  | "towels"
  | "rulers"
  | "stopwatches"
  | "bags"
  | "string"
  | "pencils";

const material = (name: string, values: Partial<MaterialInput>): MaterialInput => ({
  ...plainMaterial,
  name,
  packPriceCents: 100,
  ...values,
});

/** What is in the store room. Prices are made up. */
export const materials: Readonly<Record<Key, MaterialInput>> = {
  newsprint: material("Newsprint sheet", { packSize: 50, packPriceCents: 0, onHand: 650, perWeek: 320 }),
  card: material("Thin card, large sheet", { packSize: 25, packPriceCents: 1150, onHand: 56, sheetWidthM: 0.7, sheetHeightM: 0.5 }),
  tape: material("Tape that peels, 24 mm", { unit: "mm", packSize: 50_000, packPriceCents: 420, onHand: 120_000 }),
  loadBags: material("Load bag, 100 g", { packSize: 10, packPriceCents: 1800, onHand: 45 }),
  scissors: material("Scissors", { packPriceCents: 260, onHand: 30 }),
  copyPaper: material("Copy paper", { packSize: 500, packPriceCents: 520, onHand: 190, sheetWidthM: 0.297, sheetHeightM: 0.21 }),
  clips: material("Paper clip", { packSize: 100, packPriceCents: 140, onHand: 260, smallPart: true }),
  foil: material("Kitchen foil, 10 m roll", { packPriceCents: 390, onHand: 1, sheetWidthM: 0.3, sheetHeightM: 10 }),
  washers: material("M10 washer", { packSize: 100, packPriceCents: 650, onHand: 240, smallPart: true }),
  tubs: material("Tub", { packPriceCents: 700, onHand: 4 }),
  towels: material("Towel", { packPriceCents: 300, onHand: 12 }),
  rulers: material("Ruler", { packPriceCents: 80, onHand: 24 }),
  stopwatches: material("Stopwatch", { packPriceCents: 900, onHand: 6 }),
  bags: material("Take-home paper bag", { packSize: 50, packPriceCents: 600, onHand: 120 }),
  string: material("Cotton string", { unit: "mm", packSize: 100_000, packPriceCents: 350, onHand: 80_000 }),
  pencils: material("Pencil", { packSize: 12, packPriceCents: 240, onHand: 60 }),
};

export type MaterialKey = Key;
