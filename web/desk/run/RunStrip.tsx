import { families } from "@lampcrate/core";
import { memo } from "react";
import { NavLink, useLocation } from "react-router";
import { type HouseDay, useHouseDay } from "../pieces/useHouseDay.ts";
import { type RunWork, useRunWork } from "../work/RunContext.ts";
import { useSizedCrate } from "../work/SizedCrate.tsx";
import type { Crate } from "../work/useCrate.ts";
import "./runStrip.css";
import { useMay } from "../pieces/Lock.tsx";

type Standing = "done" | "now" | "short" | "later";

interface StepState {
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

/** The way around a run and its to-do list at once. */
export const RunStrip = memo(function RunStrip() {
  const work = useRunWork();
  const { pathname } = useLocation();
  const crate = useSizedCrate();
  const { day } = useHouseDay();
  const may = useMay();
  const mine = steps.filter((step) => may(step.opens));
  const states = mine.map((step) => step.state(work, crate, day));
  return (
    <nav aria-label="Steps of this run">
      <ol className="strip">
        {mine.map((step, i) => {
          const here = pathname.endsWith(step.path);
          const { words, standing } = states[i] ?? { words: "", standing: "later" as const };
          return (
            <li key={step.path}>
              <Bead standing={standing} here={here} last={i === mine.length - 1} />
              <NavLink to={`/run/${work.run.id}/${step.path}`} className={here ? "here" : ""}>
                <span className="name">{step.name}</span>
                <span className={standing === "short" ? "state short" : "state"}>{words}</span>
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
});

/** One bead on the strip: a filled disc is settled, a diamond is short, a ring is to come. */
function Bead({ standing, here, last }: { readonly standing: Standing; readonly here: boolean; readonly last: boolean }) {
  const line =
    standing === "done"
      ? { stroke: "var(--settled)", strokeWidth: 3 }
      : standing === "short"
        ? { stroke: "var(--brick)", strokeWidth: 3 }
        : { stroke: "var(--soft)", strokeWidth: 2, strokeDasharray: "4 4" };
  return (
    <svg aria-hidden="true">
      {last ? null : <line x1="18" y1="9" x2="100%" y2="9" {...line} />}
      {here ? <circle cx="8" cy="9" r="8.5" fill="var(--lamp)" stroke="var(--ink)" strokeWidth="1.4" /> : null}
      {standing === "short" ? (
        <path d="M8 2l7 7-7 7-7-7z" fill="var(--brick)" />
      ) : (
        <circle
          cx="8"
          cy="9"
          r="5.5"
          fill={standing === "done" ? "var(--settled)" : "var(--sheet)"}
          stroke={standing === "done" ? "var(--settled)" : "var(--soft)"}
          strokeWidth="2"
        />
      )}
    </svg>
  );
}

function briefState({ run, draft }: RunWork): StepState {
  const family = families[draft.brief.family].words;
  if (run.publishedVersion === null) return { words: `${family}, not frozen yet`, standing: "now" };
  return {
    words: run.changedSincePublished ? `changed since version ${run.publishedVersion}` : `frozen as version ${run.publishedVersion}`,
    standing: run.changedSincePublished ? "now" : "done",
  };
}

function tryoutState({ draft }: RunWork): StepState {
  const { brief } = draft;
  const family = families[brief.family];
  if (family.cannot(brief.spec, brief.design)) return { words: "plain build won't do", standing: "short" };
  return brief.compared === null ? { words: "try it first", standing: "now" } : { words: "two designs compared", standing: "done" };
}

function crateState({ draft }: RunWork, crate: Crate): StepState {
  if (draft.brief.lines.length === 0) return { words: "no lines yet", standing: "now" };
  const short = crate.manifest?.short ?? 0;
  return short > 0
    ? { words: `${short} ${short === 1 ? "line" : "lines"} short`, standing: "short" }
    : { words: "all on hand", standing: "done" };
}

function calendarState({ run }: RunWork, _: Crate, day: HouseDay["day"]): StepState {
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

function publishState({ run }: RunWork): StepState {
  if (run.status === "cancelled") return { words: "cancelled", standing: "later" };
  return run.status === "published"
    ? { words: `version ${run.publishedVersion} is out`, standing: "done" }
    : { words: "not published", standing: "later" };
}

function siftState({ run }: RunWork): StepState {
  const { waiting, accepted } = run.entries;
  if (waiting > 0) return { words: `${waiting} waiting`, standing: "now" };
  return accepted > 0 ? { words: `${accepted} accepted`, standing: "done" } : { words: "no entries yet", standing: "later" };
}

function findingsState({ run }: RunWork, _: Crate, day: HouseDay["day"]): StepState {
  if (run.entries.accepted === 0) return { words: "nothing accepted yet", standing: "later" };
  return { words: run.revealOn ? `reveal ${day(run.revealOn)}` : "no reveal day", standing: "now" };
}
