import type { RunSummary, ToDo } from "@lampcrate/contract";
import {
  addDays,
  daysBetween,
  shortDate,
  type WorkingDays,
  weekdayOf,
  workingDayOnOrAfter,
  workingDayOnOrBefore,
  workingDaysBetween,
} from "@lampcrate/core";
import { eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { briefLine, run } from "../../db/schema/index.ts";

/** A step before it is held against today. */
interface Step extends Pick<ToDo, "words" | "detail" | "step"> {
  readonly id: string;
  readonly by: string;
  /** Nothing shows by itself that it is done. */
  readonly told?: boolean;
}

interface Today extends WorkingDays {
  readonly today: string;
}

/** What must start by the coming Sunday, late ones first. */
export function toDos(db: Store, runs: readonly RunSummary[], days: Today): readonly ToDo[] {
  const { today } = days;
  const sunday = addDays(today, 7 - weekdayOf(today));
  const withLines = new Set(
    db
      .select({ runId: run.id })
      .from(run)
      .innerJoin(briefLine, eq(briefLine.briefId, run.briefId))
      .all()
      .map((r) => r.runId),
  );
  const found = runs
    .filter((line) => line.status !== "cancelled")
    .flatMap((line) =>
      [...(line.status === "draft" ? draftSteps(line, withLines.has(line.id), today) : []), ...entrySteps(line, days)].map((step) =>
        asToDo(line, step, days),
      ),
    )
    .filter(({ due }) => due <= sunday);
  return found.sort((a, b) => a.due.localeCompare(b.due) || a.runTitle.localeCompare(b.runTitle, "en"));
}

function asToDo(line: RunSummary, { id, by, told = false, ...step }: Step, { today, ...days }: Today): ToDo {
  // Nothing was late before it was there.
  const due = by < line.createdOn ? line.createdOn : by;
  const slack = workingDaysBetween(workingDayOnOrAfter(today, days), workingDayOnOrAfter(due, days), days);
  return { id: `${line.id}-${id}`, runId: line.id, runTitle: line.title, due, slack, late: due < today, told, ...step };
}

/** What a run still lacks before families can see it. */
function draftSteps(line: RunSummary, hasLines: boolean, today: string): readonly Step[] {
  const next = line.sessions.find((s) => !s.cancelled && s.date >= today);
  const { publish } = line.steps;
  const opens = line.opensOn ? `open ${shortDate(line.opensOn, today)}` : "have no opening day";
  const lacks: readonly (Step | null)[] = [
    hasLines
      ? null
      : {
          id: "lines",
          by: next ? addDays(next.date, -14) : today,
          words: "Say what goes in the kit",
          detail: "the crate has no lines yet",
          step: "crate",
        },
    line.sessions.length > 0 || line.kind === "at-home"
      ? null
      : { id: "sessions", by: today, words: "Put it on the calendar", detail: "no session has a day and a room", step: "calendar" },
    publish === null || (line.opensOn === null && !next)
      ? null
      : { id: "publish", by: publish, words: "Publish the challenge sheet", detail: `entries ${opens}`, step: "publish" },
  ];
  return lacks.flatMap((step) => step ?? []);
}

/** Reminding, sifting and getting the reveal ready. */
function entrySteps({ status, steps, closesOn, waiting, accepted, revealOn }: RunSummary, { today, ...days }: Today): readonly Step[] {
  const entries = (n: number): string => `${n} ${n === 1 ? "entry" : "entries"}`;
  const reminders = status !== "published" || closesOn === null || closesOn < today ? [] : steps.remind;
  return [
    ...reminders.map((by): Step => {
      const left = daysBetween(by, closesOn ?? by);
      return {
        id: `remind ${by}`,
        by,
        told: true,
        words: "Remind families",
        detail: `${left} ${left === 1 ? "day" : "days"} until entries close: whoever has sent gets a letter, the others hear of it from you`,
        step: "publish",
      };
    }),
    ...(waiting > 0
      ? [
          {
            id: "sift",
            by: today,
            words: `Sift ${entries(waiting)}`,
            detail: "nothing is public until somebody has looked at it",
            step: "sift",
          } as const,
        ]
      : []),
    ...(revealOn && revealOn >= today && accepted > 0
      ? [
          {
            id: "reveal",
            by: workingDayOnOrBefore(addDays(revealOn, -1), days),
            words: "Get the reveal ready",
            detail: `${accepted} accepted, reveal ${shortDate(revealOn, today)}`,
            step: "findings",
          } as const,
        ]
      : []),
  ];
}
