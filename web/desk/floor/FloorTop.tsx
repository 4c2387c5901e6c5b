import { runSheet } from "@lampcrate/core";
import { clockOf } from "../calendar/clockOf.ts";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { doorsWords, said } from "./doors.ts";
import type { Floor } from "./useFloor.ts";

const minute = 60_000;

/** What time it is, what is on, and what comes next. */
export function FloorTop({ held }: { readonly held: Floor }) {
  const { doc, now } = held;
  const { session, run, room } = doc;
  return (
    <header className="floor-top">
      <time className="floor-clock">{clockOf(now, session.zone)}</time>
      <div className="floor-what">
        <h1>{run.title}</h1>
        <p className="soft">
          {room}
          {room ? ", " : ""}
          {clockOf(session.startAt, session.zone)} to {clockOf(session.endAt, session.zone)}
        </p>
      </div>
      <Part held={held} told />
      <LinkButton to={`/floor/${session.id}/room`} className="floor-key">
        Room screen
      </LinkButton>
    </header>
  );
}

/** The part of the run sheet that is on, with a gentle cue when the next begins; on a drop-in day, how long doors are open. `told`: with what whoever leads says or does. */
export function Part({ held: { doc, now }, told = false }: { readonly held: Floor; readonly told?: boolean }) {
  const { session, run, brief, day } = doc;
  const past = (now - session.startAt) / minute;
  if (past < 0) return <Cue words={`Doors open in ${said(-past)}`} />;
  if (past >= session.minutes) return <Cue words="It is over: tidy up, then close the day" />;
  if (run.kind === "drop-in" && session.kind === "as the run") {
    return <Cue words={doorsWords(past, session.minutes, day?.lastEntryMin ?? null)} />;
  }
  const sheet = runSheet(run.kind, session.minutes, { sketchFirst: brief.sketchFirst, own: run.sheet, held: session.kind });
  if (!sheet.ok) return <Cue words={`closes in ${said(session.minutes - past)}`} />;
  const at = sheet.parts.findIndex(({ from, minutes }) => past < from + minutes);
  const [part, next] = [sheet.parts[at], sheet.parts[at + 1]];
  if (!part) return null;
  return (
    <Cue
      words={`${part.words}, ${said(part.from + part.minutes - past)} left${next ? `; then ${inside(next.words)}` : ""}`}
      part={part.id}
      say={told ? part.say : ""}
    />
  );
}

/** Glows once when another part begins; who listens is told. */
function Cue({ words, part = "", say = "" }: { readonly words: string; readonly part?: string; readonly say?: string }) {
  return (
    <p className="floor-cue" key={part} aria-live={part === "" ? "off" : "polite"}>
      {words}
      {say === "" ? null : <span className="floor-say">{say}</span>}
    </p>
  );
}

/** A part's name within a sentence. */
const inside = (words: string): string => `${words.charAt(0).toLowerCase()}${words.slice(1)}`;

/** How long a place in the line will still wait; `now` where it need not, nothing where nobody can know. */
export function moreWait(minutes: number | undefined, now: string, before: string): string {
  if (minutes === undefined || !Number.isFinite(minutes)) return "";
  return minutes < 0.5 ? now : `${before}${said(minutes)}`;
}
