import type { DrawnAmong, PrizeDoc, PrizeInput } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Input } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { ChoiceBox } from "../pieces/ChoiceBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import { useMay } from "../pieces/Lock.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { Whole } from "../pieces/Whole.tsx";
import { houseQuery, prizeQuery } from "../queries.ts";

/** What one may win: drawn among those who qualify, handed out to whoever shows the code behind their private link. */
export function Prize({ runId }: { readonly runId: string }) {
  const prize = useQuery(prizeQuery(runId)).data;
  if (!prize || (prize.prize === "" && prize.drawn === null)) return null;
  return (
    <section className="sheet pad stack" aria-label="Prize">
      <h2>Prize</h2>
      <p>{prize.prize}</p>
      {prize.drawn ? <Drawn runId={runId} drawn={prize.drawn} /> : <Draw runId={runId} prize={prize} />}
    </section>
  );
}

const amongWords: Readonly<Record<DrawnAmong, string>> = { goal: "those who met the goal", all: "everybody accepted" };

function Draw({ runId, prize: { closed, qualify } }: { readonly runId: string; readonly prize: PrizeDoc }) {
  const mayPlan = useMay()("plan");
  const [winners, setWinners] = useState(1);
  const [among, setAmong] = useState<DrawnAmong>("goal");
  const keep = useKeep(runId);
  const { save, pending, trouble } = useSave({
    send: (json: PrizeInput) => ask(api.runs[":id"].prize.$post({ param: { id: runId }, json })),
    onSaved: keep,
  });
  if (!closed) return <p className="soft">It can be drawn once entries have closed.</p>;
  if (!mayPlan) return <p className="soft">A planner draws it.</p>;
  return (
    <>
      <div className="row">
        <Whole label="Winners" min={1} max={100} value={winners} onChange={setWinners} />
        <ChoiceBox
          label="Drawn among"
          value={among}
          options={(["goal", "all"] as const).map((value) => ({ value, label: `${amongWords[value]}: ${qualify[value]}` }))}
          onChoose={setAmong}
        />
        <Button loading={pending} onClick={() => void save({ winners, among })}>
          Draw
        </Button>
      </div>
      <Refused trouble={trouble} />
    </>
  );
}

function Drawn({ runId, drawn }: { readonly runId: string; readonly drawn: NonNullable<PrizeDoc["drawn"]> }) {
  const mayPlan = useMay()("plan");
  const zone = useQuery(houseQuery).data?.zone ?? "UTC";
  const day = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeZone: zone });
  const keep = useKeep(runId);
  const back = useSave({ send: () => ask(api.runs[":id"].prize.$delete({ param: { id: runId } })), onSaved: keep });
  const waits = drawn.wins.some(({ claimedAt }) => claimedAt === null);
  return (
    <>
      <ul className="plain-list" aria-label="Winners">
        {drawn.wins.map(({ alias, claimedAt }) => (
          <li key={alias}>
            <strong>{alias}</strong>: {claimedAt === null ? "has not come yet" : `handed out on ${day.format(claimedAt)}`}
          </li>
        ))}
      </ul>
      {waits ? <HandOut runId={runId} /> : null}
      <p className="small soft">
        Drawn by {drawn.by} on {day.format(drawn.at)} among {amongWords[drawn.among]}, {drawn.qualifiers} in all, with the seed {drawn.seed}
        : sorted by their ids and shuffled with it, the same come first again. The codes stand behind the winners' private links alone.
      </p>
      {mayPlan && drawn.wins.every(({ claimedAt }) => claimedAt === null) ? (
        <div>
          <Button type="text" size="small" loading={back.pending} onClick={() => void back.save()}>
            Take the draw back
          </Button>
          <Refused trouble={back.trouble} />
        </div>
      ) : null}
    </>
  );
}

function HandOut({ runId }: { readonly runId: string }) {
  const [code, setCode] = useState("");
  const keep = useKeep(runId);
  const { save, pending, message, rest } = useSave({
    send: () => ask(api.runs[":id"].prize.claims.$post({ param: { id: runId }, json: { code } })),
    onSaved: (after: PrizeDoc) => {
      keep(after);
      setCode("");
    },
  });
  return (
    <div className="row">
      <Labelled label="Claim code" trouble={message("code") ?? rest}>
        <Input
          className="box-m"
          maxLength={40}
          autoComplete="off"
          value={code}
          onChange={({ target }) => setCode(target.value)}
          onPressEnter={() => void save()}
        />
      </Labelled>
      <Button loading={pending} disabled={code.trim() === ""} onClick={() => void save()}>
        Hand it out
      </Button>
    </div>
  );
}

/** Takes in how the prize stands after a change. */
function useKeep(runId: string): (after: PrizeDoc) => void {
  const queries = useQueryClient();
  return (after) => queries.setQueryData(prizeQuery(runId).queryKey, after);
}
