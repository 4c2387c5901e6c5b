import type { SessionInput } from "@lampcrate/contract";
import { minutesOfDay, wallLater } from "@lampcrate/core";
import { type By, none, type Row, rowsIn } from "./lanes.ts";

/** Starts and lengths go by steps of so many minutes. */
export const stepMin = 15;
const leastMin = 10;
const mostMin = 1440;

/** A lane of a day. */
export interface Lane {
  readonly date: string;
  readonly row: string;
}

/** To the nearest step. */
export const snapped = (minutes: number): number => Math.round(minutes / stepMin) * stepMin;

/** A session begun in one lane and put into another, so many minutes later on the clock. */
export function movedTo(base: SessionInput, by: By, fromRow: string, to: Lane, minutes: number): SessionInput {
  const at = Math.min(24 * 60 - stepMin, Math.max(0, minutesOfDay(base.start) + minutes));
  return inRow({ ...base, start: wallLater(`${to.date}T00:00`, { minutes: at }) }, by, fromRow, to.row);
}

/** The same session in another room, or with another person in one's place. */
export function inRow(base: SessionInput, by: By, fromRow: string, toRow: string): SessionInput {
  if (fromRow === toRow) return base;
  if (by === "room") return { ...base, roomId: toRow === none ? null : toRow };
  const others = base.people.filter((id) => id !== fromRow && id !== toRow);
  return { ...base, people: toRow === none ? others : [...others, toRow] };
}

/** Its end so many minutes later, within what a session may last. */
export function longerBy(base: SessionInput, minutes: number): SessionInput {
  return { ...base, minutes: Math.min(mostMin, Math.max(leastMin, base.minutes + minutes)) };
}

/** What a key does to a session in hand; null for keys that do nothing. By weeks a step is a quarter of an hour, by months a day. */
export function keyed(
  base: SessionInput,
  { key, shiftKey }: { readonly key: string; readonly shiftKey: boolean },
  { by, rows, row, month }: { readonly by: By; readonly rows: readonly Row[]; readonly row: string; readonly month: boolean },
): SessionInput | null {
  const side = { ArrowLeft: -1, ArrowRight: 1 }[key];
  if (side !== undefined) {
    if (shiftKey) return longerBy(base, side * stepMin);
    return { ...base, start: wallLater(base.start, month ? { days: side } : { minutes: side * stepMin }) };
  }
  const days = { PageUp: -1, PageDown: 1 }[key];
  if (days !== undefined) return { ...base, start: wallLater(base.start, { days }) };
  const down = { ArrowUp: -1, ArrowDown: 1 }[key];
  if (down === undefined) return null;
  const now = by === "room" ? (base.roomId ?? none) : rowsIn(by, base).includes(row) ? row : (rowsIn(by, base)[0] ?? none);
  const next = rows[rows.findIndex(({ id }) => id === now) + down];
  return next ? inRow(base, by, now, next.id) : base;
}

/** A candidate without what only a saved session has. */
export const inputOnly = ({ roomId, start, minutes, people }: SessionInput): Partial<SessionInput> => ({ roomId, start, minutes, people });
