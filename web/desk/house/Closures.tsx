import type { ClosureDoc } from "@lampcrate/contract";
import { Input } from "antd";
import { nanoid } from "nanoid";
import type { ReactNode } from "react";
import { Button } from "../pieces/Button.tsx";
import { DayRange } from "../pieces/DayBox.tsx";

interface ClosuresProps {
  readonly closures: readonly ClosureDoc[];
  readonly onChange: (closures: readonly ClosureDoc[]) => void;
  /** What the server said of a field, where it stands. */
  readonly message: (field: string) => ReactNode;
}

/** Days on which the house is closed. */
export function Closures({ closures, onChange, message }: ClosuresProps) {
  return (
    <section className="sheet pad stack" aria-label="Closures">
      <h2>Closed days</h2>
      {closures.map((day, i) => (
        <ClosureRow
          key={day.id}
          day={day}
          onChange={(next) => onChange(closures.map((c, at) => (at === i ? next : c)))}
          onRemove={() => onChange(closures.filter((_, at) => at !== i))}
          trouble={message(`closures[${i}]`)}
        />
      ))}
      <div>
        <Button onClick={() => onChange([...closures, { id: nanoid(12), from: "", to: "", why: "" }])}>Add closed days</Button>
      </div>
    </section>
  );
}

interface ClosureRowProps {
  readonly day: ClosureDoc;
  readonly onChange: (next: ClosureDoc) => void;
  readonly onRemove: () => void;
  readonly trouble: ReactNode;
}

function ClosureRow({ day, onChange, onRemove, trouble }: ClosureRowProps) {
  return (
    <div className="row feet">
      <div>
        <span className="field-label small" aria-hidden="true">
          First and last closed day
        </span>
        <DayRange label="First and last closed day" from={day.from} to={day.to} onChange={(from, to) => onChange({ ...day, from, to })} />
      </div>
      <label>
        <span className="field-label small">Why</span>
        <Input maxLength={120} value={day.why} onChange={(event) => onChange({ ...day, why: event.target.value })} />
      </label>
      <Button type="text" size="small" onClick={onRemove}>
        remove
      </Button>
      {trouble}
    </div>
  );
}
