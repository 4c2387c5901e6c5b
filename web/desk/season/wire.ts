import type { RunSummary } from "@lampcrate/contract";
import { addDays, shortDate } from "@lampcrate/core";
import type { SeasonStart } from "../seasonData/useSeasonStarts.ts";
import type { Axis } from "./axis.ts";

/** Something on a run's wire that has a day and words. */
export interface WireMark {
  readonly kind: "tag" | "reveal" | "erase";
  readonly on: string;
  readonly words: string;
}

/** Sessions that the line doesn't reach: how many lie before or after it, with the nearest day. */
export interface Beyond {
  readonly count: number;
  readonly nearest: string;
}

export interface Wire {
  readonly begins: string;
  /** First day on which something happens: preparing is before it. */
  readonly first: string;
  readonly ends: string;
  /** Id of the next session. */
  readonly next: string | undefined;
  readonly before: Beyond | null;
  readonly after: Beyond | null;
  readonly marks: readonly WireMark[];
  /** Height of the wire on a day when it hangs from `y`, px. */
  readonly sag: (date: string, y: number) => number;
  readonly path: (from: string, to: string, y: number) => string;
}

/** Days on which two tags would lie on each other are said by one. */
const tooNear = 20;

/** A run's days as a wire that hangs from the day it was made to its last. */
export function wireOf(
  run: RunSummary,
  { today, x, width, from, to }: Axis,
  starts: readonly Pick<SeasonStart, "kind" | "due">[] = [],
): Wire {
  const held = run.sessions.filter((s) => !s.cancelled);
  const days = [run.opensOn, run.closesOn, run.steps.reveal, ...held.map((s) => s.date)].flatMap((day) => day ?? []).sort();
  // A day before the run was made stands where it is, and the wire begins there.
  const begins = [run.createdOn, ...days].sort()[0] ?? run.createdOn;
  const ends = days.at(-1) ?? addDays(today, 14);
  const first = [run.opensOn, held[0]?.date].flatMap((day) => day ?? []).sort()[0] ?? ends;
  const [x0, x1] = [x(begins), x(ends)];
  const sagAt = (px: number, y: number): number => y + 9 * Math.max(0, 1 - ((2 * (px - x0)) / Math.max(1, x1 - x0) - 1) ** 2);
  const next = held.find((s) => s.date >= today);
  return {
    begins,
    first,
    ends,
    next: next?.id,
    before: beyond(
      held
        .map((s) => s.date)
        .filter((day) => day < from)
        .sort()
        .reverse(),
    ),
    after: beyond(
      held
        .map((s) => s.date)
        .filter((day) => day >= to)
        .sort(),
    ),
    marks: marksOf(run, starts, today, x),
    sag: (date, y) => sagAt(x(date), y),
    path: (begin, end, y) => {
      const [a, b] = [Math.max(0, x(begin)), Math.min(width, x(end))];
      if (b <= a) return "";
      const points = Array.from({ length: 25 }, (_, i) => a + ((b - a) * i) / 24);
      return points.map((px, i) => `${i === 0 ? "M" : "L"}${px.toFixed(1)} ${sagAt(px, y).toFixed(1)}`).join("");
    },
  };
}

const beyond = ([nearest, ...more]: readonly string[]): Beyond | null =>
  nearest === undefined ? null : { count: 1 + more.length, nearest };

/** What must be done before families can build, by its last day; after that the reveal, and the day on which entries go. */
function marksOf(
  { status, steps, revealOn, opensOn, sessions }: RunSummary,
  starts: readonly Pick<SeasonStart, "kind" | "due">[],
  today: string,
  x: Axis["x"],
): readonly WireMark[] {
  const begins = opensOn ?? sessions.find((s) => !s.cancelled)?.date ?? null;
  const publish = status === "draft" && begins !== null && steps.publish !== null ? [{ on: steps.publish, words: "publish" }] : [];
  const first = (["order", "collect", "prepare"] as const).flatMap((kind) => {
    const due = starts
      .filter((start) => start.kind === kind)
      .map((start) => start.due)
      .sort()[0];
    return due === undefined ? [] : [{ on: due, words: kind }];
  });
  const reveal = steps.reveal === null ? [] : [{ kind: "reveal" as const, on: steps.reveal, words: revealWords(steps, revealOn, today) }];
  const erase =
    steps.erase === null ? [] : [{ kind: "erase" as const, on: steps.erase, words: `entries go ${shortDate(steps.erase, today)}` }];
  return [...tags([...publish, ...first], x), ...(status === "cancelled" ? [] : reveal), ...erase];
}

function revealWords({ reveal, revealFrom }: RunSummary["steps"], set: string | null, today: string): string {
  const day = shortDate(reveal ?? today, today);
  if (set === null) return `reveal from ${day}`;
  return revealFrom !== null && set < revealFrom ? `reveal ${day}, before all is sifted` : `reveal ${day}`;
}

/** Tags that would lie on each other are one, on the earliest day. */
function tags(steps: readonly { readonly on: string; readonly words: string }[], x: Axis["x"]): readonly WireMark[] {
  const found: WireMark[] = [];
  for (const { on, words } of [...steps].sort((a, b) => a.on.localeCompare(b.on))) {
    const last = found.at(-1);
    if (last && x(on) - x(last.on) < tooNear) found[found.length - 1] = { ...last, words: `${last.words}, ${words}` };
    else found.push({ kind: "tag", on, words });
  }
  return found;
}
