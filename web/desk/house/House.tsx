import type { HouseDoc } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Input, InputNumber, Select } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { useKeptState } from "../../shared/useKeptState.ts";
import { houseQuery, meQuery, seasonQuery } from "../queries.ts";
import { Closures } from "./Closures.tsx";
import { Health } from "./Health.tsx";
import { PreparingFields } from "./PreparingFields.tsx";
import { PutAway } from "./PutAway.tsx";
import { Rooms } from "./Rooms.tsx";
import { Staff } from "./Staff.tsx";
import { Trail } from "./Trail.tsx";

/** The house: name, zone, money, units, address; rooms, closures, people. */
export function House() {
  const house = useQuery(houseQuery);
  const planner = useQuery(meQuery).data?.person?.role === "planner";
  if (house.isPending) return <main className="page soft">Opening the house …</main>;
  if (house.isLoadingError)
    return (
      <main className="page">
        <p role="alert" className="trouble">
          {house.error.message}
        </p>
      </main>
    );
  return (
    <main className="page stack" style={{ maxWidth: 1180 }}>
      <h1>House</h1>
      <FirstRun />
      <HouseForm key={house.data.revision} saved={house.data} />
      <Staff />
      <PutAway />
      <Health />
      {planner ? <Trail zone={house.data.zone} /> : null}
    </main>
  );
}

/** Nothing to run yet: the shortest way to a brief. Rooms and people can follow. */
function FirstRun() {
  const season = useQuery(seasonQuery);
  if (season.data?.runs.length !== 0) return null;
  return (
    <p className="plain-words">
      Your house stands. <Link to="/start">Start the first run</Link> from a brief on the shelf, or add rooms, closed days and people first.
    </p>
  );
}

function HouseForm({ saved }: { readonly saved: HouseDoc }) {
  const queries = useQueryClient();
  const [house, setHouse] = useKeptState<HouseDoc>(`house-${saved.revision}`, saved);
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const dirty = JSON.stringify(house) !== JSON.stringify(saved);
  const set = (patch: Partial<HouseDoc>): void => setHouse({ ...house, ...patch });
  const save = async (): Promise<void> => {
    try {
      const next = await ask(api.house.$put({ json: house }));
      setHouse(null);
      queries.setQueryData(houseQuery.queryKey, next);
      await queries.invalidateQueries(seasonQuery);
      setTrouble(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
    }
  };
  const message = (field: string) => {
    const words = trouble?.fieldMessage(field);
    return words ? (
      <span role="alert" className="ruler-trouble">
        {words}
      </span>
    ) : null;
  };
  return (
    <form
      className="stack"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <section className="sheet pad" aria-label="The house itself">
        <div className="fields three">
          <label>
            <span className="field-label">Name</span>
            <Input value={house.name} maxLength={80} onChange={(event) => set({ name: event.target.value })} />
            {message("name")}
          </label>
          <label>
            <span className="field-label">Time zone</span>
            <Input value={house.zone} onChange={(event) => set({ zone: event.target.value })} />
            {message("zone")}
          </label>
          <label>
            <span className="field-label">Currency, three letters</span>
            <Input value={house.currency} onChange={(event) => set({ currency: event.target.value.toUpperCase() })} />
            {message("currency")}
          </label>
          <label>
            <span className="field-label">Address families reach it at</span>
            <Input value={house.publicUrl} onChange={(event) => set({ publicUrl: event.target.value })} />
            {message("publicUrl")}
          </label>
          <label>
            <span className="field-label">Units</span>
            <Select
              style={{ width: "100%" }}
              value={house.units}
              options={[
                { value: "metric", label: "metric" },
                { value: "imperial", label: "feet, inches, pounds, ounces" },
              ]}
              onChange={(units) => set({ units })}
            />
          </label>
          <label>
            <span className="field-label">Entries are kept after the reveal, days</span>
            <InputNumber
              style={{ width: "100%" }}
              min={1}
              max={730}
              precision={0}
              value={house.keepingDays}
              onChange={(keepingDays) => keepingDays !== null && set({ keepingDays })}
            />
          </label>
        </div>
      </section>
      <PreparingFields preparing={house.preparing} onChange={(preparing) => set({ preparing })} trouble={message("preparing")} />
      <Rooms house={house} onChange={(rooms) => set({ rooms })} message={message} />
      <Closures closures={house.closures} onChange={(closures) => set({ closures })} message={message} />
      {trouble && (trouble.problem.errors ?? []).length === 0 ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
      <div className="row">
        <button type="submit" className="amber" disabled={!dirty}>
          Save the house
        </button>
        {dirty ? (
          <button type="button" className="second" onClick={() => setHouse(null)}>
            Drop the changes
          </button>
        ) : (
          <span className="soft">saved</span>
        )}
      </div>
    </form>
  );
}
