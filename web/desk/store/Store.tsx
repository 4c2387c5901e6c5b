import type { MaterialDoc, MaterialInput } from "@lampcrate/contract";
import { showQuantity } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { amountWords, money } from "../crate/show.ts";
import { houseQuery, materialsQuery } from "../queries.ts";
import { MaterialForm } from "./MaterialForm.tsx";

const empty: MaterialInput = {
  name: "",
  unit: "piece",
  packSize: 1,
  packPriceCents: 0,
  onHand: 0,
  sheetWidthM: null,
  sheetHeightM: null,
  allergens: [],
  smallPart: false,
  latex: false,
  hazards: [],
};

/** What the house has: packs, prices, what is on hand, what to be careful of. */
export function Store() {
  const materials = useQuery(materialsQuery);
  const house = useQuery(houseQuery);
  const queries = useQueryClient();
  const [editing, setEditing] = useState<string | null>(null);
  if (materials.isPending || house.isPending) return <main className="page soft">Opening the store room …</main>;
  const list = materials.data ?? [];
  const { currency, units } = house.data ?? { currency: "EUR", units: "metric" as const };
  const done = async (): Promise<void> => {
    setEditing(null);
    await queries.invalidateQueries(materialsQuery);
  };
  return (
    <main className="page stack" style={{ maxWidth: 1180 }}>
      <div className="row spread">
        <h1>Store room</h1>
        <button type="button" className="amber" onClick={() => setEditing("new")}>
          Add a material
        </button>
      </div>
      {editing === "new" ? <MaterialForm start={empty} of={null} units={units} onDone={done} onLeave={() => setEditing(null)} /> : null}
      <section className="sheet pad" aria-label="Materials">
        {list.length === 0 ? (
          <p>The store room is empty. Add what you use, with its pack and what is on hand: every crate is held against it.</p>
        ) : (
          <table className="trials">
            <thead>
              <tr>
                <th scope="col">Material</th>
                <th scope="col" className="number">
                  On hand
                </th>
                <th scope="col" className="number">
                  A pack
                </th>
                <th scope="col" className="number">
                  Costs
                </th>
                <th scope="col">Sheet</th>
                <th scope="col">Mind</th>
                <th scope="col">
                  <span className="unseen">Change</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {list.map((material) => (
                <Row
                  key={material.id}
                  material={material}
                  currency={currency}
                  units={units}
                  open={editing === material.id}
                  onOpen={() => setEditing(editing === material.id ? null : material.id)}
                  onDone={done}
                />
              ))}
            </tbody>
          </table>
        )}
      </section>
    </main>
  );
}

interface RowProps {
  readonly material: MaterialDoc;
  readonly currency: string;
  readonly units: "metric" | "imperial";
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onDone: () => Promise<void>;
}

function Row({ material, currency, units, open, onOpen, onDone }: RowProps) {
  const mind = [material.smallPart ? "small part" : "", material.latex ? "latex" : "", ...material.allergens].filter(Boolean).join(", ");
  const size =
    material.sheetWidthM !== null && material.sheetHeightM !== null
      ? `${showQuantity(material.sheetWidthM, "length", units)} × ${showQuantity(material.sheetHeightM, "length", units)}`
      : "";
  return (
    <>
      <tr>
        <th scope="row">{material.name}</th>
        <td className="number">{amountWords(material.onHand, material.unit, units)}</td>
        <td className="number">{amountWords(material.packSize, material.unit, units)}</td>
        <td className="number">{money(material.packPriceCents, currency)}</td>
        <td>{size}</td>
        <td>{mind}</td>
        <td>
          <button type="button" className="quiet" aria-expanded={open} aria-label={`Change ${material.name}`} onClick={onOpen}>
            {open ? "close" : "change"}
          </button>
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={7}>
            <MaterialForm start={material} of={material} units={units} onDone={onDone} onLeave={onOpen} />
          </td>
        </tr>
      ) : null}
    </>
  );
}
