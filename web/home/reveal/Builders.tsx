import type { RevealPage } from "@lampcrate/contract";
import type { Interval } from "@lampcrate/core";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useRested } from "../../shared/useRested.ts";
import { useWords } from "../../shared/words/useWords.ts";
import { revealMoreQuery } from "../queries.ts";

interface BuildersProps {
  readonly code: string;
  readonly first: RevealPage;
  /** Ranked by the best of all trials: that is shown too. */
  readonly byBest: boolean;
  readonly show: (value: Interval | null) => string;
}

/** First against last version of every builder, a hundred at a time; one's own is found by its first letters. */
export function Builders({ code, first, byBest, show }: BuildersProps) {
  const words = useWords();
  const [typed, setTyped] = useState("");
  const find = useRested(typed.trim(), 250);
  const [open, setOpen] = useState(false);
  const start = find === "" ? (first.next ?? 0) : 0;
  const more = useInfiniteQuery({ ...revealMoreQuery(code, find, start), enabled: find !== "" || (open && first.next !== null) });
  const fetched = more.data?.pages.flatMap((page) => page.builders) ?? [];
  const builders = find === "" ? [...first.builders, ...(open ? fetched : [])] : fetched;
  const total = find === "" ? first.total : (more.data?.pages[0]?.total ?? 0);
  return (
    <section className="card stacked">
      <h2>{words.reveal.firstLast}</h2>
      {first.next === null ? null : (
        <label className="field">
          <span>{words.reveal.find}</span>
          <input className="typed" value={typed} maxLength={60} autoComplete="off" onChange={(event) => setTyped(event.target.value)} />
        </label>
      )}
      <table>
        <thead>
          <tr>
            <th scope="col">{words.reveal.who}</th>
            <th scope="col" className="number">
              {words.reveal.first}
            </th>
            <th scope="col" className="number">
              {words.reveal.last}
            </th>
            {byBest ? (
              <th scope="col" className="number">
                {words.reveal.best}
              </th>
            ) : null}
          </tr>
        </thead>
        <tbody>
          {builders.map((builder) => (
            <tr key={builder.alias}>
              <th scope="row">
                {builder.rank === null ? "" : `${builder.rank}. `}
                {builder.alias}
              </th>
              <td className="number">{show(builder.first)}</td>
              <td className="number">{show(builder.last)}</td>
              {byBest ? <td className="number">{show(builder.best)}</td> : null}
            </tr>
          ))}
        </tbody>
      </table>
      {more.isError ? (
        <p role="alert" className="ask">
          {more.error.message}
        </p>
      ) : null}
      {find !== "" && !more.isPending && total === 0 ? <p>{words.reveal.notFound}</p> : null}
      {builders.length < total ? (
        <button
          type="button"
          className="plain"
          disabled={more.isFetching}
          onClick={() => (open || find !== "" ? void more.fetchNextPage() : setOpen(true))}
        >
          {more.isFetching ? words.common.loading : words.reveal.more(builders.length, total)}
        </button>
      ) : null}
    </section>
  );
}
