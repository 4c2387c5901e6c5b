import type { SeasonDoc, StepMark, ToDo } from "@lampcrate/contract";
import { shortDate } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Checkbox, Select } from "antd";
import { Link } from "react-router";
import { Button } from "../pieces/Button.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { houseQuery } from "../queries.ts";
import { useMarks } from "../seasonData/useMarks.ts";

/** What must start by Sunday, late first: whose it is, and a tick when it is done. */
export function ThisWeek({ toDo, season }: { readonly toDo: readonly ToDo[]; readonly season: SeasonDoc }) {
  const { today, marks } = season;
  const { mark, trouble } = useMarks();
  const markOf = (item: ToDo): StepMark =>
    marks.find(({ id }) => id === item.id) ?? { id: item.id, runId: item.runId, done: false, owner: null };
  const open = toDo.filter((item) => !markOf(item).done);
  const done = toDo.filter((item) => markOf(item).done);
  return (
    <aside className="sheet pad" aria-label="This week">
      <h2>This week</h2>
      <p className="soft small">today is {shortDate(today, today)}</p>
      <Refused trouble={trouble} />
      <ul className="week">
        {open.map((item) => (
          <Step key={item.id} item={item} today={today} mark={markOf(item)} onMark={mark} />
        ))}
        {open.length === 0 ? <li>Nothing has to start this week.</li> : null}
      </ul>
      {done.length > 0 ? (
        <ul className="week done-steps" aria-label="Done">
          {done.map((item) => (
            <li key={item.id} className="row spread">
              <s>{item.words}</s>
              <Button type="text" size="small" onClick={() => mark({ ...markOf(item), done: false })}>
                not done
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
    </aside>
  );
}

interface StepProps {
  readonly item: ToDo;
  readonly today: string;
  readonly mark: StepMark;
  readonly onMark: (mark: StepMark) => void;
}

const nobody = "";

function Step({ item, today, mark, onMark }: StepProps) {
  const house = useQuery(houseQuery).data;
  const may = useMay()("count");
  return (
    <li>
      <span className="row spread due-row">
        <span className={item.late ? "due late" : "due"}>{dueWords(item, today)}</span>
        {may && item.told ? (
          <Checkbox aria-label={`Done: ${item.words}, ${item.runTitle}`} onChange={() => onMark({ ...mark, done: true })}>
            done
          </Checkbox>
        ) : null}
      </span>
      <Link to={item.step === "buying" ? "/buying" : `/run/${item.runId}/${item.step}`}>{item.words}</Link>
      <div className="small soft">
        {item.runTitle}: {item.detail}
      </div>
      {may && house && house.people.length > 0 ? (
        <Select
          size="small"
          variant="borderless"
          className="owner"
          aria-label={`Whose: ${item.words}, ${item.runTitle}`}
          value={mark.owner ?? nobody}
          options={[{ value: nobody, label: "nobody's yet" }, ...house.people.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(owner) => onMark({ ...mark, owner: owner === nobody ? null : owner })}
        />
      ) : null}
    </li>
  );
}

function dueWords({ due, late, slack }: ToDo, today: string): string {
  const days = `${Math.abs(slack)} working ${Math.abs(slack) === 1 ? "day" : "days"}`;
  if (late) return `Late${slack < 0 ? ` by ${days}` : ""}, was due ${shortDate(due, today)}`;
  if (due === today) return "today";
  return `by ${shortDate(due, today)}${slack > 0 ? `, in ${days}` : ""}`;
}
