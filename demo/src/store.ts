import type { PackDoc, SupplierInput } from "@lampcrate/contract";
import { addMove, addSupplier, type Deps, materialList, type Person, placeOrders, stepOrder } from "@lampcrate/server";

/** A pack by its material's name: size in the material's unit, price in cents, most they have. */
type Pack = readonly [material: string, size: number, priceCents: number, most?: number];

interface DemoSupplier extends Omit<SupplierInput, "packs"> {
  readonly packs: readonly Pack[];
}

/** Who sells what to Quillmarsh Hall. Names, packs and prices are made up. */
const suppliers: readonly DemoSupplier[] = [
  {
    name: "Reedbank Papers",
    leadDays: 4,
    feeCents: 690,
    freeFromCents: 6000,
    leastCents: 1500,
    packs: [
      ["Thin card, large sheet", 25, 1090],
      ["Thin card, large sheet", 100, 3900],
      ["Copy paper", 500, 520],
      ["Take-home paper bag", 50, 560],
      ["Paper straw", 100, 290],
      ["Bin bag", 50, 430],
      ["Flat wooden stick", 200, 460],
      ["Dry spaghetti", 250, 130],
    ],
  },
  {
    name: "Sluice Gate Hardware",
    leadDays: 2,
    feeCents: 450,
    freeFromCents: null,
    leastCents: 0,
    packs: [
      ["Tape that peels, 24 mm", 50_000, 420],
      ["Cotton string", 100_000, 380],
      ["M10 washer", 100, 640],
      ["M10 washer", 500, 2700],
      ["Wooden skewer", 100, 260],
      ["Clothes clip", 50, 470],
      ["Goggles", 10, 2400],
      ["Scissors", 10, 2300],
      ["Kitchen scale", 1, 1600],
      ["Guarded floor fan", 1, 4400, 2],
    ],
  },
  {
    name: "Tideline School Stores",
    leadDays: 7,
    feeCents: 890,
    freeFromCents: 12_000,
    leastCents: 2500,
    packs: [
      ["Thin card, large sheet", 100, 3450],
      ["Tape that peels, 24 mm", 300_000, 2250],
      ["Paper straw", 500, 1150],
      ["Clothes clip", 100, 790],
      ["Thin rubber band", 200, 390],
      ["Pompom, 25 mm", 100, 480],
      ["Modelling clay", 1000, 680],
      ["Clay figure, 30 g", 20, 1750],
      ["Flat wooden stick", 1000, 1900],
      ["Goggles", 20, 4100],
      ["Load bag, 100 g", 10, 1700],
    ],
  },
  {
    name: "Dyke Road Corner Shop",
    leadDays: 1,
    feeCents: 0,
    freeFromCents: null,
    leastCents: 0,
    packs: [
      ["Kitchen foil, 10 m roll", 1, 410, 6],
      ["Paper clip", 100, 190, 5],
      ["Tape that peels, 24 mm", 10_000, 210, 8],
      ["Dry spaghetti", 250, 150, 12],
      ["Paper straw", 50, 260, 4],
      ["Bin bag", 25, 310],
    ],
  },
];

/** What starters brought in that the house has had for years. */
const alreadyThere: Readonly<Record<string, number>> = {
  Goggles: 20,
  "Kitchen scale": 2,
  "Clay figure, 30 g": 12,
  "Bottle lid": 50,
  "Pompom, 25 mm": 70,
  "Thin rubber band": 60,
  "Flat wooden stick": 140,
  "Modelling clay": 500,
};

/** Fills the store room's history in: suppliers, old orders that arrived, one on its way, what people brought. */
export class DemoStore {
  private readonly suppliers: Readonly<Record<string, string>>;

  constructor(
    private readonly deps: Deps,
    private readonly planner: Person,
  ) {
    const ids = new Map(materialList(deps.db).map((m) => [m.name, m.id]));
    this.suppliers = Object.fromEntries(
      suppliers.map(({ packs, ...terms }) => {
        const known = packs.flatMap(([name, size, priceCents, most], i): readonly PackDoc[] => {
          const materialId = ids.get(name);
          return materialId === undefined
            ? []
            : [
                {
                  id: `pack-${i}-${terms.name.slice(0, 8).toLowerCase()}`.replace(/\W/g, "-"),
                  materialId,
                  size,
                  priceCents,
                  most: most ?? null,
                },
              ];
        });
        return [terms.name, addSupplier(deps, { ...terms, packs: known }).id];
      }),
    );
  }

  /** An order of so many packs of one size; gives its id. */
  order(supplier: string, material: string, size: number, count: number, priceCents: number, feeCents: number): string {
    const item = { materialId: this.material(material), size, count, priceCents };
    const [placed] = placeOrders(this.deps, this.planner, {
      orders: [{ supplierId: this.suppliers[supplier] ?? "", feeCents, items: [item] }],
    });
    return placed?.id ?? "";
  }

  arrived(order: string): void {
    stepOrder(this.deps, this.planner, order, "arrived");
  }

  move(material: string, amount: number, reason: "collected" | "used up" | "lost or broken" | "put right", words: string): void {
    addMove(this.deps, this.planner, this.material(material), { amount, reason, words });
  }

  /** What was on the shelves before any list was kept. */
  findWhatWasThere(): void {
    for (const [name, amount] of Object.entries(alreadyThere)) this.move(name, amount, "put right", "counted on the top shelf");
  }

  private material(name: string): string {
    const found = materialList(this.deps.db).find((m) => m.name === name);
    if (!found) throw new Error(`the demo has no ${name}`);
    return found.id;
  }
}

const day = 86_400_000;

/** What the store room saw in six weeks. */
export function stockHistory(deps: Deps, planner: Person, setClock: (instant: number) => void, now: number): void {
  setClock(now - 33 * day);
  const store = new DemoStore(deps, planner);
  const tape = store.order("Sluice Gate Hardware", "Tape that peels, 24 mm", 50_000, 3, 420, 450);
  setClock(now - 31 * day);
  store.arrived(tape);
  const card = store.order("Reedbank Papers", "Thin card, large sheet", 25, 1, 1090, 690);
  store.move("Newsprint sheet", 240, "collected", "from the Saturday families");
  setClock(now - 26 * day);
  store.arrived(card);
  store.move("Newsprint sheet", 190, "collected", "from the library corner");
  store.move("Scissors", -2, "lost or broken", "points bent");
  setClock(now - 5 * day);
  store.findWhatWasThere();
  setClock(now - 2 * day);
  store.order("Reedbank Papers", "Copy paper", 500, 1, 520, 690);
}
