import type { MaterialDoc, SupplierDoc, SupplierInput } from "@lampcrate/contract";
import { amountWords, type UnitChoice } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { AddDrawer } from "../pieces/AddDrawer.tsx";
import { Button } from "../pieces/Button.tsx";
import { money } from "../pieces/show.ts";
import { buyingQuery, suppliersQuery } from "../queries.ts";
import { SupplierForm } from "./SupplierForm.tsx";

const empty: SupplierInput = { name: "", leadDays: 3, feeCents: 0, freeFromCents: null, leastCents: 0, packs: [] };

interface SuppliersProps {
  readonly materials: readonly MaterialDoc[];
  readonly currency: string;
  readonly units: UnitChoice;
}

/** Who sells what, in which packs, how soon and on what terms. */
export function Suppliers({ materials, currency, units }: SuppliersProps) {
  const suppliers = useQuery(suppliersQuery);
  const queries = useQueryClient();
  const [editing, setEditing] = useState<string | null>(null);
  const list = suppliers.data ?? [];
  const done = async (): Promise<void> => {
    setEditing(null);
    await Promise.all([queries.invalidateQueries(suppliersQuery), queries.invalidateQueries(buyingQuery)]);
  };
  const form = (of: SupplierDoc | null) => (
    <SupplierForm start={of ?? empty} of={of} materials={materials} currency={currency} onDone={done} onLeave={() => setEditing(null)} />
  );
  return (
    <section className="sheet pad stack" aria-label="Suppliers" id="suppliers">
      <div className="row spread">
        <h2>Suppliers</h2>
        <div className="row">
          <Link to="/buying">What to buy from them</Link>
          <Button disabled={materials.length === 0} onClick={() => setEditing("new")}>
            Add a supplier
          </Button>
        </div>
      </div>
      {list.length === 0 && editing !== "new" ? (
        <p>Nobody yet. Say who sells your materials, in which packs and how soon they come: the cheapest order for the season follows.</p>
      ) : null}
      <AddDrawer title="New supplier" open={editing === "new"} width={760} onLeave={() => setEditing(null)}>
        {form(null)}
      </AddDrawer>
      {list.map((supplier) => (
        <div key={supplier.id} className="supplier">
          <div className="supplier-line">
            <div>
              <strong>{supplier.name}</strong>{" "}
              <span className="soft small">
                {termsWords(supplier, currency)}; {packsWords(supplier, materials, units, currency)}
              </span>
            </div>
            <Button
              type="text"
              size="small"
              aria-expanded={editing === supplier.id}
              aria-label={`Change ${supplier.name}`}
              onClick={() => setEditing(editing === supplier.id ? null : supplier.id)}
            >
              {editing === supplier.id ? "close" : "change"}
            </Button>
          </div>
          {editing === supplier.id ? form(supplier) : null}
        </div>
      ))}
    </section>
  );
}

function termsWords({ leadDays, feeCents, freeFromCents, leastCents }: SupplierDoc, currency: string): string {
  return [
    leadDays === 0 ? "there the same day" : `${leadDays} ${leadDays === 1 ? "day" : "days"}`,
    feeCents === 0 ? "delivers free" : `delivery ${money(feeCents, currency)}`,
    feeCents > 0 && freeFromCents !== null ? `free from ${money(freeFromCents, currency)}` : "",
    leastCents > 0 ? `takes orders from ${money(leastCents, currency)}` : "",
  ]
    .filter(Boolean)
    .join(", ");
}

const mostShown = 5;

function packsWords({ packs }: SupplierDoc, materials: readonly MaterialDoc[], units: UnitChoice, currency: string): string {
  if (packs.length === 0) return "no packs yet";
  const words = packs.slice(0, mostShown).map(({ materialId, size, priceCents }) => {
    const material = materials.find((m) => m.id === materialId);
    return `${material?.name ?? "gone"}, ${amountWords(size, material?.unit ?? "piece", units)} for ${money(priceCents, currency)}`;
  });
  return `${words.join("; ")}${packs.length > mostShown ? `; and ${packs.length - mostShown} more` : ""}`;
}
