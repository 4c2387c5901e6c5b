import { clockAfter, dateWords, type TimedPart } from "@lampcrate/core";
import type { RunSheetPapers } from "../services/runs/runSheetPapers.ts";
import { furtherPage, type Paper, pdfOf, rule, soft } from "./paper.ts";

/** Points: columns of the clock and of the minutes, and what a part's own words start at. */
const [clocks, long] = [92, 52];

/** A session minute by minute: from and to on the wall clock, what it is, what to say or do; then the cautions. */
export function runSheetPdf(papers: RunSheetPapers): Promise<Uint8Array<ArrayBuffer>> {
  const { house, run, session, room, people, sheet } = papers;
  const title = `Run sheet: ${run.title}`;
  return pdfOf(house.units, title, (paper) => {
    const { margin } = paper;
    const width = paper.width - 2 * margin;
    const [day = "", starts = ""] = session.start.split("T");
    let y = paper.write(title, { x: margin, y: margin, width, size: 20, face: "heading" });
    const where = [session.title, dateWords(day), `${starts}, ${session.minutes} min`, room ?? "no room"].filter((words) => words !== "");
    y = paper.write(where.join(", "), { x: margin, y: y + 3, width, size: 11.5, colour: soft });
    y =
      paper.write(people.length > 0 ? `On it: ${people.join(", ")}` : "Nobody is on it yet.", { x: margin, y: y + 2, width, size: 11.5 }) +
      12;
    if (!sheet.ok) {
      paper.write(sheet.message, { x: margin, y, width, size: 13, face: "bold" });
      return;
    }
    const page = { number: 1 };
    const room_ = (height: number): void => {
      if (y + height <= paper.height - margin) return;
      page.number += 1;
      y = furtherPage(paper, title, page.number);
    };
    for (const part of sheet.parts) {
      room_(heightOf(paper, part, width));
      y = drawPart(paper, part, starts, y, width);
    }
    const cautions = papers.cautions.map((words) => `\u2022 ${words}`);
    if (cautions.length > 0) {
      room_(60);
      y = paper.write("Cautions", { x: margin, y: y + 16, width, size: 14, face: "heading" }) + 3;
    }
    for (const words of cautions) {
      room_(paper.heightOf(words, { width, size: 11.5 }) + 4);
      y = paper.write(words, { x: margin, y, width, size: 11.5 }) + 4;
    }
  });
}

const heightOf = (paper: Paper, { words, say }: TimedPart, width: number): number => {
  const wide = width - clocks - long;
  const said = say === "" ? 0 : paper.heightOf(say, { width: wide, size: 11.5 }) + 2;
  return paper.heightOf(words, { width: wide, size: 13.5, face: "bold" }) + said + 14;
};

function drawPart(paper: Paper, part: TimedPart, starts: string, y: number, width: number): number {
  const { margin } = paper;
  const [from, to] = [clockAfter(starts, part.from), clockAfter(starts, part.from + part.minutes)];
  paper.write(`${from} to ${to}`, { x: margin, y: y + 6, width: clocks, size: 12.5, face: "bold" });
  paper.write(`${part.minutes} min`, { x: margin + width - long, y: y + 6, width: long, size: 12.5, align: "right" });
  const wide = width - clocks - long;
  let lowest = paper.write(part.words, { x: margin + clocks, y: y + 5, width: wide, size: 13.5, face: "bold" });
  if (part.say !== "") lowest = paper.write(part.say, { x: margin + clocks, y: lowest + 2, width: wide, size: 11.5 });
  paper.pdf
    .moveTo(margin, lowest + 6)
    .lineTo(margin + width, lowest + 6)
    .lineWidth(0.5)
    .stroke(rule);
  return lowest + 6;
}
