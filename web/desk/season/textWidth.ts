let canvas: CanvasRenderingContext2D | null | undefined;

/** How wide words are on the season's line, px; guessed where nothing can be drawn. */
export function textWidth(words: string): number {
  canvas ??= typeof document === "undefined" ? null : document.createElement("canvas").getContext("2d");
  if (!canvas) return words.length * 6.8;
  canvas.font = `13px ${getComputedStyle(document.body).fontFamily}`;
  return canvas.measureText(words).width;
}
