import { dateWords, nextSameDay } from "@lampcrate/core";
import { Button } from "./Button.tsx";

interface PastDayProps {
  /** A local date; null while there is none. */
  readonly date: string | null;
  readonly today: string;
  readonly onChange: (date: string) => void;
}

/** Asks whether a day that is over is meant, with its year, and offers the same day to come. */
export function PastDay({ date, today, onChange }: PastDayProps) {
  if (date === null || date === "" || today === "" || date >= today) return null;
  const next = nextSameDay(date, today);
  return (
    <span role="status" className="past-day small">
      {dateWords(date)} is over.{" "}
      <Button type="text" size="small" onClick={() => onChange(next)}>
        {dateWords(next)} is meant
      </Button>
    </span>
  );
}
