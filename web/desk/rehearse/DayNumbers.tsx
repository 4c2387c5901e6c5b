import { type DropIn, quarterMin } from "@lampcrate/core";
import { Checkbox, InputNumber } from "antd";
import { useId } from "react";

interface DayNumbersProps {
  readonly day: DropIn;
  readonly onChange: (patch: Partial<DropIn>) => void;
}

const percent = (share: number): number => Math.round(100 * share);

/** What there is in the room, how long things take, and who comes. */
export function DayNumbers({ day, onChange }: DayNumbersProps) {
  const takes = (what: "welcome" | "build" | "trial") => (meanMin: number) => onChange({ [what]: { ...day[what], meanMin } });
  const closing = (closingMin: number): void => {
    const lastEntryMin = Math.min(day.lastEntryMin, closingMin);
    onChange({ closingMin, lastEntryMin });
  };
  return (
    <div className="day-numbers">
      <Box label="Parties expected" value={day.expectedParties} most={2000} onChange={(expectedParties) => onChange({ expectedParties })} />
      <Box label="Open for, min" value={day.closingMin} least={quarterMin} most={1440} onChange={closing} />
      <Box
        label="Last entry after, min"
        value={day.lastEntryMin}
        least={1}
        most={day.closingMin}
        onChange={(lastEntryMin) => onChange({ lastEntryMin })}
      />
      <Box label="Grace after closing, min" value={day.graceMin} most={240} onChange={(graceMin) => onChange({ graceMin })} />
      <Endless label="Seats" value={day.seats} onChange={(seats) => onChange({ seats })} />
      <Endless label="Kits" value={day.kits} onChange={(kits) => onChange({ kits })} />
      <Endless label="Hosts who welcome" value={day.hosts} onChange={(hosts) => onChange({ hosts })} />
      <Endless label="Rigs" value={day.rigs} onChange={(rigs) => onChange({ rigs })} />
      <Box label="A welcome takes, min" value={day.welcome.meanMin} part onChange={takes("welcome")} />
      <Box label="A build takes, min" value={day.build.meanMin} part onChange={takes("build")} />
      <Box label="Trials at the rig" value={day.trials} most={24} onChange={(trials) => onChange({ trials })} />
      <Box label="A trial takes, min" value={day.trial.meanMin} part onChange={takes("trial")} />
      <Box
        label="Who build again, %"
        value={percent(day.rebuildChance)}
        most={100}
        onChange={(share) => onChange({ rebuildChance: share / 100 })}
      />
      <Box label="Rebuilds at most" value={day.mostRebuilds} most={12} onChange={(mostRebuilds) => onChange({ mostRebuilds })} />
      <Endless label="Patience for a seat, min" value={day.patienceMeanMin} onChange={(patienceMeanMin) => onChange({ patienceMeanMin })} />
      <Checkbox checked={day.unit === "team"} onChange={({ target }) => onChange({ unit: target.checked ? "team" : "builder" })}>
        A party builds as one team
      </Checkbox>
    </div>
  );
}

function Box({
  label,
  value,
  least = 0,
  most = 600,
  part = false,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly least?: number;
  readonly most?: number;
  /** Parts of a minute count. */
  readonly part?: boolean;
  readonly onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <span>
      <label className="field-label small" htmlFor={id}>
        {label}
      </label>
      <InputNumber
        id={id}
        className="box-s"
        min={least}
        max={most}
        precision={part ? 1 : 0}
        value={value}
        onChange={(next) => next !== null && onChange(next)}
      />
    </span>
  );
}

/** A number, or as many as are wanted. */
function Endless({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly onChange: (value: number | null) => void;
}) {
  const id = useId();
  return (
    <span>
      <label className="field-label small" htmlFor={id}>
        {label}
      </label>
      <InputNumber
        id={id}
        className="box-m"
        min={0}
        max={5000}
        precision={0}
        placeholder="endless"
        value={value}
        onChange={(next) => onChange(next)}
      />
    </span>
  );
}
