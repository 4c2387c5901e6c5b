import { givenReasons, type MaterialDoc, type MoveInput } from "@lampcrate/contract";
import { amountWords, type UnitChoice } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Input, InputNumber, Select } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { shownPer, unitWord } from "../pieces/show.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useSave } from "../pieces/useSave.ts";
import { movesQuery } from "../queries.ts";

interface MovesProps {
  readonly material: MaterialDoc;
  readonly units: UnitChoice;
  readonly onChanged: () => Promise<void>;
}

/** Where a material came from and went to: every move with its reason, who and when. Stock is their sum. */
export function Moves({ material, units, onChanged }: MovesProps) {
  const moves = useQuery(movesQuery(material.id));
  const { dayOf } = useHouseDay();
  const may = useMay();
  const show = (amount: number): string => amountWords(Math.abs(amount), material.unit, units);
  const signed = (amount: number): string => (amount === 0 ? "as listed" : `${amount < 0 ? "−" : "+"} ${show(amount)}`);
  return (
    <div className="stack airy" role="group" aria-label={`Moves of ${material.name}`}>
      {may("count") ? <MoveForm material={material} onChanged={onChanged} /> : null}
      {moves.data?.length === 0 ? <p className="soft">Nothing has moved yet.</p> : null}
      <DataTable
        label={`Every move of ${material.name}`}
        rowKey="id"
        headless
        rows={moves.data ?? []}
        columns={[
          { key: "amount", className: "number", render: (_, { amount }) => signed(amount) },
          {
            key: "reason",
            render: (_, { reason, words }) => (
              <>
                {reason}
                {words ? <span className="soft">, {words}</span> : null}
              </>
            ),
          },
          { key: "who", className: "soft small", render: (_, { by, at }) => `${by ? `${by}, ` : ""}${dayOf(at)}` },
          { key: "after", className: "number", render: (_, { after }) => `${after < 0 ? `−${show(after)}` : show(after)} after it` },
        ]}
      />
    </div>
  );
}

const outward = { collected: 1, "used up": -1, "lost or broken": -1, "put right": 1 } as const;

function MoveForm({ material, onChanged }: Pick<MovesProps, "material" | "onChanged">) {
  const queries = useQueryClient();
  const [reason, setReason] = useState<MoveInput["reason"]>("used up");
  const [amount, setAmount] = useState<number | null>(null);
  const [words, setWords] = useState("");
  const unit = unitWord(material.unit) || "pieces";
  const { save, trouble } = useSave({
    send: (json: MoveInput) => ask(api.materials[":id"].moves.$post({ param: { id: material.id }, json })),
    onSaved: (moves) => {
      queries.setQueryData(movesQuery(material.id).queryKey, moves);
      setAmount(null);
      setWords("");
      void onChanged();
    },
  });
  const book = (): void => {
    if (amount === null || amount === 0) return;
    void save({ reason, words, amount: amount * outward[reason] * shownPer(material.unit) });
  };
  return (
    <form
      className="row feet"
      aria-label={`Book a move of ${material.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        book();
      }}
    >
      <Labelled label="Why">
        <Select
          className="box-l"
          value={reason}
          options={givenReasons.map((value) => ({ value, label: value }))}
          onChange={(value: MoveInput["reason"]) => setReason(value)}
        />
      </Labelled>
      <Labelled
        label={reason === "put right" ? `More or fewer (−), ${unit}` : `How much, ${unit}`}
        trouble={trouble?.fieldMessage("amount") ?? null}
      >
        <InputNumber className="box-m" min={reason === "put right" ? -1e8 : 0} value={amount} onChange={setAmount} />
      </Labelled>
      <Labelled label="In words">
        <Input className="box-l" maxLength={160} value={words} onChange={(event) => setWords(event.target.value)} />
      </Labelled>
      <Button htmlType="submit" disabled={amount === null || amount === 0}>
        Book it
      </Button>
      {trouble && !trouble.fieldMessage("amount") ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
    </form>
  );
}
