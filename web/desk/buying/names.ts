import type { BuyingDoc, MaterialDoc } from "@lampcrate/contract";
import { addDays, amountWords, type SeasonCrate, shortDate } from "@lampcrate/core";

/** How the season's things are called and shown. */
export interface Names {
  readonly material: (id: string) => string;
  readonly crate: (id: string) => string;
  readonly supplier: (id: string) => string;
  /** An amount of a material in its unit; what is cut counts in whole sheets. */
  readonly amount: (materialId: string, amount: number) => string;
  readonly date: (date: string) => string;
  /** A day counted from today. */
  readonly day: (day: number) => string;
}

export function namesOf(doc: BuyingDoc, crates: readonly SeasonCrate[]): Names {
  const material = (id: string): MaterialDoc | undefined => doc.materials.find((m) => m.id === id);
  const crateNames = new Map(crates.map(({ id, date, runTitle }) => [id, `${shortDate(date, doc.today)}, ${runTitle}`]));
  return {
    material: (id) => material(id)?.name ?? "gone from the store room",
    crate: (id) => crateNames.get(id) ?? "",
    supplier: (id) => doc.suppliers.find((s) => s.id === id)?.name ?? "gone",
    amount: (id, amount) => amountWords(amount, material(id)?.unit ?? "piece", doc.house.units),
    day: (day) => shortDate(addDays(doc.today, day), doc.today),
    date: (date) => shortDate(date, doc.today),
  };
}
