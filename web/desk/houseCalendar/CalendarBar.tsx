import { addDays, dateWords } from "@lampcrate/core";
import { Segmented } from "antd";
import { Button } from "../pieces/Button.tsx";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Open } from "../pieces/Lock.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import type { By } from "./lanes.ts";

interface CalendarBarProps {
  readonly by: By;
  readonly isMonth: boolean;
  readonly days: readonly string[];
  readonly put: (patch: Readonly<Record<string, string>>) => void;
  readonly undo: string | null;
  readonly redo: string | null;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
}

const cut = (words: string): string => (words.length > 22 ? `${words.slice(0, 21)}…` : words);

/** Which days are shown and by what, and what can be taken back. */
export function CalendarBar({ by, isMonth, days, put, undo, redo, onUndo, onRedo }: CalendarBarProps) {
  const { today, day } = useHouseDay();
  const [first = today, last = today] = [days[0], days.at(-1)];
  return (
    <div className="row spread">
      <h1>{isMonth ? dateWords(first).split(" ").slice(2).join(" ") : `${day(first)} to ${day(last)}`}</h1>
      <Open>
        <div className="row">
          <Button onClick={() => put({ day: addDays(first, isMonth ? -1 : -7) })}>{isMonth ? "month before" : "week before"}</Button>
          <Button onClick={() => put({ day: today })}>today</Button>
          <Button onClick={() => put({ day: addDays(last, 1) })}>{isMonth ? "month after" : "week after"}</Button>
          <Segmented
            aria-label="Shown"
            value={isMonth ? "month" : "week"}
            options={[
              { value: "week", label: "week" },
              { value: "month", label: "month" },
            ]}
            onChange={(show) => put({ show })}
          />
          <Segmented
            aria-label="Lanes by"
            value={by}
            options={[
              { value: "room", label: "by room" },
              { value: "person", label: "by person" },
            ]}
            onChange={(next) => put({ by: next })}
          />
        </div>
      </Open>
      <div className="row">
        <Button href={`/api/calendar.pdf?from=${first}&to=${last}`}>PDF</Button>
        <LinkButton to="/calendar/place">Place sessions for me</LinkButton>
        <Button disabled={undo === null} onClick={onUndo} title={undo ?? "nothing to undo"}>
          Undo{undo === null ? "" : `: ${cut(undo)}`}
        </Button>
        {redo === null ? null : (
          <Button type="text" size="small" onClick={onRedo} title={redo}>
            do it again
          </Button>
        )}
      </div>
    </div>
  );
}
