import type { RevealDoc } from "@lampcrate/contract";
import { type Interval, intervalWords, showNumber, showOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { RigDrawing } from "../../shared/pieces/RigDrawing.tsx";
import { useWords } from "../../shared/words/useWords.ts";
import { familyOf } from "../family.ts";
import { revealQuery, sheetQuery } from "../queries.ts";
import { ToBeat } from "../sheet/ToBeat.tsx";
import { Trouble } from "../Trouble.tsx";
import { Builders } from "./Builders.tsx";
import { Gallery } from "./Gallery.tsx";

/** What everybody found: aliases only, ranks only when the run's scoring says so. */
export function Reveal() {
  const { code = "" } = useParams();
  const words = useWords();
  const reveal = useQuery(revealQuery(code));
  const sheet = useQuery(sheetQuery(code));
  if (reveal.isPending || sheet.isPending) return <main className="home soft">{words.common.loading}</main>;
  if (reveal.isLoadingError) return <Trouble error={reveal.error} onRetry={() => void reveal.refetch()} />;
  if (sheet.isLoadingError) return <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />;
  const { brief, units } = sheet.data;
  const family = familyOf(brief);
  const show = (value: Interval | null): string =>
    value === null ? "–" : intervalWords(value, showOf(family.measures(brief.spec)[0], units));
  const { scoring } = reveal.data;
  return (
    <main className="home">
      <title>{`${words.reveal.title}: ${reveal.data.title}`}</title>
      <header>
        <p className="soft small">{reveal.data.house}</p>
        <h1>{reveal.data.title}</h1>
      </header>
      <p className="goal">{reveal.data.goalWords}</p>
      <div className="card picture">
        <RigDrawing scene={family.drawing(brief.spec, brief.design)} units={units} tall={230} small />
      </div>
      <div className="plain-words">
        {reveal.data.plain.map((line, i) => (
          <p key={line}>{i === 0 ? <strong>{line}</strong> : line}</p>
        ))}
      </div>
      {scoring === "celebrate" ? null : <Lists reveal={reveal.data} />}
      <ToBeat builds={sheet.data.toBeat} />
      <Gallery code={code} />
      <Builders code={code} first={reveal.data.table} byBest={scoring === "best"} show={show} />
      <p className="small soft">{words.reveal.aliases}</p>
      <div>
        <Link className="plain" to={`/h/${code}`}>
          {words.common.back}
        </Link>
      </div>
    </main>
  );
}

function Lists({ reveal }: { readonly reveal: RevealDoc }) {
  const words = useWords();
  const { met, mostImproved, goalMet } = reveal;
  return (
    <>
      <section className="card">
        <h2>{words.reveal.goalMet}</h2>
        <p>
          {met.length === 0 ? words.reveal.none : met.join(", ")}
          {goalMet > met.length ? ` ${words.reveal.andMore(goalMet - met.length)}` : ""}
        </p>
      </section>
      {mostImproved.length > 0 ? (
        <section className="card">
          <h2>{words.reveal.improved}</h2>
          <ul>
            {mostImproved.map((builder) => (
              <li key={builder.alias}>
                {builder.alias}: {words.reveal.times(showNumber(builder.improved, 2))}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}
