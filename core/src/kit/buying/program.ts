import { sumText } from "../../numeric/solver.ts";
import { type BuyPack, type BuyProblem, type BuySupplier, type Demand, mostPacks, usedIn } from "./problem.ts";

/** Far below a cent together: of equal cost, fewer suppliers, then fewer packs. */
const supplierTie = 0.05;
const packTie = 0.0001;

/** What a purchase must hold to beyond the problem itself, and what it is judged by. */
export interface ProgramWish {
  /** At least one of these suppliers is done without. */
  readonly notAll?: readonly string[];
  /** At most so many suppliers. */
  readonly mostSuppliers?: number | undefined;
  /** Only the number of suppliers counts. */
  readonly countSuppliers?: boolean;
  /** Whole numbers are let go: what it then costs, no purchase can beat. */
  readonly relaxed?: boolean;
}

/**
 * The purchase as a mixed-integer program: packs x, orders y, free deliveries z. Minimise Σ price x + Σ fee (y − z);
 * for each material and day Σ size x over packs arriving by then ≥ what is wanted; goods ≥ least · y and ≥ freeFrom · z;
 * x only from suppliers that are ordered from.
 */
export function purchaseProgram(problem: BuyProblem, demands: readonly Demand[], wish: ProgramWish = {}): string {
  const { suppliers, packs } = problem;
  const index = new Map(suppliers.map((supplier, v) => [supplier.id, v]));
  const of = (pack: BuyPack): number => index.get(pack.supplier) ?? -1;
  const used = usedIn(problem);
  const most = packs.map((pack) => mostPacks(pack, suppliers[of(pack)], demands, used));
  const rows = [
    ...demandRows(problem, demands, of),
    ...packs.map((_, j) => ` u${j}: x${j} - ${most[j] ?? 0} y${of(packs[j] ?? noPack)} <= 0`),
    ...supplierRows(problem, of),
    ...wishRows(suppliers, index, wish),
  ];
  const bounds = [
    ...packs.map((_, j) => ` 0 <= x${j} <= ${most[j] ?? 0}`),
    ...suppliers.flatMap(({ freeFrom }, v) => (freeFrom === null ? [` 0 <= z${v} <= 0`] : wish.relaxed ? [` 0 <= z${v} <= 1`] : [])),
    ...(wish.relaxed ? suppliers.map((_, v) => ` 0 <= y${v} <= 1`) : []),
  ];
  const whole = wish.relaxed ? "" : `General\n ${names(packs, "x")}\nBinary\n ${names(suppliers, "y")} ${names(suppliers, "z")}\n`;
  return `Minimize\n obj: ${objective(problem, wish)}\nSubject To\n${rows.join("\n")}\nBounds\n${bounds.join("\n")}\n${whole}End\n`;
}

const noPack: BuyPack = { id: "", material: "", supplier: "", size: 1, price: 0 };

const names = (list: readonly unknown[], letter: string): string =>
  list.map((_, i) => `${letter}${i}${i % 10 === 9 ? "\n" : ""}`).join(" ");

function objective({ suppliers, packs }: BuyProblem, { countSuppliers, relaxed = false }: ProgramWish): string {
  if (countSuppliers) return sumText(suppliers.map((_, v) => [1, `y${v}`] as const));
  return sumText([
    // A bound has no ties to break, and would lie above by them.
    ...packs.map((pack, j) => [pack.price + (relaxed ? 0 : packTie), `x${j}`] as const),
    ...suppliers.map(({ fee }, v) => [fee + (relaxed ? 0 : supplierTie), `y${v}`] as const),
    ...suppliers.flatMap(({ fee, freeFrom }, v) => (freeFrom !== null && fee > 0 ? [[-fee, `z${v}`] as const] : [])),
  ]);
}

function demandRows({ suppliers, packs }: BuyProblem, demands: readonly Demand[], of: (pack: BuyPack) => number): string[] {
  return demands.map(({ material, needBy, amount }, d) => {
    const terms = packs.flatMap((pack, j) =>
      pack.material === material && (suppliers[of(pack)]?.lead ?? Number.POSITIVE_INFINITY) <= needBy
        ? [[pack.size, `x${j}`] as const]
        : [],
    );
    return ` d${d}: ${sumText(terms)} >= ${amount}`;
  });
}

function supplierRows({ suppliers, packs }: BuyProblem, of: (pack: BuyPack) => number): string[] {
  return suppliers.flatMap((supplier, v) => {
    const goods = packs.flatMap((pack, j) => (of(pack) === v ? [[pack.price, `x${j}`] as const] : []));
    if (goods.length === 0) return [];
    return [
      ` z${v}z: z${v} - y${v} <= 0`,
      ...(supplier.least > 0 ? [` l${v}: ${sumText(goods)} - ${supplier.least} y${v} >= 0`] : []),
      ...(supplier.freeFrom === null ? [] : [` f${v}: ${sumText(goods)} - ${supplier.freeFrom} z${v} >= 0`]),
    ];
  });
}

function wishRows(
  suppliers: readonly BuySupplier[],
  index: ReadonlyMap<string, number>,
  { notAll = [], mostSuppliers }: ProgramWish,
): string[] {
  const all = suppliers.map((_, v) => [1, `y${v}`] as const);
  return [
    ...(notAll.length > 0
      ? [` other: ${sumText(notAll.map((id) => [1, `y${index.get(id) ?? 0}`] as const))} <= ${notAll.length - 1}`]
      : []),
    ...(mostSuppliers === undefined ? [] : [` few: ${sumText(all)} <= ${mostSuppliers}`]),
  ];
}
