import { families } from "@lampcrate/core";
import type { HouseDay } from "../pieces/useHouseDay.ts";
import type { BriefWork } from "../work/RunContext.ts";
import type { Crate } from "../work/useCrate.ts";

/** How far a step is: a filled disc is settled, a diamond is short, a ring is to come. */
export type Standing = "done" | "now" | "short" | "later";

export interface StepState {
  readonly words: string;
  readonly standing: Standing;
}

/** The steps of a run in the order in which they are done, who opens each, and who changes what stands there. */
export const steps = [
  { name: "Brief", path: "brief", state: briefState, opens: "look", changes: "plan" },
  { name: "Tryout", path: "tryout", state: tryoutState, opens: "look", changes: "plan" },
  { name: "Crate", path: "crate", state: crateState, opens: "look", changes: "plan" },
  { name: "Calendar", path: "calendar", state: calendarState, opens: "look", changes: "plan" },
  { name: "Publish", path: "publish", state: publishState, opens: "look", changes: "plan" },
  { name: "Sift", path: "sift", state: siftState, opens: "sift", changes: "sift" },
  { name: "Findings", path: "findings", state: findingsState, opens: "sift", changes: "sift" },
] as const;

function briefState({ run, brief }: BriefWork): StepState {
  const family = families[brief.family].words;
  if (run.publishedVersion === null) return { words: `${family}, not frozen yet`, standing: "now" };
  return {
    words: run.changedSincePublished ? `changed since version ${run.publishedVersion}` : `frozen as version ${run.publishedVersion}`,
    standing: run.changedSincePublished ? "now" : "done",
  };
}

function tryoutState({ brief }: BriefWork): StepState {
  const family = families[brief.family];
  if (family.cannot(brief.spec, brief.design)) return { words: "plain build won't do", standing: "short" };
  return brief.compared === null ? { words: "try it first", standing: "now" } : { words: "two designs compared", standing: "done" };
}

function crateState({ brief }: BriefWork, crate: Crate): StepState {
  if (brief.lines.length === 0) return { words: "no lines yet", standing: "now" };
  // Not sized yet is not the same as all there.
  if (crate.manifest === null) return { words: crate.trouble === null ? "being sized" : "can't be sized", standing: "now" };
  const { short } = crate.manifest;
  return short > 0
    ? { words: `${short} ${short === 1 ? "line" : "lines"} short`, standing: "short" }
    : { words: "all on hand", standing: "done" };
}

function calendarState({ run }: BriefWork, _: Crate, day: HouseDay["day"]): StepState {
  const held = run.sessions.filter((s) => !s.cancelled);
  if (held.length === 0)
    return run.kind === "at-home"
      ? { words: run.closesOn ? `closes ${day(run.closesOn)}` : "no days yet", standing: run.closesOn ? "done" : "now" }
      : { words: "no session yet", standing: "now" };
  return {
    words: `${held.length} ${held.length === 1 ? "session" : "sessions"}${run.closesOn ? `, closes ${day(run.closesOn)}` : ", no closing day"}`,
    standing: run.closesOn ? "done" : "now",
  };
}

function publishState({ run }: BriefWork): StepState {
  if (run.status === "cancelled") return { words: "cancelled", standing: "later" };
  return run.status === "published"
    ? { words: `version ${run.publishedVersion} is out`, standing: "done" }
    : { words: "not published", standing: "later" };
}

function siftState({ run }: BriefWork): StepState {
  const { waiting, accepted } = run.entries;
  if (waiting > 0) return { words: `${waiting} waiting`, standing: "now" };
  return accepted > 0 ? { words: `${accepted} accepted`, standing: "done" } : { words: "no entries yet", standing: "later" };
}

function findingsState({ run }: BriefWork, _: Crate, day: HouseDay["day"]): StepState {
  if (run.entries.accepted === 0) return { words: "nothing accepted yet", standing: "later" };
  return { words: run.revealOn ? `reveal ${day(run.revealOn)}` : "no reveal day", standing: "now" };
}
