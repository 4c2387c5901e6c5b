import { type LabelSheet, type LabelSheetId, labelSheets } from "@lampcrate/contract";
import { bagCode } from "@lampcrate/core";
import type { CratePapers } from "../services/store/cratePapers.ts";
import { drawBarcode } from "./barcode.ts";
import { mindWords, packedWords, shortDayWords } from "./crateWords.ts";
import { mm, type Paper, pdfOf, soft } from "./paper.ts";

/** One label for every bag: its run and day, its code as letters and bars, what is in it, what to mind. `skip`: labels already used up. */
export function labelsPdf(papers: CratePapers, sheetId: LabelSheetId, skip = 0): Promise<Uint8Array<ArrayBuffer>> {
  const sheet: LabelSheet = labelSheets[sheetId];
  return pdfOf(sheet.paper, `Labels, ${papers.run.title}`, (paper) => {
    const perPage = sheet.across * sheet.down;
    const bags = papers.packing.bags.flatMap(({ tier, count, contents }) => Array.from({ length: count }, () => ({ tier, contents })));
    if (bags.length === 0)
      paper.write("Nothing goes into bags: every line is shared, or stands for tables, rigs or the session.", {
        x: paper.margin,
        y: paper.margin,
        width: paper.width - 2 * paper.margin,
        size: 12,
      });
    for (const [i, bag] of bags.entries()) {
      const place = (i + (skip % perPage)) % perPage;
      if (place === 0 && i > 0) paper.pdf.addPage();
      const x = (sheet.left + (place % sheet.across) * (sheet.width + sheet.gap)) * mm;
      const y = (sheet.top + Math.floor(place / sheet.across) * sheet.height) * mm;
      drawLabel(paper, papers, bag, i + 1, { x, y, width: sheet.width * mm, height: sheet.height * mm });
    }
  });
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const inset = 2.6 * mm;

function drawLabel(
  paper: Paper,
  papers: CratePapers,
  bag: Pick<CratePapers["packing"]["bags"][number], "tier" | "contents">,
  number: number,
  box: Box,
): void {
  const code = bagCode(papers.session?.id ?? papers.run.id, number);
  const [x, width] = [box.x + inset, box.width - 2 * inset];
  const small = box.height < 30 * mm;
  const barHeight = small ? 6 * mm : 8.5 * mm;
  const foot = box.y + box.height - inset;
  const head = small ? 7 : 8.5;
  const codeWidth = 20 * mm;
  const title = oneLine(paper, papers.run.title, { width: width - codeWidth - 2, size: head, face: "heading" });
  paper.write(title, { x, y: box.y + inset - 1, width: width - codeWidth, size: head, face: "heading" });
  paper.write(code, { x: x + width - codeWidth, y: box.y + inset - 1, width: codeWidth, size: head, face: "bold", align: "right" });
  const tier = bag.tier === null ? "" : (papers.tiers.get(bag.tier) ?? "");
  const top = box.y + inset + head * 1.35;
  const whose = { width, size: head - 1.5 };
  const day = oneLine(paper, [shortDayWords(papers), tier].filter(Boolean).join(", "), whose);
  const under = paper.write(day, { x, y: top, ...whose, colour: soft });
  const mind = mindWords(
    papers,
    bag.contents.map((c) => c.lineId),
  ).join(" ");
  drawBarcode(paper, code, x, foot - barHeight, Math.min(width, 56 * mm), barHeight);
  const room = foot - barHeight - under - 1.5;
  const body = fitted(paper, bag.contents.map((c) => packedWords(papers, c)).join(", "), mind, width, room);
  const after = body.words === "" ? under + 0.5 : paper.write(body.words, { x, y: under + 0.5, width, size: body.size });
  if (mind) paper.write(mind, { x, y: after, width, size: body.size, face: "bold" });
}

/** Words cut to one line where they are too long for it, so that nothing is printed over what follows. */
function oneLine(paper: Paper, words: string, at: Parameters<Paper["heightOf"]>[1]): string {
  const line = paper.heightOf("x", at);
  if (paper.heightOf(words, at) <= line * 1.5) return words;
  const fits = (letters: number): boolean => paper.heightOf(`${words.slice(0, letters).trimEnd()} …`, at) <= line * 1.5;
  let letters = words.length;
  while (letters > 1 && !fits(letters)) letters -= 1;
  return `${words.slice(0, letters).trimEnd()} …`;
}

/** The contents as large as they fit; when they don't fit at all, the packing list has them. What to mind is never left out. */
function fitted(paper: Paper, words: string, mind: string, width: number, room: number): { readonly words: string; readonly size: number } {
  const fits = (what: string, size: number): boolean =>
    (what ? paper.heightOf(what, { width, size }) : 0) + (mind ? paper.heightOf(mind, { width, size, face: "bold" }) : 0) <= room;
  for (let size = 9; size >= 5.5; size -= 0.5) if (fits(words, size)) return { words, size };
  const see = "Contents: see the packing list.";
  for (let size = 6.5; size >= 5; size -= 0.5) if (fits(see, size)) return { words: see, size };
  for (let size = 6.5; size > 4; size -= 0.5) if (fits("", size)) return { words: "", size };
  return { words: "", size: 4 };
}
