import type { RunDoc } from "@lampcrate/contract";
import { addDays } from "@lampcrate/core";
import { Checkbox, Input } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { DayBox } from "../pieces/DayBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { useSave } from "../pieces/useSave.ts";
import { bookingsQuery, seasonQuery } from "../queries.ts";

/** A copy of the run under a title of its own; with its sessions, shifted to a new first day, where that is wanted. */
export function Duplicate({ run, onLeave }: { readonly run: RunDoc; readonly onLeave: () => void }) {
  const navigate = useNavigate();
  const held = run.sessions.filter((session) => !session.cancelled);
  const last = held.at(-1)?.start.slice(0, 10) ?? "";
  const [title, setTitle] = useState(`${run.title} again`.slice(0, 80));
  const [along, setAlong] = useState(held.length > 0);
  const [startOn, setStartOn] = useState<string | null>(last === "" ? null : addDays(last, 7));
  const { save, pending, message, rest } = useSave({
    send: () => ask(api.runs[":id"].duplicate.$post({ param: { id: run.id }, json: { title, startOn: along ? startOn : null } })),
    onSaved: ({ id }) => void navigate(`/run/${id}/${along ? "calendar" : "brief"}`),
    renew: [seasonQuery, bookingsQuery],
  });
  return (
    <form
      className="stack"
      aria-label="Duplicate the run"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <div className="row feet">
        <Labelled label="Title of the copy" trouble={message("title")}>
          <Input required autoFocus className="box-xl" maxLength={80} value={title} onChange={(event) => setTitle(event.target.value)} />
        </Labelled>
        {held.length > 0 ? (
          <Checkbox checked={along} onChange={(event) => setAlong(event.target.checked)}>
            with its {held.length === 1 ? "session" : `${held.length} sessions and their distances`}
          </Checkbox>
        ) : null}
        {along ? (
          <Labelled label="First session on" trouble={message("startOn")}>
            <DayBox label="First session on" value={startOn} onChange={setStartOn} />
          </Labelled>
        ) : null}
      </div>
      {along ? <p className="soft small">Days for entries and the reveal move along. Nothing is published.</p> : null}
      {rest === null ? null : (
        <p role="alert" className="trouble">
          {rest}
        </p>
      )}
      <div className="row">
        <Button htmlType="submit" loading={pending} disabled={along && startOn === null}>
          Make the copy
        </Button>
        <Button type="text" size="small" onClick={onLeave}>
          leave it
        </Button>
      </div>
    </form>
  );
}
