import { DatePicker, TimePicker } from "antd";
import dayjs from "dayjs";
import customParseFormat from "dayjs/plugin/customParseFormat";
import "dayjs/locale/en-gb";
import { type KeyboardEvent, useMemo, useState } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";

// Weeks begin on Monday, as the house's weekdays do.
dayjs.locale("en-gb");
dayjs.extend(customParseFormat);

/**
 * Keeps what is typed at Enter and on leaving, and sends no form that stands around the box: by itself the picker keeps
 * it in some ways of leaving and drops it in others.
 */
function useTypedIn(formats: readonly string[], shown: string, take: (value: dayjs.Dayjs) => void) {
  const [open, setOpen] = useState(false);
  const keep = ({ target }: { readonly target: EventTarget }): void => {
    const text = target instanceof HTMLInputElement ? target.value.trim() : "";
    const read = formats.map((format) => dayjs(text, format, true)).find((day) => day.isValid());
    if (read && read.format(formats[0]) !== shown) take(read);
  };
  return {
    open,
    onOpenChange: setOpen,
    onBlur: keep,
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
      if (event.key !== "Enter") return;
      event.preventDefault();
      keep(event);
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

/** The same object for as long as the value is the same: the picker takes a new one for a new value, and drops what is being typed. */
function useSteady(value: string | null, format: string): dayjs.Dayjs | null {
  return useMemo(() => (value === null || value === "" ? null : dayjs(value, format)), [value, format]);
}

/** A day of the calendar, typed or picked. */
export function DayBox({ id, label, value, onChange, allowNone = false, width = 180 }: DayBoxProps) {
  const locked = useLocked();
  const day = useSteady(value, iso);
  const typing = useTypedIn(dayTyped, day?.format(dayTyped[0]) ?? "", (typed) => onChange(typed.format(iso)));
  return (
    <DatePicker
      {...typing}
      {...(id === undefined ? {} : { id })}
      aria-label={label}
      style={{ width }}
      format={dayTyped}
      allowClear={allowNone}
      disabled={locked}
      placeholder="5 Dec 2026"
      value={day}
      onChange={(next) => onChange(next === null ? null : next.format(iso))}
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
  const [first, last] = [useSteady(from, iso), useSteady(to, iso)];
  const days = useMemo((): [dayjs.Dayjs | null, dayjs.Dayjs | null] => [first, last], [first, last]);
  return (
    <DatePicker.RangePicker
      aria-label={label}
      className="box-xl"
      format={dayTyped}
      onKeyDown={(event) => event.key === "Enter" && event.preventDefault()}
      allowClear={false}
      disabled={locked}
      placeholder={["first day", "last day"]}
      value={days}
      onChange={(chosen) => onChange(chosen?.[0]?.format(iso) ?? "", chosen?.[1]?.format(iso) ?? "")}
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
  const typing = useTypedIn(timeTyped, value, (time) => onChange(time.format("HH:mm")));
  return (
    <TimePicker
      {...typing}
      aria-label={label}
      className="wide"
      format={timeTyped}
      minuteStep={5}
      allowClear={false}
      needConfirm={false}
      showNow={false}
      disabled={locked}
      value={useSteady(value, "HH:mm")}
      onChange={(time) => time && onChange(time.format("HH:mm"))}
    />
  );
}
