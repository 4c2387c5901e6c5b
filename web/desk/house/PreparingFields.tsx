import type { PreparingDoc } from "@lampcrate/contract";
import { weekdayNames } from "@lampcrate/core";
import { Checkbox, InputNumber } from "antd";
import type { ReactNode } from "react";
import { DataTable } from "../pieces/DataTable.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import "./house.css";

const tasks = [
  { task: "cut", words: "A cut" },
  { task: "count", words: "A piece counted out" },
  { task: "bag", words: "A bag packed" },
] as const;

interface PreparingFieldsProps {
  readonly preparing: PreparingDoc;
  readonly onChange: (preparing: PreparingDoc) => void;
  readonly trouble: ReactNode;
}

/** Who prepares crates and when, and how long the work takes: what latest days are counted back by. */
export function PreparingFields({ preparing, onChange, trouble }: PreparingFieldsProps) {
  const { times } = preparing;
  const number = (label: string, value: number, set: (next: number) => void, least = 0, whole = false) => (
    <Labelled label={label}>
      <InputNumber
        min={least}
        {...(whole ? { precision: 0 } : {})}
        className="box-m"
        value={value}
        onChange={(next) => next !== null && set(next)}
      />
    </Labelled>
  );
  return (
    <section className="sheet pad stack" aria-label="Working days and preparing">
      <h2>Working days and preparing</h2>
      <div className="row" role="group" aria-label="Working days">
        {weekdayNames.map((name, i) => (
          <Checkbox
            key={name}
            checked={preparing.weekdays.includes(i + 1)}
            onChange={(event) =>
              onChange({
                ...preparing,
                weekdays: event.target.checked
                  ? [...preparing.weekdays, i + 1].sort((a, b) => a - b)
                  : preparing.weekdays.filter((day) => day !== i + 1),
              })
            }
          >
            {name}
          </Checkbox>
        ))}
      </div>
      <div className="row feet">
        {number("People who prepare", preparing.people, (people) => onChange({ ...preparing, people }), 1, true)}
        {number("Hours each, a working day", preparing.hours, (hours) => onChange({ ...preparing, hours }), 0.25)}
        {number(
          "Sheets cut in a stack",
          times.cut.stack,
          (stack) => onChange({ ...preparing, times: { ...times, cut: { ...times.cut, stack } } }),
          1,
          true,
        )}
      </div>
      <TaskTimes times={times} onChange={(next) => onChange({ ...preparing, times: next })} />
      {trouble}
    </section>
  );
}

const columns = [
  ["each", "Seconds each"],
  ["setup", "Seconds to set up"],
  ["batch", "for every so many"],
] as const;

/** How long each kind of work takes: seconds for each, and seconds to set up for every so many. */
function TaskTimes({
  times,
  onChange,
}: {
  readonly times: PreparingDoc["times"];
  readonly onChange: (times: PreparingDoc["times"]) => void;
}) {
  return (
    <DataTable
      label="How long each kind of work takes"
      rowKey="task"
      rows={tasks}
      columns={[
        { title: <span className="unseen">Work</span>, dataIndex: "words", rowScope: "row" },
        ...columns.map(([column, label]) => ({
          title: label,
          key: column,
          render: (_: unknown, { task, words }: (typeof tasks)[number]) => (
            <InputNumber
              className="work-seconds"
              aria-label={`${words}: ${label.toLowerCase()}`}
              min={column === "batch" ? 1 : 0}
              {...(column === "batch" ? { precision: 0 } : {})}
              value={times[task][column]}
              onChange={(next) => next !== null && onChange({ ...times, [task]: { ...times[task], [column]: next } })}
            />
          ),
        })),
      ]}
    />
  );
}
