import type { ClosureDoc } from "@lampcrate/contract";
import { Button, Input } from "antd";
import { nanoid } from "nanoid";
import type { ReactNode } from "react";

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
    <div className="row" style={{ alignItems: "flex-end" }}>
      <label>
        <span className="field-label small">First closed day</span>
        <Input
          type="date"
          required
          value={day.from}
          onChange={(event) => onChange({ ...day, from: event.target.value, to: day.to === "" ? event.target.value : day.to })}
        />
      </label>
      <label>
        <span className="field-label small">Last closed day</span>
        <Input type="date" required value={day.to} onChange={(event) => onChange({ ...day, to: event.target.value })} />
      </label>
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
