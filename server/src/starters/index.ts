import type { StarterLine } from "@lampcrate/contract";
import { type Filling, families, fillText, showQuantity, type UnitChoice, usualLine } from "@lampcrate/core";
import { notFound } from "../http/problem.ts";
import { falls } from "./falls.ts";
import { floats } from "./floats.ts";
import { launches } from "./launches.ts";
import { moves } from "./moves.ts";
import { spans } from "./spans.ts";
import { stands } from "./stands.ts";
import { packOfStarter, type Starter } from "./starter.ts";

/** Every brief that ships with the application. */
export const starters: readonly Starter[] = [...spans, ...floats, ...falls, ...launches, ...moves, ...stands];

/** The starters, one line each. */
export function starterLines(units: UnitChoice): readonly StarterLine[] {
  return starters.map((starter) => {
    const { brief, lines, materials } = packOfStarter(starter);
    const filling: Filling = {
      brief: { ...brief, lines: lines.map(({ material, ...line }) => ({ ...usualLine(line.id, material), ...line })) },
      units,
      unitOf: (key) => materials.find((m) => m.key === key)?.unit ?? null,
      dates: { opens: null, closes: null, reveal: null },
    };
    return {
      id: starter.id,
      title: starter.title,
      family: starter.family,
      kind: starter.kind,
      told: fillText(starter.told, filling),
      goal: families[starter.family].goalWords(brief.spec, (si, dimension) => showQuantity(si, dimension, units)),
      minutes: brief.buildMinutes,
      youngestAge: brief.youngestAge,
      lines: starter.lines.length,
      spec: brief.spec,
      design: brief.design,
    };
  });
}

/** A starter as a pack; throws 404. */
export function starterPack(id: string) {
  const found = starters.find((starter) => starter.id === id);
  if (!found) throw notFound("starter");
  return packOfStarter(found);
}
