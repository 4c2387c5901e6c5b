import type { StarterLine } from "@lampcrate/contract";
import { families, familyIds } from "@lampcrate/core";
import type { Chosen } from "./chosen.ts";

interface ShelfProps {
  readonly starters: readonly StarterLine[];
  readonly chosen: Chosen | null;
  readonly onChoose: (chosen: Chosen) => void;
}

/** The briefs by family, a board each: what is asked, and what makes it different from its neighbours. */
export function Shelf({ starters, chosen, onChoose }: ShelfProps) {
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
                    <button
                      type="button"
                      aria-pressed={chosen?.kind === "starter" && chosen.id === starter.id}
                      onClick={() => onChoose({ kind: "starter", id: starter.id })}
                    >
                      <strong>{starter.title}</strong>
                      <span>{starter.goal}</span>
                      <span className="soft small">{starter.told}</span>
                      <span className="soft small">
                        {starter.minutes} min a build, from {starter.youngestAge} years, {starter.lines} lines in the crate
                      </span>
                    </button>
                  </li>
                ))}
            </ul>
          </section>
        ))}
    </>
  );
}
