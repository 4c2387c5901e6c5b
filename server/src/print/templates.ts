import type { CutShape, KitLine } from "@lampcrate/core";
import { showQuantity, type UnitChoice } from "@lampcrate/core";
import type { CratePapers } from "../services/store/cratePapers.ts";
import { materialOf } from "./crateWords.ts";
import { ink, mm, type Paper, pdfOf, soft } from "./paper.ts";

/** Points in a metre. */
const metre = 1000 * mm;

/** True-size templates of every piece that is cut, over as many pages as they need, each with a length to check the print by. */
export function templatesPdf(papers: CratePapers): Promise<Uint8Array<ArrayBuffer>> {
  const { units } = papers.run;
  return pdfOf(papers.house.units, `Templates, ${papers.run.title}`, (paper) => {
    const cut = papers.lines.filter((line) => line.cut !== null && line.cut.shape !== "length");
    let pages = 0;
    const next = (): void => {
      if (pages > 0) paper.pdf.addPage();
      pages += 1;
    };
    for (const line of cut) {
      const name = materialOf(papers, line.id)?.name ?? "material";
      drawTemplate(paper, line, name, units, next);
    }
    if (cut.length === 0)
      paper.write("Nothing here is cut to a shape, so there is nothing to draw round.", {
        x: paper.margin,
        y: paper.margin,
        width: paper.width - 2 * paper.margin,
        size: 12,
      });
  });
}

/** Room for the words above and the check length below. */
const head = 30 * mm;
const foot = 20 * mm;

function drawTemplate(paper: Paper, { cut }: KitLine, name: string, units: UnitChoice, next: () => void): void {
  if (cut === null) return;
  const { pdf, margin } = paper;
  const [w, h] = [cut.widthM * metre, (cut.shape === "disc" ? cut.widthM : cut.heightM) * metre];
  const [roomW, roomH] = [paper.width - 2 * margin, paper.height - margin - head - foot];
  const [across, down] = [Math.ceil(w / roomW - 1e-9), Math.ceil(h / roomH - 1e-9)];
  const size = cut.shape === "disc" ? `${show(cut.widthM, units)} across` : `${show(cut.widthM, units)} × ${show(cut.heightM, units)}`;
  for (let j = 0; j < down; j += 1)
    for (let i = 0; i < across; i += 1) {
      next();
      const part = across * down === 1 ? "" : `, part ${j * across + i + 1} of ${across * down}: tape edge to edge at the crosses`;
      paper.write(`${name}: ${cut.shape}, ${size}`, { x: margin, y: margin, width: roomW, size: 15, face: "heading" });
      paper.write(`True size${part}. Print at 100 %, not “fit to page”.`, {
        x: margin,
        y: margin + 21,
        width: roomW,
        size: 10,
        colour: soft,
      });
      pdf.save();
      pdf.rect(margin, head, roomW, roomH).clip();
      pdf.translate(margin - i * roomW, head - j * roomH);
      drawShape(paper, cut.shape, w, h);
      pdf.restore();
      if (across * down > 1) drawCrosses(paper, roomW, roomH);
      drawCheck(paper, units);
    }
}

function drawShape({ pdf }: Paper, shape: CutShape, w: number, h: number): void {
  pdf.lineWidth(0.8).strokeColor(ink);
  if (shape === "disc") {
    pdf.circle(w / 2, w / 2, w / 2).stroke();
    pdf
      .moveTo(w / 2 - 6, w / 2)
      .lineTo(w / 2 + 6, w / 2)
      .moveTo(w / 2, w / 2 - 6)
      .lineTo(w / 2, w / 2 + 6)
      .lineWidth(0.4)
      .stroke(soft);
  } else if (shape === "triangle") pdf.moveTo(0, 0).lineTo(0, h).lineTo(w, h).closePath().stroke();
  else pdf.rect(0, 0, w, h).stroke();
}

/** Where a page meets its neighbours. */
function drawCrosses({ pdf, margin }: Paper, roomW: number, roomH: number): void {
  for (const [x, y] of [
    [margin, head],
    [margin + roomW, head],
    [margin, head + roomH],
    [margin + roomW, head + roomH],
  ] as const)
    pdf
      .moveTo(x - 8, y)
      .lineTo(x + 8, y)
      .moveTo(x, y - 8)
      .lineTo(x, y + 8)
      .lineWidth(0.5)
      .stroke(soft);
}

/** A line of known length: measured with a ruler, it says whether the print is true. */
function drawCheck(paper: Paper, units: UnitChoice): void {
  const { pdf, margin } = paper;
  const [length, words] = units === "metric" ? [100 * mm, "This line is 100 mm long"] : [4 * 72, "This line is 4 in long"];
  const y = paper.height - 13 * mm;
  pdf
    .moveTo(margin, y)
    .lineTo(margin + length, y)
    .moveTo(margin, y - 5)
    .lineTo(margin, y + 5)
    .moveTo(margin + length, y - 5)
    .lineTo(margin + length, y + 5);
  pdf.lineWidth(0.9).stroke(ink);
  paper.write(`${words}: hold a ruler to it before you cut.`, {
    x: margin + length + 10,
    y: y - 7,
    width: paper.width - 2 * margin - length - 10,
    size: 10,
  });
}

const show = (m: number, units: UnitChoice): string => showQuantity(m, "length", units, units === "metric" ? "mm" : "in");
