import type { FeedDoc, FeedInput, FeedScope, HouseDoc } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Select, Typography } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useSave } from "../pieces/useSave.ts";
import { feedsQuery } from "../queries.ts";

/** Addresses under which calendars elsewhere read the house's sessions: made, told once, ended. */
export function Feeds({ house }: { readonly house: HouseDoc }) {
  const feeds = useQuery(feedsQuery);
  const queries = useQueryClient();
  const { dayOf } = useHouseDay();
  const [chosen, setChosen] = useState("house ");
  const [told, setTold] = useState<{ readonly of: string; readonly address: string } | null>(null);
  const choices = choicesOf(house);
  const nameOf = ({ scope, subject }: FeedInput): string =>
    choices.find(({ value }) => value === `${scope} ${subject}`)?.label ?? "what is gone: end it";
  const making = useSave({
    send: (json: FeedInput) => ask(api.feeds.$post({ json })),
    onSaved: (made) => setTold({ of: nameOf(made), address: made.address }),
    renew: [feedsQuery],
  });
  const ending = useSave({
    send: (id: string) => ask(api.feeds[":id"].$delete({ param: { id } })),
    onSaved: (left) => queries.setQueryData(feedsQuery.queryKey, left),
  });
  const [scope = "house", subject = ""] = chosen.split(" ");
  return (
    <section className="sheet pad stack" aria-label="Calendar addresses">
      <h2>Calendar addresses</h2>
      <p className="soft">
        A calendar elsewhere reads sessions from such an address: times, places and titles, nobody's name. Whoever has it can read it, so
        pass it on with care; ended, it leads nowhere. Or take <a href="/api/calendar.csv">all sessions as CSV</a>.
      </p>
      {(feeds.data ?? []).length === 0 ? null : (
        <DataTable<FeedDoc>
          label="Calendar addresses"
          rowKey="id"
          rows={feeds.data ?? []}
          columns={[
            { title: "Of", key: "of", rowScope: "row", render: (_, feed) => nameOf(feed) },
            { title: "Made on", key: "made", render: (_, feed) => dayOf(feed.madeAt) },
            {
              title: <span className="unseen">End</span>,
              key: "end",
              render: (_, feed) => (
                <Button
                  type="text"
                  size="small"
                  aria-label={`End the address of ${nameOf(feed)}`}
                  onClick={() => void ending.save(feed.id)}
                >
                  end it
                </Button>
              ),
            },
          ]}
        />
      )}
      <div className="row feet">
        <Select className="box-xl" aria-label="Calendar of" value={chosen} options={[...choices]} onChange={setChosen} />
        <Button loading={making.pending} onClick={() => void making.save({ scope: scope as FeedScope, subject })}>
          Make an address
        </Button>
      </div>
      <Refused trouble={making.trouble ?? ending.trouble} />
      {told ? (
        <p role="status">
          The address of {told.of}, told this once: <Typography.Text copyable>{told.address}</Typography.Text>
        </p>
      ) : null}
    </section>
  );
}

function choicesOf({ rooms, people }: HouseDoc): readonly { readonly value: string; readonly label: string }[] {
  return [
    { value: "house ", label: "the whole house" },
    ...rooms.map(({ id, name }) => ({ value: `room ${id}`, label: `room: ${name}` })),
    ...people.map(({ id, name }) => ({ value: `person ${id}`, label: `person: ${name}` })),
  ];
}
