import type { CalendarDoc, HouseDoc } from "@lampcrate/contract";
import { InputNumber } from "antd";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { DayBox } from "../pieces/DayBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { placeable, type Typed, wantedOf } from "./asking.ts";
import { SlotRows } from "./SlotRows.tsx";
import { WantedRow } from "./WantedRow.tsx";

interface AskFormProps {
  readonly typed: Typed;
  readonly onChange: (next: Typed) => void;
  readonly doc: CalendarDoc;
  readonly house: HouseDoc;
  readonly message: (field: string) => string | undefined;
  readonly onPlace: () => void;
  readonly searching: boolean;
}

/** When sessions can be, and which are wanted. */
export function AskForm({ typed, onChange, doc, house, message, onPlace, searching }: AskFormProps) {
  const set = (patch: Partial<Typed>): void => onChange({ ...typed, ...patch });
  const others = placeable(doc.runs, typed);
  const add = (id: string): void => {
    const run = doc.runs.find((one) => one.id === id);
    if (run) set({ wanted: [...typed.wanted, wantedOf(run, house)] });
  };
  return (
    <form
      className="stack"
      aria-label="What is to be placed"
      onSubmit={(event) => {
        event.preventDefault();
        onPlace();
      }}
    >
      <section className="sheet pad stack" aria-label="When sessions can be">
        <h2>When sessions can be</h2>
        <div className="row feet">
          <Labelled label="First day" trouble={message("from")}>
            <DayBox label="First day" value={typed.from} onChange={(from) => from && set({ from })} />
          </Labelled>
          <Labelled label="Last day" trouble={message("to")}>
            <DayBox label="Last day" value={typed.to} onChange={(to) => to && set({ to })} />
          </Labelled>
        </div>
        <SlotRows slots={typed.slots} onChange={(slots) => set({ slots })} message={message} />
      </section>
      <section className="sheet pad stack" aria-label="Sessions wanted">
        <h2>Sessions wanted</h2>
        {typed.wanted.map((one, i) => {
          const run = doc.runs.find(({ id }) => id === one.runId);
          if (!run) return null;
          return (
            <WantedRow
              key={one.runId}
              wanted={one}
              run={run}
              house={house}
              message={(field) => message(`wanted.${i}.${field}`)}
              onChange={(next) => set({ wanted: typed.wanted.map((other) => (other.runId === one.runId ? next : other)) })}
              onRemove={() => set({ wanted: typed.wanted.filter((other) => other.runId !== one.runId) })}
            />
          );
        })}
        <Labelled label={typed.wanted.length === 0 ? "Of this run" : "And of another run"} trouble={message("wanted")}>
          <Choose
            label="Run to place sessions of"
            value={null}
            placeholder={others.length === 0 ? "all runs are there" : "choose a run"}
            options={others.map(({ id, title }) => ({ value: id, label: title }))}
            onChoose={add}
          />
        </Labelled>
        {house.people.length > 0 ? (
          <Labelled label="Sessions of these that one person has at most" trouble={message("mostEach")}>
            <InputNumber min={0} max={60} value={typed.mostEach} placeholder="any" onChange={(mostEach) => set({ mostEach })} />
          </Labelled>
        ) : null}
      </section>
      <div className="row">
        <Button type="primary" htmlType="submit" loading={searching}>
          Place them
        </Button>
      </div>
    </form>
  );
}
