import { crateCode, type Packed, type Per, showNumber } from "@lampcrate/core";
import type { CratePapers } from "../services/store/cratePapers.ts";
import { drawBarcode } from "./barcode.ts";
import { cutWords, dayWords, materialOf, mindWords, packedWords } from "./crateWords.ts";
import { furtherPage, mm, type Paper, pdfOf, rule, soft } from "./paper.ts";

const stationWords: Readonly<Record<Per, string>> = {
  builder: "To share out among the builders",
  team: "To share out among the teams",
  table: "On the tables",
  rig: "At the test rigs",
  session: "For the whole session, with the host",
  series: "For the whole series, with the host",
};

/** What goes into each bag, into the box of spares, to tables, rigs and the host; with boxes to tick. */
export function packingListPdf(papers: CratePapers): Promise<Uint8Array<ArrayBuffer>> {
  return pdfOf(papers.house.units, `Packing list, ${papers.run.title}`, (paper) => {
    const list = new PackingPage(paper, `Packing list: ${papers.run.title}, ${dayWords(papers)}`);
    list.head(papers);
    for (const { tier, count, contents } of papers.packing.bags) {
      const name = tier === null ? "" : `, ${papers.tiers.get(tier) ?? ""}`;
      list.section(`In each of ${count} bags${name}`, papers, contents);
    }
    if (papers.packing.spares.length > 0)
      list.section("In the box of spares: for rebuilds, what spoils, and to be sure", papers, papers.packing.spares);
    for (const { per, lines } of papers.packing.stations) list.section(stationWords[per], papers, lines);
    const cut = papers.manifest.lines.filter((line) => line.parents !== null && line.parents > 0);
    if (cut.length > 0)
      list.lines(
        "To cut first",
        cut.map(
          (line) =>
            `${line.parents} × ${materialOf(papers, line.id)?.name ?? ""}: ${line.quantity} pieces${sizeOf(papers, line.id)}, ${line.piecesPerParent} from each`,
        ),
      );
    list.foot(papers);
  });
}

/** " of 10 cm by 8 cm". */
function sizeOf(papers: CratePapers, lineId: string): string {
  const cut = papers.lines.find((line) => line.id === lineId)?.cut;
  return cut ? ` of ${cutWords(cut, papers.run.units)}` : "";
}

class PackingPage {
  private y: number;
  private page = 1;

  constructor(
    private readonly paper: Paper,
    /** What each further page is headed by. */
    private readonly name: string,
  ) {
    this.y = paper.margin;
  }

  private get width(): number {
    return this.paper.width - 2 * this.paper.margin;
  }

  private room(height: number): void {
    if (this.y + height <= this.paper.height - this.paper.margin) return;
    this.page += 1;
    this.y = furtherPage(this.paper, this.name, this.page);
  }

  head(papers: CratePapers): void {
    const { paper, width } = this;
    const code = crateCode(papers.session?.id ?? papers.run.id);
    const bars = 42 * mm;
    const start = this.y;
    this.y = paper.write(`Packing list: ${papers.run.title}`, {
      x: paper.margin,
      y: start,
      width: width - bars - 6,
      size: 19,
      face: "heading",
    });
    const { low, median, high } = papers.manifest.heads;
    const words = `${dayWords(papers)}. For ${low === high ? low : `${low} to ${high}`} builders, likely ${median}. About ${showNumber(papers.personHours, 1)} hours of one person's work.`;
    this.y = paper.write(words, { x: paper.margin, y: this.y + 2, width: width - bars - 6, size: 10.5, colour: soft });
    drawBarcode(paper, code, paper.width - paper.margin - bars, start + 2, bars, 11 * mm);
    paper.write(`crate ${code}`, { x: paper.width - paper.margin - bars, y: start + 13 * mm, width: bars, size: 9, align: "center" });
    this.y = Math.max(this.y, start + 18 * mm) + 4;
  }

  section(title: string, papers: CratePapers, packed: readonly Packed[]): void {
    this.lines(
      title,
      packed.map((item) => packedWords(papers, item)),
      mindWords(
        papers,
        packed.map((p) => p.lineId),
      ).join(" "),
    );
  }

  lines(title: string, words: readonly string[], mind = ""): void {
    const { paper, width } = this;
    this.room(60);
    this.y = paper.write(title, { x: paper.margin, y: this.y + 8, width, size: 13, face: "heading" }) + 2;
    for (const line of words) {
      const height = paper.heightOf(line, { width: width - 22, size: 11.5 });
      this.room(height + 8);
      paper.pdf
        .rect(paper.margin, this.y + 3, 9.5, 9.5)
        .lineWidth(0.9)
        .stroke(soft);
      paper.write(line, { x: paper.margin + 20, y: this.y + 1, width: width - 22, size: 11.5 });
      this.y += height + 5;
      paper.pdf
        .moveTo(paper.margin, this.y)
        .lineTo(paper.margin + width, this.y)
        .lineWidth(0.4)
        .stroke(rule);
    }
    if (mind) {
      this.room(18);
      this.y = paper.write(mind, { x: paper.margin, y: this.y + 3, width, size: 11, face: "bold" });
    }
  }

  foot(papers: CratePapers): void {
    const words = `Sized so that no line runs out in ${showNumber(papers.crate.target * 100, 0)} of 100 crates. ${papers.house.name}'s own safety rules, local codes and the adult in charge come first.`;
    this.room(40);
    this.y = this.paper.write(words, { x: this.paper.margin, y: this.y + 12, width: this.width, size: 9.5, colour: soft });
  }
}
