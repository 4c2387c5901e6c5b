import { LeftOutlined, RightOutlined } from "@ant-design/icons";
import { addDays, mondayOf } from "@lampcrate/core";
import { Segmented } from "antd";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { SearchBox } from "../pieces/SearchBox.tsx";
import { usualStart } from "./axis.ts";
import { type SeasonPart, seasonParts } from "./seasonOrder.ts";

interface SeasonFilterProps {
  readonly part: SeasonPart;
  readonly find: string;
  readonly from: string;
  readonly today: string;
  readonly months: readonly string[];
  readonly onPart: (part: SeasonPart) => void;
  readonly onFind: (find: string) => void;
  readonly onFrom: (from: string) => void;
}

const monthName = (month: string): string =>
  new Intl.DateTimeFormat("en", { month: "long", year: "numeric", timeZone: "UTC" }).format(Date.parse(`${month}-01T00:00:00Z`));

/** Which runs are looked at, and which weeks. */
export function SeasonFilter({ part, find, from, today, months, onPart, onFind, onFrom }: SeasonFilterProps) {
  return (
    <div className="row season-filter">
      <SearchBox className="find-run" label="Find a run by its title" placeholder="find a run" value={find} onFind={onFind} />
      <Segmented aria-label="Which runs" value={part} options={[...seasonParts]} onChange={onPart} />
      <span className="row season-jump">
        <Button aria-label="Four weeks earlier" icon={<LeftOutlined aria-hidden />} onClick={() => onFrom(addDays(from, -28))} />
        <Choose
          label="Jump to a month"
          width={168}
          value={from === usualStart(today) ? null : (months.find((month) => mondayOf(`${month}-01`) === from) ?? null)}
          placeholder="jump to a month"
          options={months.map((month) => ({ value: month, label: monthName(month) }))}
          onChoose={(month) => onFrom(mondayOf(`${month}-01`))}
        />
        <Button aria-label="Four weeks later" icon={<RightOutlined aria-hidden />} onClick={() => onFrom(addDays(from, 28))} />
        <Button disabled={from === usualStart(today)} onClick={() => onFrom(usualStart(today))}>
          Today
        </Button>
      </span>
    </div>
  );
}
