import { createRequire } from "node:module";
import type { UnitChoice } from "@lampcrate/core";
import PdfDocument from "pdfkit";

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

function pens(pdf: Pdf): Pick<Paper, "write" | "heightOf"> {
  const set = (face: Face, size: number): void => {
    pdf.font(face).fontSize(size);
  };
  const heightOf: Paper["heightOf"] = (text, { width, size, face = "body" }) => {
    set(face, size);
    return pdf.heightOfString(plainText(text), { width });
  };
  const write: Paper["write"] = (text, { x, y, width, size, face = "body", colour = ink, align = "left" }) => {
    set(face, size);
    pdf.fillColor(colour);
    const runs = runsOf(pdf, plainText(text));
    for (const [i, run] of runs.entries()) {
      pdf.font(run.further ? `${face} further` : face);
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
  readonly further: boolean;
}

/** Stretches of text that one set of letters has. */
function runsOf(pdf: Pdf, text: string): readonly Run[] {
  const runs: Run[] = [];
  for (const letter of text) {
    const further = !hasLetter(pdf, letter);
    const last = runs.at(-1);
    if (last && last.further === further) runs[runs.length - 1] = { text: last.text + letter, further };
    else runs.push({ text: letter, further });
  }
  return runs.length === 0 ? [{ text: "", further: false }] : runs;
}

/** Whether the letters in hand draw this one. pdfkit knows, but keeps it to itself. */
function hasLetter(pdf: Pdf, letter: string): boolean {
  const { _font } = pdf as unknown as { readonly _font: { readonly font: { hasGlyphForCodePoint(code: number): boolean } } };
  return letter === "\n" || _font.font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0);
}
