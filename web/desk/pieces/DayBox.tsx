import { DatePicker, TimePicker } from "antd";
import dayjs from "dayjs";
import customParseFormat from "dayjs/plugin/customParseFormat";
import "dayjs/locale/en-gb";
import { type KeyboardEvent, useRef, useState } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";

// Weeks begin on Monday, as the house's weekdays do.
dayjs.locale("en-gb");
dayjs.extend(customParseFormat);

/**
 * Keeps at Enter what was typed last, and sends no form that stands around the box: the picker itself keeps it only when
 * it is left.
 */
function useEnter(take: (value: dayjs.Dayjs) => void) {
  const last = useRef<dayjs.Dayjs | null>(null);
  const [open, setOpen] = useState(false);
  return {
    open,
    onOpenChange: setOpen,
    onCalendarChange: (value: unknown) => {
      last.current = dayjs.isDayjs(value) ? value : null;
    },
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
      if (event.key !== "Enter") return;
      event.preventDefault();
      if (last.current) take(last.current);
      last.current = null;
      setOpen(false);
    },
  };
}

interface DayBoxProps {
  readonly id?: string;
  readonly label: string;
  /** A local date such as "2026-12-05"; null while there is none. */
  readonly value: string | null;
  readonly onChange: (date: string | null) => void;
  readonly allowNone?: boolean;
  readonly width?: number | "100%";
}

const iso = "YYYY-MM-DD";
const timeTyped = ["HH:mm", "H:mm", "H.mm", "HHmm", "h:mm a", "h a"];

/** What a day may be typed as; the first is how it is shown. */
const dayTyped = ["ddd D MMM YYYY", "D MMM YYYY", "YYYY-MM-DD", "D.M.YYYY", "D/M/YYYY"];

/** A day of the calendar, typed or picked. */
export function DayBox({ id, label, value, onChange, allowNone = false, width = 180 }: DayBoxProps) {
  const locked = useLocked();
  const enter = useEnter((day) => onChange(day.format(iso)));
  return (
    <DatePicker
      {...enter}
      {...(id === undefined ? {} : { id })}
      aria-label={label}
      style={{ width }}
      format={dayTyped}
      allowClear={allowNone}
      disabled={locked}
      placeholder="5 Dec 2026"
      value={value === null ? null : dayjs(value, iso)}
      onChange={(day) => onChange(day === null ? null : day.format(iso))}
    />
  );
}

interface DayRangeProps {
  readonly label: string;
  /** First and last day, both in it; empty while there are none. */
  readonly from: string;
  readonly to: string;
  readonly onChange: (from: string, to: string) => void;
}

/** Days from one to another. */
export function DayRange({ label, from, to, onChange }: DayRangeProps) {
  const locked = useLocked();
  const day = (date: string): dayjs.Dayjs | null => (date === "" ? null : dayjs(date, iso));
  return (
    <DatePicker.RangePicker
      aria-label={label}
      style={{ width: 330 }}
      format={dayTyped}
      onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}
      allowClear={false}
      disabled={locked}
      placeholder={["first day", "last day"]}
      value={[day(from), day(to)]}
      onChange={(days) => onChange(days?.[0]?.format(iso) ?? "", days?.[1]?.format(iso) ?? "")}
    />
  );
}

interface TimeBoxProps {
  readonly label: string;
  /** Wall clock such as "10:00". */
  readonly value: string;
  readonly onChange: (time: string) => void;
}

/** A time of the house's clock, typed or picked in quarters of an hour. */
export function TimeBox({ label, value, onChange }: TimeBoxProps) {
  const locked = useLocked();
  const enter = useEnter((time) => onChange(time.format("HH:mm")));
  return (
    <TimePicker
      {...enter}
      aria-label={label}
      style={{ width: "100%" }}
      format={timeTyped}
      minuteStep={5}
      allowClear={false}
      needConfirm={false}
      showNow={false}
      disabled={locked}
      value={value === "" ? null : dayjs(value, "HH:mm")}
      onChange={(time) => time && onChange(time.format("HH:mm"))}
    />
  );
}
