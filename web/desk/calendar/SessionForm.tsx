import type { RoomDoc, SessionDoc, SessionInput } from "@lampcrate/contract";
import { apartWords, ruleOf, type SessionKind, sessionKinds, usualLengths } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Input, InputNumber, Select } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { useKeptState } from "../../shared/useKeptState.ts";
import { Button } from "../pieces/Button.tsx";
import { DayBox, TimeBox } from "../pieces/DayBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { PastDay } from "../pieces/PastDay.tsx";
import { sessionInput } from "../pieces/sessionInput.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useSave } from "../pieces/useSave.ts";
import { bookingsQuery, houseQuery, runQuery, seasonQuery } from "../queries.ts";
import { useBriefWork, useCrateWork, useRunActions } from "../work/RunContext.ts";
import { countOf, once, Repeats } from "./Repeats.tsx";

interface SessionFormProps {
  readonly session: SessionDoc | null;
  readonly rooms: readonly RoomDoc[];
  readonly onClose: () => void;
}

/** A story hour on line, a broadcast: a session that takes no room. */
const noRoom = { value: "no room", label: "no room, as on line" };

/** A session's day, time, room and title. What is refused keeps every field as typed. */
export function SessionForm({ session, rooms, onClose }: SessionFormProps) {
  const { run } = useBriefWork();
  const { heads } = useCrateWork();
  const { setCrateFor } = useRunActions();
  const queries = useQueryClient();
  const { today } = useHouseDay();
  const [typed, setTyped] = useKeptState<SessionInput>(
    `session-${run.id}-${session?.id ?? "new"}`,
    session
      ? sessionInput(session)
      : {
          title: "",
          roomId: rooms[0]?.id ?? null,
          start: `${today}T10:00`,
          ...usualLengths,
          heads,
          people: [],
          part: run.kind === "series" ? 1 + Math.max(0, ...run.sessions.map(({ part }) => part ?? 0)) : null,
          kind: "as the run",
          cancelled: false,
        },
  );
  const [date = "", time = ""] = typed.start.split("T");
  const set = (patch: Partial<SessionInput>): void => setTyped({ ...typed, ...patch });
  const [repeating, setRepeating] = useState(once);
  const house = useQuery(houseQuery).data;
  const days = { typed, repeating, zone: house?.zone ?? "UTC", closures: house?.closures ?? [] };
  const sessions = session ? 1 : countOf(days);
  const param = { id: run.id };
  const { save, trouble, pending } = useSave({
    send: (json: SessionInput) =>
      ask(
        session
          ? api.runs[":id"].sessions[":session"].$put({
              param: { id: run.id, session: session.id },
              json: { ...json, revision: session.revision },
            })
          : repeating.kind === "once"
            ? api.runs[":id"].sessions.$post({ param, json })
            : api.runs[":id"].sessions.repeats.$post({
                param,
                json: { ...json, rule: ruleOf(repeating.kind, date, repeating.count), exdates: repeating.without },
              }),
      ),
    onSaved: (saved) => {
      queries.setQueryData(runQuery(run.id).queryKey, saved);
      const made = saved.sessions.find((s) => !run.sessions.some((before) => before.id === s.id));
      if (made) setCrateFor({ kind: "session", id: made.id });
      setTyped(null);
      onClose();
    },
    renew: [bookingsQuery, seasonQuery],
  });
  return (
    <form
      className="stack ruled-above"
      aria-label={session ? "Change the session" : "New session"}
      onSubmit={(event) => {
        event.preventDefault();
        void save(typed);
      }}
    >
      <div className="fields three">
        <Labelled label="Day" trouble={trouble?.fieldMessage("start")}>
          <DayBox label="Day" width="100%" value={date || null} onChange={(day) => set({ start: `${day ?? ""}T${time}` })} />
          <PastDay date={date} today={today} onChange={(day) => set({ start: `${day}T${time}` })} />
        </Labelled>
        <Labelled label="Starts at">
          <TimeBox label="Starts at" value={time} onChange={(next) => set({ start: `${date}T${next}` })} />
        </Labelled>
        <Labelled label="Minutes" trouble={trouble?.fieldMessage("minutes")}>
          <InputNumber
            className="wide"
            min={10}
            max={1440}
            precision={0}
            value={typed.minutes}
            onChange={(minutes) => minutes !== null && set({ minutes })}
          />
        </Labelled>
        <Labelled label="How it is held" trouble={trouble?.fieldMessage("kind")}>
          <Select
            className="wide"
            aria-label="How it is held"
            value={typed.kind}
            options={sessionKinds.map((kind) => ({ value: kind, label: apartWords(kind) || run.kind }))}
            onChange={(kind: SessionKind) => set({ kind, ...(kind === "on line" ? { roomId: null, setUpMin: 0, tearDownMin: 0 } : {}) })}
          />
        </Labelled>
        <Labelled label="Room" trouble={trouble?.fieldMessage("roomId")}>
          <Select
            className="wide"
            aria-label="Room"
            value={typed.roomId ?? noRoom.value}
            options={[...rooms.map((room) => ({ value: room.id, label: `${room.name}, ${room.seats} seats` })), noRoom]}
            onChange={(roomId: string) => set({ roomId: roomId === noRoom.value ? null : roomId })}
          />
        </Labelled>
        <Labelled label="Set-up, min">
          <InputNumber
            className="wide"
            min={0}
            max={720}
            precision={0}
            value={typed.setUpMin}
            onChange={(setUpMin) => setUpMin !== null && set({ setUpMin })}
          />
        </Labelled>
        <Labelled label="Tear-down, min">
          <InputNumber
            className="wide"
            min={0}
            max={720}
            precision={0}
            value={typed.tearDownMin}
            onChange={(tearDownMin) => tearDownMin !== null && set({ tearDownMin })}
          />
        </Labelled>
        {run.kind === "series" ? (
          <Labelled label="Part of the series" trouble={trouble?.fieldMessage("part")}>
            <InputNumber className="wide" min={1} max={60} precision={0} value={typed.part} onChange={(part) => set({ part })} />
          </Labelled>
        ) : null}
        {house && house.people.length > 0 ? (
          <Labelled label="Who is on it" trouble={trouble?.fieldMessage("people")}>
            <Select
              className="wide"
              mode="multiple"
              aria-label="Who is on it"
              value={[...typed.people]}
              options={house.people.map(({ id, name }) => ({ value: id, label: name }))}
              optionFilterProp="label"
              onChange={(people: string[]) => set({ people })}
            />
          </Labelled>
        ) : null}
        <Labelled label="Called">
          <Input
            maxLength={80}
            placeholder="Saturday drop-in"
            value={typed.title}
            onChange={(event) => set({ title: event.target.value })}
          />
        </Labelled>
      </div>
      {session ? null : <Repeats {...days} today={today} onChange={setRepeating} />}
      {trouble?.fieldMessage("rule") ? (
        <p role="alert" className="ruler-trouble">
          {trouble.fieldMessage("rule")}
        </p>
      ) : null}
      {trouble && !trouble.problem.errors?.length ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
      <div className="row">
        <Button type="primary" htmlType="submit" disabled={pending || sessions === 0}>
          {session ? "Save the session" : sessions === 1 ? "Put it on the calendar" : `Put ${sessions} sessions on the calendar`}
        </Button>
        <Button
          onClick={() => {
            setTyped(null);
            onClose();
          }}
        >
          Leave it
        </Button>
      </div>
    </form>
  );
}
