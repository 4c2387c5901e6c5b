import { type EntryDoc, mostTogether } from "@lampcrate/contract";
import { countedIntervals, familyOfBrief, isUnflagged, outcomeOfRead, type Range, showOf } from "@lampcrate/core";
import { Checkbox } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { spanOf } from "../../shared/pieces/ValueStrip.tsx";
import { Button } from "../pieces/Button.tsx";
import { Refused } from "../pieces/Refused.tsx";
import { useSave } from "../pieces/useSave.ts";
import { entriesQuery, findingsQuery, runQuery, seasonQuery } from "../queries.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { ManyValues } from "./ManyValues.tsx";

/** Entries with nothing to look at, one under the other on one scale; accepted at once after a look, as one step to undo. */
export function Together({ list, onDone }: { readonly list: readonly EntryDoc[]; readonly onDone: () => void }) {
  const { run } = useBriefWork();
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [measure] = familyOfBrief(run.brief).measures(run.brief.spec);
  const plain = list.filter(isUnflagged).slice(0, mostTogether);
  const goal = familyOfBrief(run.brief).goal(run.brief.spec).value;
  const wanted = plain.filter(({ id }) => !out.has(id));
  const values = new Map(plain.map((entry) => [entry.id, valuesOf(entry, measure)]));
  const span: Range = spanOf(
    [...values.values()]
      .flat()
      .flatMap((one) => one.values)
      .concat(goal),
  );
  const { save, pending, trouble } = useSave({
    send: () =>
      ask(
        api.runs[":id"].entries.accepted.$post({
          param: { id: run.id },
          json: { entries: wanted.map(({ id, revision }) => ({ id, revision })) },
        }),
      ),
    onSaved: () => onDone(),
    renew: [entriesQuery(run.id), findingsQuery(run.id), { queryKey: runQuery(run.id).queryKey, exact: true }, seasonQuery],
  });
  return (
    <section className="sheet pad stack" aria-label="Accept together">
      <h2>{plain.length} with nothing to look at</h2>
      <p className="soft small">
        No number of theirs is odd, no rule was answered no, no pictures, no words. Look down the strips: what stands apart from the others
        is taken out with its tick. {measure.words}, {showOf(measure, run.units)(span[0])} to {showOf(measure, run.units)(span[1])} from
        left to right, the goal as a line; light to dark, from the first version to the last.
      </p>
      <ul className="plain-list together">
        {plain.map((entry) => (
          <li key={entry.id}>
            <Checkbox checked={!out.has(entry.id)} onChange={({ target }) => setOut((now) => withOut(now, entry.id, !target.checked))}>
              {entry.alias}
            </Checkbox>
            <ManyValues versions={values.get(entry.id) ?? []} span={span} goal={goal} show={showOf(measure, run.units)} />
          </li>
        ))}
      </ul>
      <Refused trouble={trouble} />
      <div className="row">
        <Button type="primary" disabled={pending || wanted.length === 0} loading={pending} onClick={() => void save()}>
          {wanted.length === 1 ? "Accept this one" : `Accept these ${wanted.length}`}
        </Button>
        <Button type="text" size="small" onClick={onDone}>
          Not now
        </Button>
      </div>
    </section>
  );
}

function withOut(now: ReadonlySet<string>, id: string, isOut: boolean): ReadonlySet<string> {
  const next = new Set(now);
  if (isOut) next.add(id);
  else next.delete(id);
  return next;
}

/** What each version came to, as it counts. */
function valuesOf({ versions }: EntryDoc, measure: Parameters<typeof countedIntervals>[0]) {
  return versions.map(({ number, role, trials }) => ({
    name: role === "control" ? "bare" : `version ${number}`,
    values: countedIntervals(
      measure,
      trials.flatMap(({ outcome, value, brokeValue: broke, rung, at }) => outcomeOfRead({ outcome, value, broke, rung, at }) ?? []),
    ).map(({ low }) => low),
  }));
}
