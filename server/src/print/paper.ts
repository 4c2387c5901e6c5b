import { createRequire } from "node:module";
import type { UnitChoice } from "@lampcrate/core";
import PdfDocument from "pdfkit";
import { fallbacksFor } from "./fallback.ts";

type Pdf = InstanceType<typeof PdfDocument>;

/** Body, bold and heading of the house's own letters. */
export type Face = "body" | "bold" | "heading";

/** Points in a millimetre. */
export const mm = 72 / 25.4;

const require = createRequire(import.meta.url);
const atkinson = (subset: string, weight: number): string =>
  require.resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`);
const bricolage = (subset: string): string =>
  require.resolve(`@fontsource/bricolage-grotesque/files/bricolage-grotesque-${subset}-700-normal.woff`);

/** Each face's letters, and those it has for names with further accents. */
const files: Readonly<Record<Face, () => readonly [plain: string, further: string]>> = {
  body: () => [atkinson("latin", 400), atkinson("latin-ext", 400)],
  bold: () => [atkinson("latin", 700), atkinson("latin-ext", 700)],
  heading: () => [bricolage("latin"), bricolage("latin-ext")],
};

/** Colours of paper: ink, soft, rule. */
export const ink = "#22282B";
export const soft = "#59605F";
export const rule = "#B9AE97";

/** Ink on paper, in points from the upper left corner. */
export interface Paper {
  readonly pdf: Pdf;
  readonly width: number;
  readonly height: number;
  readonly margin: number;
  readonly write: (text: string, at: WriteAt) => number;
  readonly heightOf: (text: string, at: Omit<WriteAt, "x" | "y">) => number;
}

export interface WriteAt {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly size: number;
  readonly face?: Face;
  readonly colour?: string;
  readonly align?: "left" | "right" | "center";
}

/** A PDF as bytes. A4 where the house measures in metres, Letter where in feet; every page is begun by `draw`. */
export function pdfOf(units: UnitChoice, title: string, draw: (paper: Paper) => void): Promise<Uint8Array<ArrayBuffer>> {
  const size = units === "metric" ? "A4" : "LETTER";
  const pdf = new PdfDocument({ size, margin: 0, autoFirstPage: false, info: { Title: title, Creator: "Lamp Crate" } });
  const chunks: Buffer[] = [];
  const done = new Promise<Uint8Array<ArrayBuffer>>((give, fail) => {
    pdf.on("data", (chunk: Buffer) => chunks.push(chunk));
    pdf.on("end", () => give(new Uint8Array(Buffer.concat(chunks))));
    pdf.on("error", fail);
  });
  for (const [face, of] of Object.entries(files)) {
    const [plain, further] = of();
    pdf.registerFont(face, plain);
    pdf.registerFont(`${face} further`, further);
  }
  pdf.addPage();
  draw({ pdf, width: pdf.page.width, height: pdf.page.height, margin: 14 * mm, ...pens(pdf) });
  pdf.end();
  return done;
}

/** Begins a further page with a line that says what it belongs to; gives where it goes on. */
export function furtherPage(paper: Paper, words: string, page: number): number {
  const { pdf, margin, width } = paper;
  pdf.addPage();
  return paper.write(`${words}, page ${page}`, { x: margin, y: margin, width: width - 2 * margin, size: 10, colour: soft }) + 4;
}

/** Lines that end before a long word leave about this much more. */
const roomToBreak = 1.12;

function pens(pdf: Pdf): Pick<Paper, "write" | "heightOf"> {
  const letters = new Letters(pdf);
  const heightOf: Paper["heightOf"] = (text, { width, size, face = "body" }) => {
    const plain = plainText(text);
    pdf.font(face).fontSize(size);
    const runs = letters.runsOf(plain, face);
    if (runs.every((run) => run.font === face)) return pdf.font(face).heightOfString(plain, { width });
    // pdfkit measures one font at a time: lines of several are counted by their width, with room for breaks between words.
    const wide = runs.reduce((sum, run) => sum + pdf.font(run.font).widthOfString(run.text), 0);
    const line = Math.max(...runs.map((run) => pdf.font(run.font).currentLineHeight(true)));
    return line * (wide <= width ? 1 : Math.ceil((wide * roomToBreak) / width));
  };
  const write: Paper["write"] = (text, { x, y, width, size, face = "body", colour = ink, align = "left" }) => {
    pdf.font(face).fontSize(size);
    pdf.fillColor(colour);
    const runs = letters.runsOf(plainText(text), face);
    for (const [i, run] of runs.entries()) {
      pdf.font(run.font);
      const options = { width, align, continued: i < runs.length - 1, lineBreak: true };
      if (i === 0) pdf.text(run.text, x, y, options);
      else pdf.text(run.text, options);
    }
    return y + heightOf(text, { width, size, face });
  };
  return { write, heightOf };
}

/** The letters lack the thin space; a no-break space is as wide here. */
const plainText = (text: string): string =>
  text
    .replaceAll("\u202f", "\u00a0")
    .replace(/[→≥≤√]/g, (sign) => ({ "→": "to", "≥": "at least", "≤": "at most", "√": "root" })[sign] ?? "");

interface Run {
  readonly text: string;
  readonly font: string;
}

/** Which font each letter of a page is printed in: the face's own, its further accents, or one that has the script. */
class Letters {
  private readonly fontOf = new Map<string, string>();

  constructor(private readonly pdf: Pdf) {}

  /** Stretches of text that one font has. */
  runsOf(text: string, face: Face): readonly Run[] {
    const runs: Run[] = [];
    for (const letter of text) {
      const last = runs.at(-1);
      // A space stays with the letters before it: they break as one.
      const font = letter.trim() === "" && last ? last.font : this.font(letter, face);
      if (last && last.font === font) runs[runs.length - 1] = { text: last.text + letter, font };
      else runs.push({ text: letter, font });
    }
    return runs.length === 0 ? [{ text: "", font: face }] : runs;
  }

  private font(letter: string, face: Face): string {
    const key = `${face} ${letter}`;
    const known = this.fontOf.get(key);
    if (known !== undefined) return known;
    const found = [face, `${face} further`].find((font) => this.has(font, letter)) ?? this.foreign(letter) ?? `${face} further`;
    this.fontOf.set(key, found);
    return found;
  }

  private foreign(letter: string): string | undefined {
    return fallbacksFor(letter).find((file) => {
      this.pdf.registerFont(file, file);
      return this.has(file, letter);
    });
  }

  /** Whether a font draws this letter. pdfkit knows, but keeps it to itself. */
  private has(font: string, letter: string): boolean {
    this.pdf.font(font);
    const { _font } = this.pdf as unknown as { readonly _font: { readonly font: { hasGlyphForCodePoint(code: number): boolean } } };
    return letter === "\n" || _font.font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0);
  }
}
