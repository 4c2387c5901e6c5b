import type { StarterLine } from "@lampcrate/contract";
import { families, familyIds, type RunKind, runKinds, startValues, type UnitChoice } from "@lampcrate/core";
import { Input } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { useSave } from "../pieces/useSave.ts";
import { materialsQuery, seasonQuery } from "../queries.ts";
import type { Chosen } from "./chosen.ts";

interface StartPanelProps {
  readonly starters: readonly StarterLine[];
  readonly chosen: Chosen | null;
  readonly units: UnitChoice;
  readonly onChoose: (chosen: Chosen) => void;
}

/** The chosen brief with its rig, a title and how it is offered; one button starts the run. */
export function StartPanel({ starters, chosen, units, onChoose }: StartPanelProps) {
  const starter = chosen?.kind === "starter" ? (starters.find((s) => s.id === chosen.id) ?? null) : null;
  if (chosen === null || (chosen.kind === "starter" && !starter))
    return (
      <section className="sheet pad stack" aria-label="Start a run">
        <h2>Choose one from the shelf</h2>
        <p>Its numbers, crate and cautions come with it, and everything can be changed after.</p>
        <BlankChoice onChoose={onChoose} />
      </section>
    );
  return (
    <section className="sheet pad stack" aria-label="Start a run">
      <ChosenBrief key={starter?.id ?? (chosen.kind === "blank" ? chosen.family : "")} starter={starter} chosen={chosen} units={units} />
      <BlankChoice onChoose={onChoose} />
    </section>
  );
}

function ChosenBrief({
  starter,
  chosen,
  units,
}: {
  readonly starter: StarterLine | null;
  readonly chosen: Chosen;
  readonly units: UnitChoice;
}) {
  const family = families[starter?.family ?? (chosen.kind === "blank" ? chosen.family : "span")];
  const [title, setTitle] = useState(starter?.title ?? "");
  const [kind, setKind] = useState<RunKind>(starter?.kind ?? "drop-in");
  const navigate = useNavigate();
  const { save, pending, trouble } = useSave({
    send: () =>
      starter
        ? ask(api.starters[":id"].$post({ param: { id: starter.id }, json: { title, kind } }))
        : ask(api.runs.$post({ json: { title, kind, family: family.id } })),
    onRenewed: ({ id }) => void navigate(`/run/${id}/brief`),
    renew: [seasonQuery, materialsQuery],
  });
  return (
    <form
      className="stack"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h2>{starter?.title ?? `Blank brief: ${family.ask.toLowerCase()}`}</h2>
      <RigDrawing
        scene={family.drawing(starter?.spec ?? startValues(family.spec), starter?.design ?? startValues(family.design))}
        units={units}
        tall={240}
        wide={400}
        small
      />
      {starter ? <p className="small">{starter.told}</p> : null}
      <Labelled label="Title" trouble={null}>
        <Input
          required
          maxLength={80}
          value={title}
          placeholder="Boardwalk over the Bog"
          onChange={(event) => setTitle(event.target.value)}
        />
      </Labelled>
      <Labelled label="How it is offered" trouble={null}>
        <Choose
          label="How it is offered"
          width="100%"
          value={kind}
          options={runKinds.map((k) => ({ value: k, label: k }))}
          onChoose={setKind}
        />
      </Labelled>
      {trouble ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
      <Button type="primary" htmlType="submit" disabled={pending}>
        Start with this brief
      </Button>
    </form>
  );
}

function BlankChoice({ onChoose }: { readonly onChoose: (chosen: Chosen) => void }) {
  return (
    <div className="row small">
      <label htmlFor="blank-family">Or a blank brief:</label>
      <Choose
        id="blank-family"
        label="Or a blank brief"
        value={null}
        placeholder="choose a family"
        options={familyIds.map((id) => ({ value: id, label: families[id].words }))}
        onChoose={(id) => onChoose({ kind: "blank", family: id })}
      />
    </div>
  );
}
