import type { HouseDoc } from "@lampcrate/contract";
import { datesOf, fileText, type IcsFound, type IcsRead, mostIcsBytes, readIcs, showNumber } from "@lampcrate/core";
import { Checkbox, Select } from "antd";
import { nanoid } from "nanoid";
import { useState } from "react";
import { Button } from "../pieces/Button.tsx";
import { FileDrop } from "../pieces/FileDrop.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";

interface CalendarFileProps {
  readonly house: Pick<HouseDoc, "zone" | "people" | "closures">;
  readonly onChange: (patch: Partial<Pick<HouseDoc, "people" | "closures">>) => void;
}

const closed = "closed days";

/** Closed days, or somebody's times away, taken from a calendar file: seen first, then taken over into the form above. */
export function CalendarFile({ house, onChange }: CalendarFileProps) {
  const { today } = useHouseDay();
  const [read, setRead] = useState<IcsRead | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [target, setTarget] = useState(closed);
  const [taken, setTaken] = useState<string | null>(null);
  const open = async (file: File): Promise<void> => {
    setTaken(null);
    setLeft(new Set());
    setRead(
      file.size > mostIcsBytes
        ? tooLarge(file.size)
        : readIcs(fileText(new Uint8Array(await file.arrayBuffer())), { zone: house.zone, today }),
    );
  };
  const chosen = read?.ok ? read.found.filter(({ id }) => !left.has(id)) : [];
  const take = (): void => {
    const known = house.people.find(({ id }) => id === target);
    onChange(
      known
        ? { people: house.people.map((one) => (one.id === target ? { ...one, away: [...one.away, ...awayOf(chosen)] } : one)) }
        : { closures: [...house.closures, ...closuresOf(chosen)] },
    );
    setTaken(
      `${chosen.length === 1 ? "1 time" : `${chosen.length} times`} taken over as ${known ? `${known.name}'s times away` : closed}. Save the house to keep them.`,
    );
    setRead(null);
  };
  return (
    <section className="sheet pad stack" aria-label="From a calendar file">
      <h2>From a calendar file</h2>
      <FileDrop label="Closed days, or when somebody is away (.ics)" accept=".ics,text/calendar" onFile={(file) => void open(file)} />
      {taken ? <p role="status">{taken}</p> : null}
      {read && !read.ok ? (
        <p role="alert" className="ruler-trouble">
          {read.message}
        </p>
      ) : null}
      {read?.ok && read.found.length === 0 ? <p role="alert">Nothing in this file takes time in the next two years.</p> : null}
      {read?.ok && read.skipped.length > 0 ? <p className="soft small">Left out: {read.skipped.join(", ")}.</p> : null}
      {read?.ok && read.found.length > 0 ? (
        <>
          <ul className="repeat-days ics-times">
            {read.found.map((found) => (
              <li key={found.id}>
                <Checkbox
                  checked={!left.has(found.id)}
                  onChange={({ target: { checked } }) =>
                    setLeft(checked ? new Set([...left].filter((id) => id !== found.id)) : new Set([...left, found.id]))
                  }
                >
                  <Told found={found} />
                </Checkbox>
              </li>
            ))}
          </ul>
          <div className="row feet">
            <Select
              className="box-xl"
              aria-label="Take them over as"
              value={target}
              options={[
                { value: closed, label: "closed days of the house" },
                ...house.people.map(({ id, name }) => ({ value: id, label: `times away of ${name}` })),
              ]}
              onChange={setTarget}
            />
            <Button type="primary" disabled={chosen.length === 0} onClick={take}>
              Take {chosen.length} over
            </Button>
            <Button onClick={() => setRead(null)}>Leave it</Button>
          </div>
        </>
      ) : null}
    </section>
  );
}

function Told({ found }: { readonly found: IcsFound }) {
  const { day } = useHouseDay();
  const { wholeDays, from, to, title } = found;
  const date = (wall: string): string => day(wall.slice(0, 10));
  const span = wholeDays
    ? from === to
      ? date(from)
      : `${date(from)} to ${date(to)}`
    : `${date(from)} ${from.slice(11)} to ${from.slice(0, 10) === to.slice(0, 10) ? "" : `${date(to)} `}${to.slice(11)}`;
  return (
    <>
      {span} <span className="soft">{title}</span>
    </>
  );
}

const tooLarge = (bytes: number): IcsRead => ({
  ok: false,
  message: `This file has ${showNumber(bytes / 1024 / 1024, 1)} MB; ${mostIcsBytes / 1024 / 1024} MB at most. Export the closed days alone, or fewer years.`,
});

const closuresOf = (found: readonly IcsFound[]): HouseDoc["closures"] =>
  found.map((one) => {
    const [from, to] = datesOf(one);
    return { id: nanoid(12), from, to, why: one.title };
  });

const awayOf = (found: readonly IcsFound[]): HouseDoc["people"][number]["away"] =>
  found.map(({ wholeDays, from, to, title }) => ({
    id: nanoid(12),
    from: wholeDays ? `${from}T00:00` : from,
    // A whole day ends with it.
    to: wholeDays ? `${to}T23:59` : to,
    why: title,
  }));
