import type { StarterLine } from "@lampcrate/contract";
import { families, familyIds, showQuantity, type UnitChoice } from "@lampcrate/core";
import { memo } from "react";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { Button } from "../pieces/Button.tsx";
import type { Chosen } from "./chosen.ts";
import { needsOf } from "./fits.ts";

interface ShelfProps {
  readonly starters: readonly StarterLine[];
  readonly chosen: Chosen | null;
  readonly units: UnitChoice;
  readonly onChoose: (chosen: Chosen) => void;
}

/** The briefs by family, a board each: the rig, what is asked, and what makes it different from its neighbours. */
export function Shelf({ starters, chosen, units, onChoose }: ShelfProps) {
  return (
    <>
      {familyIds
        .filter((id) => starters.some((starter) => starter.family === id))
        .map((id) => (
          <section key={id} className="sheet shelf" aria-label={families[id].words}>
            <h2>
              {families[id].words} <span className="soft small">{families[id].ask.toLowerCase()}</span>
            </h2>
            <ul>
              {starters
                .filter((starter) => starter.family === id)
                .map((starter) => (
                  <li key={starter.id}>
                    <StarterCard
                      starter={starter}
                      units={units}
                      taken={chosen?.kind === "starter" && chosen.id === starter.id}
                      onChoose={onChoose}
                    />
                  </li>
                ))}
            </ul>
          </section>
        ))}
    </>
  );
}

interface StarterCardProps {
  readonly starter: StarterLine;
  readonly units: UnitChoice;
  readonly taken: boolean;
  readonly onChoose: (chosen: Chosen) => void;
}

const StarterCard = memo(function StarterCard({ starter, units, taken, onChoose }: StarterCardProps) {
  const { id, title, goal, told, minutes, youngestAge, lines } = starter;
  return (
    <Button type="text" className="starter" aria-pressed={taken} onClick={() => onChoose({ kind: "starter", id })}>
      <span className="starter-rig" aria-hidden="true">
        <RigDrawing scene={families[starter.family].drawing(starter.spec, starter.design)} units={units} wide={200} tall={112} bare />
      </span>
      <span className="starter-words">
        <strong>{title}</strong>
        <span>{goal}</span>
        <span className="soft small">{told}</span>
        <span className="soft small">
          {minutes} min a build, from {youngestAge} years, {roomWords(starter, units)}, {lines} lines in the crate
        </span>
      </span>
    </Button>
  );
});

function roomWords(starter: StarterLine, units: UnitChoice): string {
  const { lengthM, widthM, water } = needsOf(starter);
  return `${showQuantity(Math.max(lengthM, widthM), "length", units)} of room${water ? " and water" : ""}`;
}
