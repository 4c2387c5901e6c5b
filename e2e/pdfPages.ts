import { createRequire } from "node:module";
import { createCanvas } from "@napi-rs/canvas";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

// Its module tells Node of no names to import.
const { BinaryBitmap, Code128Reader, DecodeHintType, HybridBinarizer, RGBLuminanceSource } = createRequire(import.meta.url)(
  "@zxing/library",
) as typeof import("@zxing/library");

/** A page of a PDF as it is printed: grey levels row by row, and its words. */
export interface PdfPage {
  readonly width: number;
  readonly height: number;
  readonly grey: Uint8ClampedArray;
  readonly png: Buffer;
  readonly text: string;
}

/** Prints a PDF's pages at so many dots an inch. */
export async function pdfPages(bytes: Uint8Array, dotsPerInch: number): Promise<readonly PdfPage[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0, useSystemFonts: false }).promise;
  const pages: PdfPage[] = [];
  for (let number = 1; number <= pdf.numPages; number += 1) {
    const page = await pdf.getPage(number);
    const viewport = page.getViewport({ scale: dotsPerInch / 72 });
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    const ink = canvas.getContext("2d");
    ink.fillStyle = "#fff";
    ink.fillRect(0, 0, canvas.width, canvas.height);
    await page.render({ canvasContext: ink as unknown as CanvasRenderingContext2D, viewport }).promise;
    const { data } = ink.getImageData(0, 0, canvas.width, canvas.height);
    const grey = new Uint8ClampedArray(canvas.width * canvas.height);
    for (let i = 0; i < grey.length; i += 1)
      grey[i] = ((data[4 * i] ?? 0) * 299 + (data[4 * i + 1] ?? 0) * 587 + (data[4 * i + 2] ?? 0) * 114) / 1000;
    const { items } = await page.getTextContent();
    const text = items.map((item) => ("str" in item ? item.str : "")).join(" ");
    pages.push({ width: canvas.width, height: canvas.height, grey, png: canvas.toBuffer("image/png"), text });
  }
  return pages;
}

/** Reads the bar code in a part of a page (shares of its width and height), as a scanner would from the picture; null when it can't. */
export function codeIn(page: PdfPage, left: number, top: number, right: number, bottom: number): string | null {
  const [x, y] = [Math.floor(left * page.width), Math.floor(top * page.height)];
  const [width, height] = [Math.floor((right - left) * page.width), Math.floor((bottom - top) * page.height)];
  const part = new Uint8ClampedArray(width * height);
  for (let row = 0; row < height; row += 1)
    part.set(page.grey.subarray((y + row) * page.width + x, (y + row) * page.width + x + width), row * width);
  const hints = new Map([[DecodeHintType.TRY_HARDER, true]]);
  try {
    return new Code128Reader().decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(part, width, height))), hints).getText();
  } catch {
    return null;
  }
}
