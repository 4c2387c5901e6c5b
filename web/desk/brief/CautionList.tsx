import { families, placeOf } from "@lampcrate/core";
import { nanoid } from "nanoid";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import { AddWords } from "./words/AddWords.tsx";
import { SaidItem } from "./words/SaidItem.tsx";

/** The cautions this brief calls for. Required ones can't be switched off; a planner may add more. */
export function CautionList() {
  const { brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { change } = useRunActions();
  const used = materials.filter((material) => brief.lines.some((line) => line.materialId === material.id));
  const required = families[brief.family].cautions(brief.spec, {
    youngestAge: brief.youngestAge,
    allergens: [...new Set(used.flatMap((material) => material.allergens))],
    smallParts: used.some((material) => material.smallPart),
    latex: used.some((material) => material.latex),
    hazards: used.flatMap((material) => material.hazards),
    place: placeOf(brief.spec),
  });
  return (
    <section className="sheet pad stack jump-to" aria-label="Cautions" id="cautions">
      <h2>Cautions</h2>
      <p className="soft small">
        What this family, these materials and ages call for. They stand on every sheet, before building and again before testing.
      </p>
      <ul className="cautions">
        {required.slice(0, -1).map((caution) => (
          <li key={caution.id}>{caution.words}</li>
        ))}
        {brief.cautions.map((caution) => (
          <li key={caution.id}>
            <SaidItem
              what="A caution"
              words={caution.words}
              after="added here"
              onChange={(words) =>
                change({ cautions: brief.cautions.map((c) => (c.id === caution.id ? { ...c, words } : c)) }, "changed a caution")
              }
              onRemove={() => change({ cautions: brief.cautions.filter((c) => c.id !== caution.id) }, "took a caution away")}
            />
          </li>
        ))}
        {required.slice(-1).map((caution) => (
          <li key={caution.id}>
            <strong>{caution.words}</strong>
          </li>
        ))}
      </ul>
      <AddWords
        label="Another caution"
        placeholder="Another caution for this house"
        onAdd={(words) => change({ cautions: [...brief.cautions, { id: nanoid(12), words }] }, "added a caution")}
      />
    </section>
  );
}
