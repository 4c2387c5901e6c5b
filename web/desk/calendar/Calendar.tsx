import { families, tell } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { ChecksHere } from "../checks/ChecksHere.tsx";
import { CrateDock } from "../crate/dock/CrateDock.tsx";
import { Button } from "../pieces/Button.tsx";
import { FocusIn } from "../pieces/FocusIn.tsx";
import { LinkButton } from "../pieces/LinkButton.tsx";
import { Opening } from "../pieces/Opening.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { bookingsQuery, houseQuery, runQuery, seasonQuery } from "../queries.ts";
import { useBriefWork, useCrateWork } from "../work/RunContext.ts";
import { useSizedCrate } from "../work/SizedCrate.tsx";
import { StepDesk } from "../work/StepDesk.tsx";
import { useChecks } from "../work/useChecks.ts";
import { EntryDays } from "./EntryDays.tsx";
import { RunSheetCard } from "./RunSheetCard.tsx";
import { SeriesDays } from "./SeriesDays.tsx";
import { SessionForm } from "./SessionForm.tsx";
import { SessionTable } from "./SessionTable.tsx";
import { WeekBoard } from "./WeekBoard.tsx";

/** Put sessions on days in rooms, and say when entries open, close and are revealed. */
export function Calendar() {
  return (
    <StepDesk beside="Crate" panel={<CrateDock />}>
      <Days />
    </StepDesk>
  );
}

function Days() {
  const { run, brief } = useBriefWork();
  const { session } = useCrateWork();
  const crate = useSizedCrate();
  const checks = useChecks().filter(({ at }) => at === "calendar");
  const house = useQuery(houseQuery);
  const bookings = useQuery(bookingsQuery);
  const queries = useQueryClient();
  const [editing, setEditing] = useState<string | "new" | null>(null);
  const { save: remove, trouble } = useSave({
    send: (id: string) => ask(api.runs[":id"].sessions[":session"].$delete({ param: { id: run.id, session: id } })),
    onSaved: (saved) => queries.setQueryData(runQuery(run.id).queryKey, saved),
    renew: [bookingsQuery, seasonQuery],
  });
  if (house.isPending || bookings.isPending) return <Opening part what="the calendar" />;
  if (!house.data)
    return (
      <p role="alert" className="trouble">
        The house can't be reached. Reload the page.
      </p>
    );
  const { rooms, zone, closures } = house.data;
  const needs = families[brief.family].needs(brief.spec);
  const seats = crate.manifest ? Math.ceil(crate.manifest.heads.high * brief.shareAtOnce) : null;
  const rigs = Math.max(1, Math.ceil((seats ?? 0) / brief.rigServes));
  const adults = Math.ceil(rigs / needs.rigsPerAdult);
  return (
    <>
      <section className="sheet pad stack" aria-label="Sessions">
        <div className="row spread">
          <h2>Sessions</h2>
          <span className="soft small">
            wall clock of the house, {zone}; this brief needs {tell(needs, run.units)}
            {seats === null
              ? ""
              : `; up to ${rigs} ${rigs === 1 ? "rig" : "rigs"}, and ${adults} ${adults === 1 ? "adult" : "adults"} at them`}
          </span>
        </div>
        {rooms.length === 0 ? (
          <p>
            The house has no rooms yet. <Link to="/house">Add them with their sizes</Link>, then sessions can be placed.
          </p>
        ) : null}
        {run.sessions.length === 0 && rooms.length > 0 ? (
          <p>No session has a day yet. Add one: the crate is sized for it at once.</p>
        ) : null}
        {run.sessions.length === 0 ? null : (
          <SessionTable asks={{ ...needs, seats }} house={house.data} onChange={setEditing} onRemove={(id) => void remove(id)} />
        )}
        <Refused trouble={trouble} />
        {editing === null ? (
          <div className="row">
            <Button type="primary" disabled={rooms.length === 0} onClick={() => setEditing("new")}>
              Add a session
            </Button>
            <LinkButton to={`/run/${run.id}/rehearse`}>Rehearse the day</LinkButton>
            <LinkButton to={session ? `/calendar?day=${session.start.slice(0, 10)}` : "/calendar"}>See it among all runs</LinkButton>
            <LinkButton to="/calendar/place">Place sessions for me</LinkButton>
          </div>
        ) : (
          <FocusIn key={editing}>
            <SessionForm session={run.sessions.find((s) => s.id === editing) ?? null} rooms={rooms} onClose={() => setEditing(null)} />
          </FocusIn>
        )}
      </section>
      <ChecksHere checks={checks} here="calendar" />
      <RunSheetCard />
      <WeekBoard
        rooms={rooms}
        bookings={bookings.data ?? []}
        closures={closures}
        zone={zone}
        ours={run.sessions.map((s) => s.id)}
        nearest={session?.start.slice(0, 10) ?? null}
      />
      {run.kind === "series" ? <SeriesDays /> : null}
      <EntryDays />
    </>
  );
}
