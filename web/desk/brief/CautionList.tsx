import { families, placeOf } from "@lampcrate/core";
import { Input } from "antd";
import { nanoid } from "nanoid";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";

/** The cautions this brief calls for. Required ones can't be switched off; a planner may add more. */
export function CautionList() {
  const { brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { change } = useRunActions();
  const [typed, setTyped] = useState("");
  const used = materials.filter((material) => brief.lines.some((line) => line.materialId === material.id));
  const required = families[brief.family].cautions(brief.spec, {
    youngestAge: brief.youngestAge,
    allergens: [...new Set(used.flatMap((material) => material.allergens))],
    smallParts: used.some((material) => material.smallPart),
    latex: used.some((material) => material.latex),
    hazards: used.flatMap((material) => material.hazards),
    place: placeOf(brief.spec),
  });
  const add = (): void => {
    if (typed.trim() === "") return;
    change({ cautions: [...brief.cautions, { id: nanoid(12), words: typed.trim() }] }, "added a caution");
    setTyped("");
  };
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
            {caution.words} <span className="soft small">added here</span>{" "}
            <Button
              type="text"
              size="small"
              onClick={() => change({ cautions: brief.cautions.filter((c) => c.id !== caution.id) }, "took a caution away")}
            >
              take away
            </Button>
          </li>
        ))}
        {required.slice(-1).map((caution) => (
          <li key={caution.id}>
            <strong>{caution.words}</strong>
          </li>
        ))}
      </ul>
      <div className="row">
        <Input
          className="added"
          maxLength={240}
          aria-label="Another caution"
          placeholder="Another caution for this house"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onPressEnter={add}
        />
        <Button onClick={add}>Add</Button>
      </div>
    </section>
  );
}
