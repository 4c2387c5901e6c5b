import type { CalendarDoc, HouseDoc } from "@lampcrate/contract";
import { type Pin, placeErrors } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { useKeptState } from "../../shared/useKeptState.ts";
import { useSaveSessions } from "../houseCalendar/useSaveSessions.ts";
import { Lock } from "../pieces/Lock.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { calendarQuery, houseQuery } from "../queries.ts";
import { Answered } from "./Answered.tsx";
import { AskForm } from "./AskForm.tsx";
import { askedOf, startOf, type Typed } from "./asking.ts";
import { Searching } from "./Searching.tsx";
import { clashesOf, savedAs, usePlacing } from "./usePlacing.ts";
import "./placing.css";

/** Sessions that are wanted, placed by the house's rooms, people and days: a plan with its proof, or what must give and why. */
export function PlaceSessions() {
  const calendar = useQuery(calendarQuery);
  const house = useQuery(houseQuery);
  if (!calendar.data || !house.data) return <Opening what="the calendar" />;
  return (
    <Lock to="plan" told>
      <Placing doc={calendar.data} house={house.data} />
    </Lock>
  );
}

interface PlacingProps {
  readonly doc: CalendarDoc;
  readonly house: HouseDoc;
}

function Placing({ doc, house }: PlacingProps) {
  const { today, now } = useHouseDay();
  const [typed, setTyped] = useKeptState<Typed>("place-sessions", startOf(today));
  const [given, setGiven] = useKeptState<readonly string[]>("place-sessions-given", []);
  const [pins, setPins] = useKeptState<readonly Pin[]>("place-sessions-pins", []);
  const [tried, setTried] = useState(false);
  const { step, answer, broken, place, stop, forget } = usePlacing(doc, house);
  const { saving } = useSaveSessions(doc);
  const navigate = useNavigate();
  const errors = placeErrors(askedOf(typed, doc, { pins, given }), house);
  const message = (field: string): string | undefined => (tried ? errors.find((error) => error.field === field)?.message : undefined);
  const search = (nextGiven: readonly string[] = given): void => {
    setTried(true);
    if (errors.length === 0) place(typed, pins, nextGiven);
  };
  const change = (next: Typed): void => {
    setTyped(next);
    stop();
    // What was let go of is not let go of for other sessions.
    setGiven(null);
    setPins(null);
  };
  const letGo = (ids: readonly string[], isGiven: boolean): void => {
    const next = isGiven ? [...new Set([...given, ...ids])] : given.filter((id) => !ids.includes(id));
    setGiven(next);
    search(next);
  };
  const takeOver = async (): Promise<void> => {
    if (!answer) return;
    const save = savedAs(answer, doc);
    if (!(await saving.save(save))) return;
    for (const forgetOne of [setTyped, setGiven, setPins]) forgetOne(null);
    navigate(`/calendar?day=${save.adds[0]?.start.slice(0, 10) ?? today}`);
  };
  const clashes = useMemo(() => (answer ? clashesOf(answer, doc, house, now) : []), [answer, doc, house, now]);
  const isOld = answer !== null && JSON.stringify(answer.typed) !== JSON.stringify(typed);
  return (
    <main className="page stack">
      <div className="row spread">
        <h1>Place sessions</h1>
        <Link to="/calendar">back to the calendar</Link>
      </div>
      <div className="ask-and-answer">
        <AskForm
          typed={typed}
          onChange={change}
          doc={doc}
          house={house}
          message={message}
          onPlace={() => search()}
          searching={step !== null}
        />
        <div className="stack" aria-live="polite">
          {step ? <Searching step={step} onStop={stop} /> : null}
          {broken ? (
            <p role="alert" className="trouble">
              The search broke off: {broken}. Press Place them once more; with fewer sessions or days it has less to try.
            </p>
          ) : null}
          {answer && !isOld && !step ? (
            <Answered
              answer={answer}
              house={house}
              clashes={clashes}
              pins={pins}
              onPins={setPins}
              onLetGo={letGo}
              onAgain={() => search()}
              pending={saving.pending}
              onTakeOver={() => void takeOver()}
              onForget={forget}
            />
          ) : step ? null : (
            <Hint house={house} isOld={isOld} />
          )}
          <Refused trouble={saving.trouble} />
        </div>
      </div>
    </main>
  );
}

function Hint({ house, isOld }: { readonly house: HouseDoc; readonly isOld: boolean }) {
  return (
    <section className="sheet pad stack" aria-label="Plan">
      <h2>{isOld ? "Something was changed since" : "No plan yet"}</h2>
      <p className="soft">
        Say when sessions can be, and of which runs how many are wanted. Every room, everybody's time away, what stands in the calendar and
        the house's closed days are looked at. You get a plan that nothing beats, or what must give and why. Nothing goes into the calendar
        before you take it over.
      </p>
      {house.rooms.length === 0 ? (
        <p>
          The house has no rooms yet: <Link to="/house">add them with their sizes</Link>.
        </p>
      ) : null}
      {house.people.length === 0 ? (
        <p>
          Nobody can be put on sessions yet: <Link to="/house">name the house's people</Link>. Rooms and days are placed all the same.
        </p>
      ) : null}
    </section>
  );
}
