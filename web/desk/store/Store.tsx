import { plainMaterial } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { AddDrawer } from "../pieces/AddDrawer.tsx";
import { Button } from "../pieces/Button.tsx";
import { Lock, useMay } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { buyingQuery, houseQuery, materialsQuery } from "../queries.ts";
import { CountDay } from "./CountDay.tsx";
import { MaterialForm } from "./MaterialForm.tsx";
import { MaterialTable } from "./MaterialTable.tsx";
import { StockFile } from "./StockFile.tsx";
import { Suppliers } from "./Suppliers.tsx";
import "./store.css";

type Doing = "adding" | "counting" | "file" | null;

/** What the house has, where it went, and who sells it. */
export function Store() {
  const materials = useQuery(materialsQuery);
  const house = useQuery(houseQuery);
  const may = useMay();
  const queries = useQueryClient();
  const [doing, setDoing] = useState<Doing>(null);
  const [only, setOnly] = useState<ReadonlySet<string> | null>(null);
  if (materials.isPending || house.isPending) return <Opening what="the store room" />;
  const list = (materials.data ?? []).filter((material) => !material.archived);
  const { currency, units } = house.data ?? { currency: "EUR", units: "metric" as const };
  const changed = async (): Promise<void> => {
    await Promise.all([queries.invalidateQueries(materialsQuery), queries.invalidateQueries(buyingQuery)]);
  };
  const done = async (): Promise<void> => {
    setDoing(null);
    await changed();
  };
  const leave = (): void => setDoing(null);
  const start = (what: Doing, counted: ReadonlySet<string> | null = null): void => {
    setOnly(counted);
    setDoing(what);
  };
  const toggle = (what: Exclude<Doing, null>, words: string) => (
    <Button aria-expanded={doing === what} onClick={() => start(doing === what ? null : what)}>
      {words}
    </Button>
  );
  return (
    <main className="page stack column">
      <div className="row spread">
        <h1>Store room</h1>
        <div className="row">
          {list.length > 0 && may("count") ? toggle("counting", "Count day") : null}
          {may("supply") ? (
            <>
              {toggle("file", "As a file")}
              <Button type="primary" onClick={() => setDoing("adding")}>
                Add a material
              </Button>
            </>
          ) : null}
        </div>
      </div>
      <AddDrawer title="New material" open={doing === "adding"} onLeave={leave}>
        <MaterialForm start={plainMaterial} of={null} units={units} onDone={done} onLeave={leave} />
      </AddDrawer>
      {doing === "counting" ? <CountDay materials={list} only={only} onDone={done} onLeave={leave} /> : null}
      {doing === "file" ? <StockFile onDone={done} onLeave={leave} /> : null}
      <section className="sheet pad" aria-label="Materials">
        {list.length === 0 ? (
          <p>The store room is empty. Add what you use, with its pack and what is on hand: every crate is held against it.</p>
        ) : (
          <MaterialTable
            materials={list}
            currency={currency}
            units={units}
            onChanged={changed}
            onCount={(ticked) => start("counting", ticked)}
          />
        )}
      </section>
      <Lock to="supply">
        <Suppliers materials={list} currency={currency} units={units} />
      </Lock>
    </main>
  );
}
