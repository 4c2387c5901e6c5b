import type { MaterialDoc } from "@lampcrate/contract";
import { amountWords, dateWords, type KitCut, type Packed, shortDate, showQuantity, type UnitChoice } from "@lampcrate/core";
import type { CratePapers } from "../services/store/cratePapers.ts";

/** The material of a line. */
export function materialOf({ lines, materials }: CratePapers, lineId: string): MaterialDoc | undefined {
  return materials.get(lines.find((line) => line.id === lineId)?.materialId ?? "");
}

/** "4 × Newsprint sheet", "1.2 m Tape that peels". */
export function packedWords(papers: CratePapers, { lineId, amount }: Packed): string {
  const material = materialOf(papers, lineId);
  if (!material) return "";
  const size = amountWords(amount, material.unit, papers.run.units);
  const piece = papers.lines.find((line) => line.id === lineId)?.cut;
  const cut = piece ? `, ${cutWords(piece, papers.run.units)}` : "";
  return material.unit === "piece" ? `${size} × ${material.name}${cut}` : `${size} ${material.name}`;
}

/** How large a piece is cut: "10 cm by 8 cm", "25 cm across", "60 cm long". */
export function cutWords({ shape, widthM, heightM }: KitCut, units: UnitChoice): string {
  const show = (m: number): string => showQuantity(m, "length", units);
  if (shape === "disc") return `${show(widthM)} across`;
  return shape === "length" ? `${show(heightM)} long` : `${show(widthM)} by ${show(heightM)}`;
}

/** What to mind about some lines: allergens, latex and small parts. Empty when nothing. */
export function mindWords(papers: CratePapers, lineIds: readonly string[]): readonly string[] {
  const used = lineIds.flatMap((id) => materialOf(papers, id) ?? []);
  const allergens = [...new Set(used.flatMap((m) => m.allergens))];
  const small = used.filter((m) => m.smallPart).map((m) => m.name);
  return [
    ...(allergens.length > 0 ? [`Contains ${allergens.join(", ")}.`] : []),
    ...(used.some((m) => m.latex) ? ["Contains latex."] : []),
    ...(small.length > 0 ? ["Small parts: not for under-threes."] : []),
  ];
}

/** The crate's day and place in words. */
export function dayWords({ session }: CratePapers): string {
  return session ? dateWords(session.start.slice(0, 10)) : "before it has a day";
}

export function shortDayWords({ session }: CratePapers): string {
  return session ? shortDate(session.start.slice(0, 10), null) : "";
}
