import { coverProgram } from "@lampcrate/core";

/** A program of whole numbers that takes the solver through its paces: what it compiles on the way, later ones find ready. */
export function warmUpProgram(): string {
  const columns = Array.from({ length: 60 }, (_, j) => Array.from({ length: 24 }, (_, i) => ((j * 7 + i * 11) % 5) * ((j + i) % 3)));
  return coverProgram(
    columns,
    Array.from({ length: 24 }, (_, i) => 17 + ((i * 13) % 29)),
    true,
  );
}
