import type { RunKind } from "../calendar/runKinds.ts";
import type { KitLine } from "../kit/brief/kitLine.ts";

/** A kit's lines for another kind of run: at home nothing stays with the house, and at the house nobody finds things at home. */
export function linesFor(lines: readonly KitLine[], from: RunKind, to: RunKind): readonly KitLine[] {
  if ((from === "at-home") === (to === "at-home")) return lines;
  return lines.map((line) => (to === "at-home" ? atHome(line) : atTheHouse(line)));
}

/** What would stay with the house is found at home, by each builder. */
function atHome(line: KitLine): KitLine {
  if (line.source !== "house") return line;
  return { ...line, source: "home", per: line.per === "team" ? "team" : "builder" };
}

/** What would be found at home is there already. */
function atTheHouse(line: KitLine): KitLine {
  return line.source === "home" ? { ...line, source: "house" } : line;
}
