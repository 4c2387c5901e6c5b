import type { AwayDoc, HouseDoc, PersonDoc } from "@lampcrate/contract";
import { Input, InputNumber } from "antd";
import { nanoid } from "nanoid";
import type { ReactNode } from "react";
import { Button } from "../pieces/Button.tsx";
import { DayBox, TimeBox } from "../pieces/DayBox.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";

interface PeopleProps {
  readonly people: HouseDoc["people"];
  readonly onChange: (people: HouseDoc["people"]) => void;
  /** What the server said of a field, where it stands. */
  readonly message: (field: string) => ReactNode;
}

/** Who can be put on sessions, how long in a week, and when they are away. */
export function People({ people, onChange, message }: PeopleProps) {
  return (
    <section className="sheet pad stack" aria-label="People on sessions">
      <h2>People on sessions</h2>
      <p className="soft">
        Staff and helpers, with or without a sign-in. The calendar counts them as adults, keeps them from two places at once, and holds
        their hours and breaks.
      </p>
      {people.map((person, i) => (
        <PersonRow
          key={person.id}
          person={person}
          onChange={(next) => onChange(people.map((one, at) => (at === i ? next : one)))}
          onRemove={() => onChange(people.filter((_, at) => at !== i))}
          trouble={message(`people[${i}]`)}
        />
      ))}
      <div>
        <Button onClick={() => onChange([...people, { id: nanoid(12), name: "", weekHours: null, away: [] }])}>Add a person</Button>
      </div>
    </section>
  );
}

interface PersonRowProps {
  readonly person: PersonDoc;
  readonly onChange: (next: PersonDoc) => void;
  readonly onRemove: () => void;
  readonly trouble: ReactNode;
}

function PersonRow({ person, onChange, onRemove, trouble }: PersonRowProps) {
  const { today } = useHouseDay();
  const setAway = (away: readonly AwayDoc[]): void => onChange({ ...person, away });
  return (
    <div className="stack near person-row" role="group" aria-label={person.name || "A new person"}>
      <div className="row feet">
        <label>
          <span className="field-label small">Name</span>
          <Input
            className="box-l"
            maxLength={80}
            value={person.name}
            placeholder="M. Sedge"
            onChange={({ target }) => onChange({ ...person, name: target.value })}
          />
        </label>
        <label>
          <span className="field-label small">Hours a week at most</span>
          <InputNumber
            min={0}
            max={100}
            value={person.weekHours}
            placeholder="no limit"
            onChange={(weekHours) => onChange({ ...person, weekHours })}
          />
        </label>
        <Button onClick={() => setAway([...person.away, { id: nanoid(12), from: `${today}T09:00`, to: `${today}T17:00`, why: "" }])}>
          Add a time away
        </Button>
        <Button type="text" size="small" aria-label={`Remove ${person.name || "this person"}`} onClick={onRemove}>
          remove
        </Button>
      </div>
      {person.away.map((time, i) => (
        <AwayRow
          key={time.id}
          time={time}
          onChange={(next) => setAway(person.away.map((one, at) => (at === i ? next : one)))}
          onRemove={() => setAway(person.away.filter((_, at) => at !== i))}
        />
      ))}
      {trouble}
    </div>
  );
}

interface AwayRowProps {
  readonly time: AwayDoc;
  readonly onChange: (next: AwayDoc) => void;
  readonly onRemove: () => void;
}

function AwayRow({ time, onChange, onRemove }: AwayRowProps) {
  const end = (key: "from" | "to", day: string, clock: string) => {
    const [date = "", at = ""] = time[key].split("T");
    return (
      <>
        <DayBox label={day} value={date} width={170} onChange={(next) => next && onChange({ ...time, [key]: `${next}T${at}` })} />
        <span className="away-clock">
          <TimeBox label={clock} value={at} onChange={(next) => onChange({ ...time, [key]: `${date}T${next}` })} />
        </span>
      </>
    );
  };
  return (
    <div className="row away-row" role="group" aria-label="Away">
      <span>away from</span>
      {end("from", "Away from", "Away from, time")}
      <span>to</span>
      {end("to", "Back on", "Back at")}
      <Input
        className="box-l"
        aria-label="Why away"
        placeholder="why"
        maxLength={120}
        value={time.why}
        onChange={({ target }) => onChange({ ...time, why: target.value })}
      />
      <Button type="text" size="small" aria-label="Remove this time away" onClick={onRemove}>
        remove
      </Button>
    </div>
  );
}
