import { DatePicker } from "antd";
import dayjs from "dayjs";
import customParseFormat from "dayjs/plugin/customParseFormat";
import "dayjs/locale/en-gb";
import { useLocked } from "../../shared/pieces/locked.ts";

// Weeks begin on Monday, as the house's weekdays do.
dayjs.locale("en-gb");
dayjs.extend(customParseFormat);

interface DayBoxProps {
  readonly id?: string;
  readonly label: string;
  /** A local date such as "2026-12-05"; null while there is none. */
  readonly value: string | null;
  readonly onChange: (date: string | null) => void;
  readonly allowNone?: boolean;
}

/** What a day may be typed as; the first is how it is shown. */
const typed = ["ddd D MMM YYYY", "D MMM YYYY", "YYYY-MM-DD", "D.M.YYYY", "D/M/YYYY"];

/** A day of the calendar, typed or picked. */
export function DayBox({ id, label, value, onChange, allowNone = false }: DayBoxProps) {
  const locked = useLocked();
  return (
    <DatePicker
      {...(id === undefined ? {} : { id })}
      aria-label={label}
      style={{ width: 180 }}
      format={typed}
      allowClear={allowNone}
      disabled={locked}
      placeholder="5 Dec 2026"
      value={value === null ? null : dayjs(value, "YYYY-MM-DD")}
      onChange={(day) => onChange(day === null ? null : day.format("YYYY-MM-DD"))}
    />
  );
}
