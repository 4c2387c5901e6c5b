import type { GroupDoc } from "@lampcrate/contract";
import { type Interval, intervalWords, showOf } from "@lampcrate/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { AskError, api, ask } from "../../shared/client.ts";
import { useWords } from "../../shared/words/useWords.ts";
import { focused } from "../focused.ts";
import { useFragment } from "../fragment.ts";
import { LinkQr } from "../logbook/LinkQr.tsx";
import { EraseSurely } from "../mine/EraseSurely.tsx";
import { Letters } from "../mine/Letters.tsx";
import { Won } from "../mine/Won.tsx";
import { groupQuery } from "../queries.ts";
import { Trouble } from "../Trouble.tsx";
import { groupTotals } from "./totals.ts";
import "./group.css";

/** A leader's group behind its link. The secret is in the address's fragment, which no server ever sees. */
export function Group() {
  const words = useWords();
  const secret = useFragment();
  const group = useQuery({ ...groupQuery(secret), enabled: secret !== "" });
  const [erased, setErased] = useState(false);
  if (erased || secret === "")
    return (
      <main className="home">
        <h1 tabIndex={-1} ref={focused}>
          {erased ? words.mine.erased : words.mine.noLink}
        </h1>
      </main>
    );
  if (group.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (group.isLoadingError) return <Trouble error={group.error} onRetry={() => void group.refetch()} />;
  return <OpenGroup group={group.data} secret={secret} onErased={() => setErased(true)} />;
}

function OpenGroup({ group, secret, onErased }: { readonly group: GroupDoc; readonly secret: string; readonly onErased: () => void }) {
  const words = useWords();
  const { sheet, entries } = group;
  const totals = groupTotals(group);
  return (
    <main className="home">
      <title>{`${words.group.title}: ${sheet.title}`}</title>
      <header>
        <p className="soft small">
          {sheet.title}, {sheet.house}
        </p>
        <h1>{words.group.title}</h1>
      </header>
      <div className="plain-words">
        <p className="small soft">{words.group.totals}</p>
        {totals.said.map((line, i) => (
          <p key={line}>{i === 0 ? <strong>{line}</strong> : line}</p>
        ))}
      </div>
      <Won claims={group.claims} prize={sheet.brief.prize} />
      <Letters letters={group.letters} code={sheet.code} />
      <Builders group={group} totals={totals} secret={secret} />
      <Ways withdrawn={entries.every(({ state }) => state === "withdrawn")} secret={secret} onErased={onErased} />
      <div className="buttons">
        <LinkQr link={location.href} />
        <button type="button" className="plain" onClick={() => window.print()}>
          {words.group.printNames}
        </button>
      </div>
      <p className="small soft">{sheet.keeping}</p>
    </main>
  );
}

interface BuildersProps {
  readonly group: GroupDoc;
  readonly totals: ReturnType<typeof groupTotals>;
  readonly secret: string;
}

/** Each builder with what came out, and the way to correct it. */
function Builders({ group, totals: { builders, measure }, secret }: BuildersProps) {
  const words = useWords();
  const show = (value: Interval | null | undefined): string => (value ? intervalWords(value, showOf(measure, group.sheet.units)) : "–");
  return (
    <section className="card">
      <h2>{words.reveal.all}</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">{words.group.row}</th>
            <th scope="col">{words.reveal.who}</th>
            <th scope="col" className="number">
              {words.reveal.first}
            </th>
            <th scope="col" className="number">
              {words.reveal.last}
            </th>
            <th scope="col">{words.group.state}</th>
          </tr>
        </thead>
        <tbody>
          {group.entries.map(({ id, alias, groupRow, state, asks }) => (
            <tr key={id}>
              <th scope="row">{groupRow}</th>
              <td>
                <a href={`/h/mine#${secret}~${groupRow}`}>{alias}</a>
              </td>
              <td className="number">{show(builders.get(alias)?.first)}</td>
              <td className="number">{show(builders.get(alias)?.last)}</td>
              <td>
                {words.group.states[state]}
                {asks.some(({ answer }) => answer === null) ? <strong>, {words.mine.asked}</strong> : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Ways({ withdrawn, secret, onErased }: { readonly withdrawn: boolean; readonly secret: string; readonly onErased: () => void }) {
  const words = useWords();
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const header = { "x-entry-secret": secret };
  const act = async (doing: () => Promise<unknown>): Promise<void> => {
    try {
      await doing();
      setTrouble(null);
    } catch (error) {
      setTrouble(error instanceof AskError ? (error.offline ? words.common.offline : error.message) : words.common.retry);
    }
  };
  const put = (doing: Promise<GroupDoc>): Promise<unknown> => doing.then((next) => queries.setQueryData(groupQuery(secret).queryKey, next));
  return (
    <>
      {trouble === null ? null : (
        <p role="alert" className="ask">
          {trouble}
        </p>
      )}
      <div className="buttons">
        {withdrawn ? (
          <button type="button" className="plain" onClick={() => void act(() => put(ask(api.public.group.restore.$post({ header }))))}>
            {words.group.restore}
          </button>
        ) : (
          <button type="button" className="plain" onClick={() => void act(() => put(ask(api.public.group.withdraw.$post({ header }))))}>
            {words.group.withdraw}
          </button>
        )}
        <EraseSurely label={words.group.erase} onErase={() => void act(() => ask(api.public.group.$delete({ header })).then(onErased))} />
      </div>
    </>
  );
}
