import { type HouseDoc, type LabelSheetId, labelSheets, type SessionDoc } from "@lampcrate/contract";
import { addDays, type CrateTask, isWorkingDay, preparation, secondsOf, shortDate, showNumber, tasksOf, unpackedOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { InputNumber, Select } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { Button } from "../../pieces/Button.tsx";
import { Open } from "../../pieces/Lock.tsx";
import { useHouseDay } from "../../pieces/useHouseDay.ts";
import { houseQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork } from "../../work/RunContext.ts";
import { useSizedCrate } from "../../work/SizedCrate.tsx";

/** What has to be cut, counted and bagged, how long it takes, when it must begin; and the papers for it. */
export function Preparing() {
  const { brief } = useBriefWork();
  const { crateInput, session } = useCrateWork();
  const house = useQuery(houseQuery).data;
  const { today } = useHouseDay();
  const { manifest } = useSizedCrate();
  if (!house || !manifest || manifest.lines.length === 0) return null;
  const tasks = tasksOf({ crate: crateInput, unpacked: unpackedOf(brief) }, manifest, house.preparing.times);
  return (
    <section className="sheet pad stack" aria-label="Preparing">
      <h2>Preparing</h2>
      <p className="plain-words">
        <strong>{whenWords(tasks, house, session, today)}</strong>
      </p>
      <Tasks tasks={tasks} />
      <Open>
        <Papers bags={manifest.bags} />
      </Open>
      <p className="soft small">
        {house.preparing.people} {house.preparing.people === 1 ? "person" : "people"} at {showNumber(house.preparing.hours, 1)} h a working
        day; seconds for a cut, a piece and a bag stand in the <Link to="/house">House</Link>.
      </p>
    </section>
  );
}

/** The answer: hours, and the latest day to begin. */
function whenWords(tasks: readonly CrateTask[], house: HouseDoc, session: SessionDoc | null, today: string): string {
  const all = preparation(tasks, []).personHours;
  const hours = `${showNumber(all, 1)} hours of one person's work`;
  if (!session) return `${hours}. Give it a day to see when it must begin.`;
  const date = session.start.slice(0, 10);
  if (date < today) return `${hours}.`;
  const days: { day: number; people: number; hours: number }[] = [];
  const { preparing, closures } = house;
  for (let day = 0; addDays(today, day) < date && day < 400; day += 1) {
    const works = isWorkingDay(addDays(today, day), { weekdays: preparing.weekdays, closures });
    days.push({ day, people: preparing.people, hours: works ? preparing.hours : 0 });
  }
  const { latestStart, shortHours } = preparation(tasks, days);
  if (latestStart === null)
    return `${hours}, and ${showNumber(shortHours, 1)} hours too few are left before ${shortDate(date, today)}: ask more people, or begin today and pack less.`;
  const begin = addDays(today, latestStart);
  return `${hours}: begin ${begin === today ? "today" : `by ${shortDate(begin, today)}`} to be ready for ${shortDate(date, today)}.`;
}

const taskWords = { cut: "cut", count: "count out", bag: "pack" } as const;

function Tasks({ tasks }: { readonly tasks: readonly CrateTask[] }) {
  const { brief } = useBriefWork();
  const { materials } = useCrateWork();
  const nameOf = (id: string | null): string => {
    const line = brief.lines.find((l) => l.id === id);
    return materials.find((m) => m.id === line?.materialId)?.name ?? "";
  };
  return (
    <ul className="tasks">
      {tasks.map((task) => (
        <li key={`${task.task} ${task.lineId}`}>
          <span>
            {taskWords[task.task]}{" "}
            {task.task === "cut"
              ? `${task.sheets} × ${nameOf(task.lineId)}, ${task.cuts} cuts in stacks of ${task.stack}`
              : task.task === "bag"
                ? `${task.units} bags`
                : `${showNumber(task.units, 0)} of ${nameOf(task.lineId)}`}
          </span>
          <span className="number">{showNumber(Math.max(1, secondsOf(task) / 60), 0)} min</span>
        </li>
      ))}
    </ul>
  );
}

/** Labels, packing list and templates as PDF. */
function Papers({ bags }: { readonly bags: number }) {
  const { run } = useBriefWork();
  const { session } = useCrateWork();
  const imperial = run.units === "imperial";
  const [sheet, setSheet] = useState<LabelSheetId>(imperial ? "letter-10" : "a4-21");
  const [skip, setSkip] = useState(0);
  const base = `/api/runs/${run.id}`;
  const of = session ? `session=${session.id}` : "";
  return (
    <div className="row" role="group" aria-label="Papers">
      <Button href={`${base}/packing-list.pdf?${of}`}>Packing list</Button>
      <Button href={`${base}/labels.pdf?${of}&sheet=${sheet}&skip=${skip}`}>{bags} labels</Button>
      <Select
        aria-label="Sheet of labels"
        className="box-l"
        value={sheet}
        options={Object.entries(labelSheets).map(([value, { words }]) => ({ value, label: words }))}
        onChange={(value: LabelSheetId) => setSheet(value)}
      />
      <label className="row near">
        <span className="small">used up on the first sheet</span>
        <InputNumber min={0} max={40} precision={0} className="box-s" value={skip} onChange={(next) => setSkip(next ?? 0)} />
      </label>
    </div>
  );
}
