import type { HouseDoc } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Input, InputNumber, Select } from "antd";
import { Link } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { BenchDevices } from "../bench/BenchDevices.tsx";
import { Button } from "../pieces/Button.tsx";
import { ClashNotice } from "../pieces/ClashNotice.tsx";
import { CurrencyChoice, ZoneChoice } from "../pieces/HouseChoices.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { Lock, useMay } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { TokenList } from "../pieces/TokenList.tsx";
import { useJoinedForm } from "../pieces/useJoinedForm.ts";
import { useSave } from "../pieces/useSave.ts";
import { calendarQuery, houseQuery, seasonQuery } from "../queries.ts";
import { CalendarFile } from "./CalendarFile.tsx";
import { Closures } from "./Closures.tsx";
import { Feeds } from "./Feeds.tsx";
import { GatheringFields } from "./GatheringFields.tsx";
import { Health } from "./Health.tsx";
import { People } from "./People.tsx";
import { PreparingFields } from "./PreparingFields.tsx";
import { PutAway } from "./PutAway.tsx";
import { Rooms } from "./Rooms.tsx";
import { SessionRules } from "./SessionRules.tsx";
import { Staff } from "./Staff.tsx";
import { Trail } from "./Trail.tsx";

/** The house: name, zone, money, units, address; rooms, closures, people. */
export function House() {
  const house = useQuery(houseQuery);
  const may = useMay();
  if (house.isPending) return <Opening what="the house" />;
  if (house.isLoadingError)
    return (
      <main className="page">
        <p role="alert" className="trouble">
          {house.error.message}
        </p>
      </main>
    );
  return (
    <main className="page stack column">
      <h1>House</h1>
      <FirstRun />
      <Lock to="house" told>
        <HouseForm saved={house.data} />
      </Lock>
      {may("plan") ? <Feeds house={house.data} /> : null}
      {may("plan") ? <PutAway /> : null}
      {may("house") ? (
        <>
          <Staff />
          <Health />
          <Trail zone={house.data.zone} />
        </>
      ) : null}
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
  const { value: house, dirty, set, drop, clashes, takeTheirs } = useJoinedForm<HouseDoc>("house", saved);
  const { save, pending, trouble, rest } = useSave({
    send: (typed: HouseDoc) => ask(api.house.$put({ json: typed })),
    onSaved: (next) => {
      queries.setQueryData(houseQuery.queryKey, next);
      drop();
    },
    renew: [seasonQuery, houseQuery, calendarQuery],
  });
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
        void save(house);
      }}
    >
      <section className="sheet pad" aria-label="The house itself">
        <div className="fields three">
          <label>
            <span className="field-label">Name</span>
            <Input value={house.name} maxLength={80} onChange={(event) => set({ name: event.target.value })} />
            {message("name")}
          </label>
          <Labelled label="Time zone" trouble={trouble?.fieldMessage("zone")}>
            <ZoneChoice value={house.zone} onChange={(zone) => set({ zone })} />
            {house.zone === saved.zone ? null : (
              <span className="soft small">Sessions to come keep their times of day, by the clocks of {house.zone}.</span>
            )}
          </Labelled>
          <Labelled label="Currency" trouble={trouble?.fieldMessage("currency")}>
            <CurrencyChoice value={house.currency} onChange={(currency) => set({ currency })} />
          </Labelled>
          <label>
            <span className="field-label">Address families reach it at</span>
            <Input value={house.publicUrl} onChange={(event) => set({ publicUrl: event.target.value })} />
            {message("publicUrl")}
          </label>
          <label>
            <span className="field-label">Units</span>
            <Select
              className="wide"
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
              className="wide"
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
      <GatheringFields gathering={house.gathering} onChange={(gathering) => set({ gathering })} trouble={message("gathering")} />
      <section className="sheet pad stack" aria-label="Things that loads are counted in">
        <h2>Things that loads are counted in</h2>
        <TokenList
          words="Coins, storybooks, bean bags: named once here, every brief may take them over, and “60 coins” is read as their mass."
          units={house.units}
          offered={[]}
          tokens={house.tokens}
          onChange={(tokens) => set({ tokens })}
        />
        {message("tokens")}
      </section>
      <Rooms house={house} onChange={(rooms) => set({ rooms })} message={message} />
      <People people={house.people} onChange={(people) => set({ people })} message={message} />
      <SessionRules rules={house.rules} rigs={house.rigs} onChange={set} message={message} />
      <BenchDevices bench={house.bench} saved={saved.bench} onChange={(bench) => set({ bench })} message={message} />
      <Closures closures={house.closures} onChange={(closures) => set({ closures })} message={message} />
      <CalendarFile house={house} onChange={set} />
      <ClashNotice clashes={clashes} onTakeTheirs={takeTheirs} />
      {rest === null || clashes.length > 0 ? null : (
        <p role="alert" className="trouble">
          {rest}
        </p>
      )}
      <div className="row">
        <Button type="primary" htmlType="submit" disabled={!dirty} loading={pending}>
          Save the house
        </Button>
        {dirty ? <Button onClick={drop}>Drop the changes</Button> : <span className="soft">saved</span>}
      </div>
    </form>
  );
}
