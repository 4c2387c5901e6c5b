import { InputNumber } from "antd";
import { useState } from "react";
import { Labelled } from "../pieces/Labelled.tsx";
import { useBriefWork } from "../work/RunContext.ts";
import { useRunSettings } from "../work/useRunSettings.ts";

/** How far a series' parts lie from one another; the calendar says where they don't. */
export function SeriesDays() {
  const { run } = useBriefWork();
  const { change, trouble } = useRunSettings();
  const [typed, setTyped] = useState(run.series ?? { leastDays: null, mostDays: null });
  const keep = (): void => void (JSON.stringify(typed) !== JSON.stringify(run.series) && change({ series: typed }));
  const box = (key: "leastDays" | "mostDays", label: string) => (
    <Labelled label={label}>
      <InputNumber
        min={0}
        max={366}
        precision={0}
        placeholder="any"
        value={typed[key]}
        onChange={(value) => setTyped({ ...typed, [key]: value })}
        onBlur={keep}
        onPressEnter={keep}
      />
    </Labelled>
  );
  return (
    <section className="sheet pad stack" aria-label="Days between parts">
      <h2>Days between parts</h2>
      <div className="row feet">
        {box("leastDays", "Least, days")}
        {box("mostDays", "Most, days")}
      </div>
      {trouble ? (
        <p role="alert" className="trouble">
          {trouble.fieldMessage("series") ?? trouble.message}
        </p>
      ) : (
        <p className="soft small">
          From the day of one part to the day of the next, both allowed. The calendar says which parts lie nearer or farther.
        </p>
      )}
    </section>
  );
}
