import type { CalendarRun, CalendarSession, HouseDoc, SessionInput } from "@lampcrate/contract";
import { adultsAsked, apartWords, instantOf, type RepeatScope, tellNeeds, type WayOut, wallOf } from "@lampcrate/core";
import { Checkbox, InputNumber, Radio, Select } from "antd";
import { memo, useRef } from "react";
import { Link } from "react-router";
import type { AskError } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { DayBox, TimeBox } from "../pieces/DayBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { ClashList } from "./ClashList.tsx";
import { none } from "./lanes.ts";
import type { Held, Holding } from "./useHeld.ts";

interface SessionCardProps {
  readonly holding: Holding & { readonly held: Held };
  readonly run: CalendarRun;
  readonly house: HouseDoc;
  readonly preparing: string | null;
  readonly pending: boolean;
  readonly trouble: AskError | null;
  readonly onSave: () => void;
  readonly onWay: (way: WayOut) => void;
}

const scopes: readonly { readonly value: RepeatScope; readonly label: string }[] = [
  { value: "this", label: "this one" },
  { value: "later", label: "this and later" },
  { value: "all", label: "all of the repeat" },
];

/** The session in hand: what it asks, where it would go, what would clash and what would solve it. */
export function SessionCard({ holding, run, house, preparing, pending, trouble, onSave, onWay }: SessionCardProps) {
  const { held, changed, clashes, refused, set, setScope, leave } = holding;
  const { session, candidate, scope } = held;
  const { day } = useHouseDay();
  const [date = "", time = ""] = candidate.start.split("T");
  const startAt = instantOf(candidate.start, house.zone);
  const ends = startAt === null ? "" : wallOf(startAt + candidate.minutes * 60_000, house.zone).slice(11);
  // The boxes follow a drag once the pointer has let go: the line above follows at once.
  const settled = useSettled(candidate, held.dragged);
  const several = held.scope === "this" ? 1 : holding.changes().length;
  return (
    <section className="stack near" aria-label="Session in hand">
      <div>
        <h2>{run.title}</h2>
        <p className="soft small">
          {session.title ? `${session.title}, ` : ""}
          {apartWords(session.kind) || run.kind}, {run.status}; <Link to={`/run/${run.id}/calendar`}>its own calendar</Link>
        </p>
      </div>
      <p aria-live="polite">
        {day(date)} {time} to {ends}
        {clashes.length === 0 ? ": no clash." : `: ${clashes.length === 1 ? "1 clash" : `${clashes.length} clashes`}.`}
      </p>
      {refused ? (
        <p role="alert" className="ruler-trouble">
          It can't be put down here. {clashes.some(({ words }) => words === refused) ? "" : refused}
        </p>
      ) : null}
      <div className="row">
        <Button type="primary" disabled={!changed || refused !== null} loading={pending} onClick={onSave}>
          {several > 1 ? `Change ${several} sessions` : "Put it there"}
        </Button>
        <Button onClick={() => leave()}>{changed ? "Put it back" : "Close"}</Button>
      </div>
      <Refused trouble={trouble} />
      <ClashList clashes={clashes} onWay={onWay} />
      <Fields candidate={settled} house={house} onChange={set} trouble={trouble} />
      {session.repeatId === null ? null : (
        <Radio.Group
          aria-label="Changes"
          value={scope}
          options={[...scopes]}
          onChange={({ target }) => setScope(target.value as RepeatScope)}
        />
      )}
      <p className="soft small">
        {tellNeeds(session.asks, run.family, house.units)}
        {house.people.length === 0 ? "" : ` ${adultsWords(session, run, house)}`}
      </p>
      {preparing ? <p className="soft small">{preparing}</p> : null}
    </section>
  );
}

function adultsWords({ kind, asks }: CalendarSession, run: CalendarRun, { rules }: HouseDoc): string {
  if (kind !== "as the run") return "One adult holds it.";
  return run.kind === "at-home" ? "" : adultsAsked(asks, rules);
}

interface FieldsProps {
  readonly candidate: SessionInput;
  readonly house: HouseDoc;
  readonly trouble: AskError | null;
  readonly onChange: (patch: Partial<SessionInput>) => void;
}

/** A candidate as it was before the pointer took it, for as long as it has it. */
function useSettled(candidate: SessionInput, dragged: boolean): SessionInput {
  const settled = useRef(candidate);
  if (!dragged) settled.current = candidate;
  return settled.current;
}

const Fields = memo(function Fields({ candidate, house, trouble, onChange }: FieldsProps) {
  const [date = "", time = ""] = candidate.start.split("T");
  const minutes = (label: string, key: "minutes" | "setUpMin" | "tearDownMin", min: number, max: number) => (
    <Labelled label={label}>
      <InputNumber
        className="wide"
        min={min}
        max={max}
        precision={0}
        value={candidate[key]}
        onChange={(value) => value !== null && onChange({ [key]: value })}
      />
    </Labelled>
  );
  return (
    <div className="card-fields">
      <Labelled label="Day" trouble={trouble?.fieldMessage("start")}>
        <DayBox label="Day" width="100%" value={date} onChange={(next) => next && onChange({ start: `${next}T${time}` })} />
      </Labelled>
      <Labelled label="Starts at">
        <TimeBox label="Starts at" value={time} onChange={(next) => onChange({ start: `${date}T${next}` })} />
      </Labelled>
      {minutes("Minutes", "minutes", 10, 1440)}
      {minutes("Set-up, min", "setUpMin", 0, 720)}
      {minutes("Tear-down, min", "tearDownMin", 0, 720)}
      <Labelled label="Room" trouble={trouble?.fieldMessage("roomId")}>
        <Select
          className="wide"
          aria-label="Room"
          value={candidate.roomId ?? none}
          options={[...house.rooms.map(({ id, name }) => ({ value: id, label: name })), { value: none, label: "no room" }]}
          onChange={(next: string) => onChange({ roomId: next === none ? null : next })}
        />
      </Labelled>
      {house.people.length === 0 ? null : (
        <div className="whole-row">
          <Labelled label="Who is on it" trouble={trouble?.fieldMessage("people")}>
            <Select
              className="wide"
              mode="multiple"
              aria-label="Who is on it"
              value={[...candidate.people]}
              options={house.people.map(({ id, name }) => ({ value: id, label: name }))}
              optionFilterProp="label"
              onChange={(people: string[]) => onChange({ people })}
            />
          </Labelled>
        </div>
      )}
      <Checkbox className="whole-row" checked={candidate.cancelled} onChange={({ target }) => onChange({ cancelled: target.checked })}>
        it doesn't take place
      </Checkbox>
    </div>
  );
});
