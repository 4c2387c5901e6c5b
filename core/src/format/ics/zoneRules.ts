import { Temporal } from "temporal-polyfill";

/** One change of a zone's clocks: the wall clock by the offset before it, and both offsets as "+0100". */
export interface ZoneChange {
  readonly kind: "STANDARD" | "DAYLIGHT";
  /** "2026-03-29T02:00:00". */
  readonly wall: string;
  readonly offsetFrom: string;
  readonly offsetTo: string;
}

/** A year and a bit before the first instant: the change that its offset comes from lies within. */
const before = { hours: 400 * 24 };

/**
 * Every change of a zone's clocks that matters between two instants (ms since 1970), the one in force at the first
 * among them. A zone without changes has one, from 1970 on. Each is written out, never as a rule: rules of a year say
 * nothing of the years in which a zone has changed its mind.
 */
export function zoneChanges(zone: string, from: number, to: number): readonly ZoneChange[] {
  const changes: ZoneChange[] = [];
  let at: Temporal.ZonedDateTime | null = Temporal.Instant.fromEpochMilliseconds(from).subtract(before).toZonedDateTimeISO(zone);
  const first = at;
  for (;;) {
    at = at.getTimeZoneTransition("next");
    if (at === null || at.epochMilliseconds > to) break;
    const old = at.subtract({ nanoseconds: 1 });
    changes.push({
      kind: at.offsetNanoseconds > old.offsetNanoseconds ? "DAYLIGHT" : "STANDARD",
      wall: at.toInstant().toZonedDateTimeISO(old.offset).toPlainDateTime().toString({ smallestUnit: "second" }),
      offsetFrom: compact(old.offset),
      offsetTo: compact(at.offset),
    });
  }
  if (changes.length > 0) return changes;
  return [{ kind: "STANDARD", wall: "1970-01-01T00:00:00", offsetFrom: compact(first.offset), offsetTo: compact(first.offset) }];
}

const compact = (offset: string): string => offset.replace(":", "").slice(0, 5);
